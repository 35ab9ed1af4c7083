package org.skelto.core.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Sun;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.quantity.Text;
import org.skelto.core.work.ComputingBudget;

/**
 * A rule as one sentence, made of parts.
 *
 * @param rule id of the rule
 * @param host name of the unit that it runs in, or null while nobody chose one
 * @param parts that read as one sentence when they are put one after the other
 * @param text the whole of it
 * @param gone ids of things that it names and that the plan does not have
 */
public record RuleSentence(
        String rule, String name, @Nullable String host, List<SentencePart> parts, String text, List<String> gone) {
    private static final int MINUTE_S = 60;
    private static final int HOUR_S = 3600;

    /**
     * A part of a sentence.
     *
     * @param text with the spaces and commas that it needs
     * @param of where it stands in the rule: the pointer of a trigger, term or action, or null for words between them
     * @param thing pointer of what it names, or null
     */
    public record SentencePart(
            String text, @Nullable String of, @Nullable String thing) {}

    /** The sentence of a rule. */
    public static RuleSentence of(Plan plan, String id, Rule rule) {
        return new Writer(plan, id, rule).sentence();
    }

    private static final class Writer {
        private final Plan plan;
        private final String id;
        private final Rule rule;
        private final List<SentencePart> parts = new ArrayList<>();
        private final List<String> gone = new ArrayList<>();

        Writer(Plan plan, String id, Rule rule) {
            this.plan = plan;
            this.id = id;
            this.rule = rule;
        }

        RuleSentence sentence() {
            ComputingBudget.step();
            words("When ");
            all(rule.when().size(), "when", " or ", i -> trigger(rule.when().get(i)), "nothing yet");
            if (!rule.onlyIf().isEmpty()) {
                words(", only if ");
                all(
                        rule.onlyIf().size(),
                        "onlyIf",
                        rule.any() ? " or " : " and ",
                        i -> term(rule.onlyIf().get(i)),
                        "");
            }
            words(", then ");
            all(rule.then().size(), "then", ", then ", i -> action(rule.then().get(i)), "do nothing yet");
            if (!rule.unless().isEmpty()) {
                words(", unless ");
                all(
                        rule.unless().size(),
                        "unless",
                        " or ",
                        i -> term(rule.unless().get(i)),
                        "");
            }
            words(".");
            if (rule.restS() != null && rule.restS() > 0) {
                words(" Not again within " + time(rule.restS()) + ".");
            }
            String host = rule.host();
            if (host != null && !plan.units().containsKey(host)) {
                gone.add(host);
            }
            return new RuleSentence(
                    id,
                    rule.name(),
                    host == null || !plan.units().containsKey(host)
                            ? null
                            : plan.units().get(host).name(),
                    List.copyOf(parts),
                    parts.stream().map(SentencePart::text).collect(Collectors.joining()),
                    List.copyOf(gone));
        }

        private void words(String text) {
            parts.add(new SentencePart(text, null, null));
        }

        /** What one of many says. */
        private record Said(String text, @Nullable String thing) {}

        private void all(
                int size, String field, String between, java.util.function.IntFunction<Said> each, String none) {
            if (size == 0) {
                words(none);
            }
            for (int i = 0; i < size; i++) {
                if (i > 0) {
                    words(between);
                }
                Said said = each.apply(i);
                parts.add(new SentencePart(
                        said.text(), Pointers.of("rules", id, field, String.valueOf(i)), said.thing()));
            }
        }

        private Said trigger(Trigger t) {
            return switch (t.kind()) {
                case BECOMES -> of(t.device(), d -> becomes(d, t.reading()) + lasting(t.forS()));
                case VALUE -> of(t.device(), d -> crosses(d, t.above(), t.below()) + lasting(t.forS()));
                case PRESSED ->
                    of(
                            t.device(),
                            d -> "is pressed"
                                    + (t.press() == null
                                            ? ""
                                            : " " + t.press().name().toLowerCase(Locale.ROOT)));
                case CLOCK -> new Said("it is " + (t.clock() == null ? "some time" : t.clock()), null);
                case SUN -> new Said(sun(t), null);
                case SILENT ->
                    of(t.device(), d -> "has said nothing for " + (t.forS() == null ? "too long" : time(t.forS())));
                case POWER_RETURNS -> new Said("the mains is back", null);
            };
        }

        private static String sun(Trigger t) {
            String event = t.sun() == Sun.RISES ? "the sun rises" : "the sun sets";
            int offset = t.offsetMin() == null ? 0 : t.offsetMin();
            return offset == 0
                    ? event
                    : "it is " + Math.abs(offset) + " min " + (offset < 0 ? "before " : "after ") + event;
        }

        private static String lasting(@Nullable Integer seconds) {
            return seconds == null || seconds == 0 ? "" : " for " + time(seconds);
        }

        private static String becomes(Device d, @Nullable Reading reading) {
            return reading == null ? "changes" : ReadingWords.becomes(d.kind(), reading);
        }

        private static String crosses(Device d, @Nullable Double above, @Nullable Double below) {
            String unit = unit(d.kind());
            if (above != null && below != null) {
                return "leaves " + number(below) + " to " + number(above) + unit;
            }
            return above != null
                    ? "rises above " + number(above) + unit
                    : below != null ? "falls below " + number(below) + unit : "moves";
        }

        private static String number(double value) {
            return Text.number(value, value == Math.rint(value) ? 0 : 1);
        }

        private static String unit(DeviceKind kind) {
            return switch (kind) {
                case TEMPERATURE -> " °C";
                case HUMIDITY, LEVEL, BLIND, DIMMED_LAMP, LIGHT_STRIP -> " %";
                case LIGHT_LEVEL -> " lx";
                case METER -> " W";
                default -> "";
            };
        }

        private Said term(Term t) {
            String not = t.not() ? "it is not so that " : "";
            return switch (t.kind()) {
                case IS -> prefixed(not, of(t.device(), d -> t.reading() == null ? "is there" : is(d, t.reading())));
                case VALUE -> prefixed(not, of(t.device(), d -> lies(d, t)));
                case BETWEEN -> new Said((t.not() ? "it is not " : "it is ") + window(t), null);
                case DARK -> new Said(t.not() ? "it is light" : "it is dark", null);
            };
        }

        private static Said prefixed(String prefix, Said said) {
            return prefix.isEmpty() ? said : new Said(prefix + said.text(), said.thing());
        }

        private static String is(Device d, Reading reading) {
            return ReadingWords.is(d.kind(), reading);
        }

        private static String lies(Device d, Term t) {
            String unit = unit(d.kind());
            if (t.above() != null && t.below() != null) {
                return "is between " + number(t.above()) + " and " + number(t.below()) + unit;
            }
            return t.above() != null
                    ? "is above " + number(t.above()) + unit
                    : t.below() != null ? "is below " + number(t.below()) + unit : "is known";
        }

        private static String window(Term t) {
            String days = t.days().stream()
                    .map(day ->
                            day.name().charAt(0) + day.name().substring(1, 3).toLowerCase(Locale.ROOT))
                    .collect(Collectors.joining(", "));
            boolean hours = t.from() != null && t.to() != null;
            String clock = hours ? "between " + t.from() + " and " + t.to() : "";
            return days.isEmpty() ? hours ? clock : "any time" : hours ? clock + " on " + days : days;
        }

        private Said action(Action a) {
            String back = a.forS() == null ? "" : " for " + time(a.forS());
            return switch (a.kind()) {
                case SET ->
                    done(a.device(), d -> a.reading() == null ? new String[] {"leave", "as it is"} : set(d, a), back);
                case LEVEL ->
                    done(
                            a.device(),
                            d -> new String[] {"set", "to " + number(a.percent() == null ? 0 : a.percent()) + " %"},
                            back);
                case PULSE ->
                    done(a.device(), d -> new String[] {"pulse", (a.times() == null ? 1 : a.times()) + " times"}, "");
                case TELL -> tell(a);
                case WAIT -> new Said("wait" + (a.forS() == null ? "" : " " + time(a.forS())), null);
            };
        }

        private static String[] set(Device d, Action a) {
            return ReadingWords.set(d.kind(), a.reading() == null ? Reading.IDLE : a.reading());
        }

        private Said tell(Action a) {
            String service = a.service();
            String by = "nobody yet";
            if (service != null && plan.services().containsKey(service)) {
                by = "by " + plan.services().get(service).name();
            } else if (service != null) {
                gone.add(service);
                by = "by " + service + ", which is gone";
            }
            return new Said("tell " + by + (a.text() == null ? "" : " \"" + a.text() + "\""), null);
        }

        private Said of(@Nullable String device, java.util.function.Function<Device, String> verb) {
            Device d = device == null ? null : plan.devices().get(device);
            if (d != null) {
                return new Said(d.name() + " " + verb.apply(d), Pointers.of("devices", String.valueOf(device)));
            }
            return missing(device);
        }

        private Said done(@Nullable String device, java.util.function.Function<Device, String[]> verb, String after) {
            Device d = device == null ? null : plan.devices().get(device);
            if (d == null) {
                return missing(device);
            }
            String[] words = verb.apply(d);
            return new Said(
                    words[0] + " " + d.name() + (words[1].isEmpty() ? "" : " " + words[1]) + after,
                    Pointers.of("devices", String.valueOf(device)));
        }

        private Said missing(@Nullable String device) {
            if (device == null) {
                return new Said("something that is not chosen yet", null);
            }
            gone.add(device);
            return new Said(device + ", which is gone", null);
        }

        private static String time(int seconds) {
            return seconds % HOUR_S == 0 && seconds > 0
                    ? seconds / HOUR_S + " h"
                    : seconds % MINUTE_S == 0 && seconds > 0 ? seconds / MINUTE_S + " min" : seconds + " s";
        }
    }
}
