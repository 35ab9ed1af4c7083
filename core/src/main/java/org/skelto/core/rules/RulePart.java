package org.skelto.core.rules;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.ActionBuilder;
import org.skelto.core.plan.rules.Press;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Sun;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.TermBuilder;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.plan.rules.TriggerBuilder;
import org.skelto.core.work.ComputingBudget;

/**
 * A part of a rule that what somebody types may mean, made of the plan's things: one of the three is given.
 *
 * @param text how it reads in a sentence
 */
public record RulePart(
        String text,
        @Nullable Trigger trigger,
        @Nullable Term term,
        @Nullable Action action) {
    /** Where in a rule a part is to stand. */
    public enum Slot {
        TRIGGER,
        TERM,
        ACTION
    }

    /** So many are offered at most. */
    private static final int MOST = 12;

    /** Words that tell nothing apart. */
    private static final Set<String> FILLERS =
            Set.of("a", "the", "to", "and", "at", "for", "until", "when", "if", "then", "is");

    private static final Pattern CLOCK = Pattern.compile("\\b(\\d{1,2}):(\\d{2})\\b");
    private static final Pattern TIME = Pattern.compile("\\b(\\d{1,6})\\s*(s|sec|seconds?|min|minutes?|h|hours?)\\b");
    private static final Pattern NUMBER = Pattern.compile("(?<![\\w:])[-−]?\\d{1,6}(?:[.,]\\d{1,3})?");

    /** What was typed, with the times and numbers taken out of the words. */
    private record Typed(
            List<String> words,
            List<String> clocks,
            @Nullable Integer seconds,
            @Nullable Double number) {
        /** Whether a sentence says the times or numbers that were typed, if any were. */
        boolean figuresIn(String said) {
            return clocks.stream().allMatch(said::contains)
                    && (seconds == null || seconds == 0 || said.contains(RuleWords.time(seconds)))
                    && (number == null || said.contains(RuleWords.number(number)));
        }

        static Typed of(String text) {
            String rest = text.toLowerCase(Locale.ROOT);
            List<String> clocks = new ArrayList<>();
            Matcher clock = CLOCK.matcher(rest);
            while (clock.find()) {
                int hour = Integer.parseInt(clock.group(1));
                if (hour < 24 && Integer.parseInt(clock.group(2)) < 60) {
                    clocks.add(String.format(Locale.ROOT, "%02d:%s", hour, clock.group(2)));
                }
            }
            rest = clock.replaceAll(" ");
            Matcher time = TIME.matcher(rest);
            Integer seconds = null;
            if (time.find()) {
                long unit = time.group(2).startsWith("h") ? 3600 : time.group(2).startsWith("m") ? 60 : 1;
                seconds = (int) Math.min(604_800, Long.parseLong(time.group(1)) * unit);
                rest = rest.substring(0, time.start()) + " " + rest.substring(time.end());
            }
            Matcher number = NUMBER.matcher(rest);
            Double value = null;
            if (number.find()) {
                value = Double.parseDouble(number.group().replace('−', '-').replace(',', '.'));
                rest = rest.substring(0, number.start()) + " " + rest.substring(number.end());
            }
            List<String> words = Arrays.stream(rest.split("[^\\p{L}\\p{N}]+"))
                    .filter(w -> !w.isEmpty() && !FILLERS.contains(w))
                    .toList();
            return new Typed(words, clocks, seconds, value);
        }
    }

    /** The parts that a text may mean, the likeliest first; for an empty text those that need no words. */
    public static List<RulePart> typed(Plan plan, Slot slot, String text) {
        Typed typed = Typed.of(text);
        Offers offers = new Offers(plan, typed);
        switch (slot) {
            case TRIGGER -> offers.triggers();
            case TERM -> offers.terms();
            case ACTION -> offers.actions();
        }
        String begins = String.join(" ", typed.words());
        // a time that was typed is meant: what does not say it is offered only when nothing does
        boolean meant = offers.found.stream().anyMatch(p -> typed.figuresIn(p.text()));
        return offers.found.stream()
                .filter(p -> !meant || typed.figuresIn(p.text()))
                .sorted(Comparator.comparing((RulePart p) ->
                                !p.text().toLowerCase(Locale.ROOT).startsWith(begins))
                        .thenComparingInt(p -> p.text().length())
                        .thenComparing(RulePart::text))
                .limit(MOST)
                .toList();
    }

    private static final class Offers {
        private final Plan plan;
        private final Typed typed;
        private final RuleWords words;
        private final List<RulePart> found = new ArrayList<>();

        Offers(Plan plan, Typed typed) {
            this.plan = plan;
            this.typed = typed;
            this.words = new RuleWords(plan);
        }

        /** Takes a part when every word that was typed begins a word of it. */
        private void offer(RulePart part) {
            ComputingBudget.step();
            List<String> of = Arrays.asList(part.text().toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"));
            if (typed.words().stream().allMatch(w -> of.stream().anyMatch(o -> o.startsWith(w)))) {
                found.add(part);
            }
        }

        private void offer(Trigger t) {
            offer(new RulePart(words.trigger(t).text(), t, null, null));
        }

        private void offer(Term t) {
            offer(new RulePart(words.term(t).text(), null, t, null));
        }

        private void offer(Action a) {
            offer(new RulePart(words.action(a).text(), null, null, a));
        }

        private static TriggerBuilder when(Trigger.Kind kind) {
            return TriggerBuilder.builder().kind(kind);
        }

        void triggers() {
            typed.clocks().stream()
                    .limit(1)
                    .forEach(c -> offer(when(Trigger.Kind.CLOCK).clock(c).build()));
            for (Sun sun : Sun.values()) {
                offer(when(Trigger.Kind.SUN)
                        .sun(sun)
                        .offsetMin(typed.seconds() == null ? null : Math.min(720, typed.seconds() / 60))
                        .build());
            }
            offer(when(Trigger.Kind.ARRIVES).build());
            offer(when(Trigger.Kind.LEAVES).build());
            offer(when(Trigger.Kind.POWER_RETURNS).build());
            plan.state()
                    .modes()
                    .forEach((id, mode) -> mode.values()
                            .forEach(v -> offer(
                                    when(Trigger.Kind.MODE).mode(id).value(v).build())));
            plan.devices().forEach((id, d) -> {
                if (d.kind() == DeviceKind.PUSH_BUTTON) {
                    for (Press press : Press.values()) {
                        offer(when(Trigger.Kind.PRESSED).device(id).press(press).build());
                    }
                    return;
                }
                if (measures(d)) {
                    if (typed.number() != null) {
                        offer(value(id).above(typed.number()).build());
                        offer(value(id).below(typed.number()).build());
                    }
                } else {
                    for (Reading reading : Reading.values()) {
                        offer(when(Trigger.Kind.BECOMES)
                                .device(id)
                                .reading(reading)
                                .forS(typed.seconds())
                                .build());
                    }
                }
                if (d.kind().family() == DeviceKind.Family.SENSOR) {
                    offer(when(Trigger.Kind.SILENT)
                            .device(id)
                            .forS(typed.seconds() == null ? 3600 : typed.seconds())
                            .build());
                }
            });
        }

        private TriggerBuilder value(String id) {
            return when(Trigger.Kind.VALUE).device(id).forS(typed.seconds());
        }

        private static boolean measures(Device d) {
            return switch (d.kind()) {
                case TEMPERATURE, HUMIDITY, LIGHT_LEVEL, LEVEL, METER -> true;
                default -> false;
            };
        }

        private static TermBuilder term(Term.Kind kind) {
            return TermBuilder.builder().kind(kind).days(new TreeSet<>());
        }

        void terms() {
            if (typed.clocks().size() > 1) {
                offer(term(Term.Kind.BETWEEN)
                        .from(typed.clocks().get(0))
                        .to(typed.clocks().get(1))
                        .build());
            }
            for (boolean not : new boolean[] {false, true}) {
                offer(term(Term.Kind.DARK).not(not).build());
                offer(term(Term.Kind.HOME).not(not).build());
                plan.state()
                        .modes()
                        .forEach((id, mode) -> mode.values()
                                .forEach(v -> offer(term(Term.Kind.MODE)
                                        .not(not)
                                        .mode(id)
                                        .value(v)
                                        .build())));
            }
            plan.devices().forEach((id, d) -> {
                if (d.kind() == DeviceKind.PUSH_BUTTON) {
                    return;
                }
                if (measures(d)) {
                    if (typed.number() != null) {
                        offer(term(Term.Kind.VALUE)
                                .device(id)
                                .above(typed.number())
                                .build());
                        offer(term(Term.Kind.VALUE)
                                .device(id)
                                .below(typed.number())
                                .build());
                    }
                    return;
                }
                for (Reading reading : Reading.values()) {
                    offer(term(Term.Kind.IS).device(id).reading(reading).build());
                }
            });
            plan.rules().forEach((id, r) -> offer(term(Term.Kind.HOLDS).rule(id).build()));
        }

        private static ActionBuilder action(Action.Kind kind) {
            return ActionBuilder.builder().kind(kind);
        }

        /** How long an action is to hold, as it was typed. */
        private ActionBuilder lasting(Action.Kind kind) {
            return action(kind)
                    .forS(typed.seconds() == null || typed.seconds() == 0 ? null : typed.seconds())
                    .until(typed.clocks().isEmpty() ? null : typed.clocks().get(0));
        }

        void actions() {
            if (typed.seconds() != null && typed.seconds() > 0) {
                offer(action(Action.Kind.WAIT).forS(typed.seconds()).build());
            }
            plan.state()
                    .modes()
                    .forEach((id, mode) -> mode.values()
                            .forEach(v -> offer(
                                    action(Action.Kind.MODE).mode(id).value(v).build())));
            plan.state()
                    .people()
                    .keySet()
                    .forEach(id -> offer(action(Action.Kind.TELL).person(id).build()));
            plan.rules()
                    .keySet()
                    .forEach(id -> offer(action(Action.Kind.RULE).rule(id).build()));
            plan.devices().forEach((id, d) -> {
                DeviceKind.Family family = d.kind().family();
                if (family == DeviceKind.Family.SENSOR || family == DeviceKind.Family.CAMERA) {
                    return;
                }
                for (Reading reading : Reading.values()) {
                    offer(lasting(Action.Kind.SET).device(id).reading(reading).build());
                }
                double percent = typed.number() == null ? -1 : typed.number();
                boolean part = percent >= 0 && percent <= 100;
                if (part
                        && (d.kind() == DeviceKind.DIMMED_LAMP
                                || d.kind() == DeviceKind.LIGHT_STRIP
                                || d.kind().moves())) {
                    offer(lasting(Action.Kind.LEVEL).device(id).percent(percent).build());
                }
                if (family == DeviceKind.Family.SOUNDER) {
                    offer(action(Action.Kind.PULSE)
                            .device(id)
                            .times(part ? Math.max(1, (int) percent) : 3)
                            .build());
                }
            });
            every();
        }

        /** Every lamp of a room, and of a floor. */
        private void every() {
            TreeSet<DeviceKind> kinds = new TreeSet<>();
            plan.devices().values().stream()
                    .map(Device::kind)
                    .filter(k -> k.family() == DeviceKind.Family.LOAD)
                    .forEach(kinds::add);
            for (DeviceKind kind : kinds) {
                for (Reading reading : Reading.values()) {
                    ActionBuilder all = lasting(Action.Kind.SET).all(kind).reading(reading);
                    offer(all.build());
                    for (String floor : plan.floors().keySet()) {
                        offer(all.floor(floor).build());
                    }
                    all.floor(null);
                    for (String room : plan.rooms().keySet()) {
                        offer(all.room(room).build());
                    }
                    all.room(null);
                }
            }
        }
    }
}
