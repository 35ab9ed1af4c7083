package org.skelto.core.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.network.Service;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Mode;
import org.skelto.core.plan.rules.Person;
import org.skelto.core.plan.rules.Press;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Sun;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.Room;
import org.skelto.core.quantity.Text;

/** Triggers, terms and actions of rules in words. */
final class RuleWords {
    private static final int MINUTE_S = 60;
    private static final int HOUR_S = 3600;
    private final Plan plan;
    private final List<String> gone = new ArrayList<>();

    RuleWords(Plan plan) {
        this.plan = plan;
    }

    /** What one of many says, and the pointer of what it names or null. */
    record Said(String text, @Nullable String thing) {}

    /** Ids of things that were named so far and that the plan does not have. */
    List<String> gone() {
        return gone;
    }

    Said trigger(Trigger t) {
        return switch (t.kind()) {
            case BECOMES -> of(t.device(), d -> becomes(d, t.reading()) + lasting(t.forS()));
            case VALUE -> of(t.device(), d -> crosses(d, t.above(), t.below()) + lasting(t.forS()));
            case PRESSED ->
                of(
                        t.device(),
                        d -> t.press() == Press.HELD
                                ? "is held down"
                                : "is pressed"
                                        + (t.press() == null
                                                ? ""
                                                : " " + t.press().name().toLowerCase(Locale.ROOT)));
            case CODE ->
                of(t.device(), d -> "reads " + (t.value() == null ? "any code" : "the code \"" + t.value() + "\""));
            case CLOCK -> new Said("it is " + (t.clock() == null ? "some time" : t.clock()), null);
            case SUN -> new Said(sun(t), null);
            case SILENT ->
                of(t.device(), d -> "has said nothing for " + (t.forS() == null ? "too long" : time(t.forS())));
            case POWER_RETURNS -> new Said("the mains is back", null);
            case MODE -> new Said(mode(t.mode()) + " becomes " + value(t.value()), thing("state/modes", t.mode()));
            case ARRIVES -> new Said("the first comes home", null);
            case LEAVES -> new Said("the last one leaves", null);
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

    static String number(double value) {
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

    Said term(Term t) {
        String not = t.not() ? "it is not so that " : "";
        return switch (t.kind()) {
            case IS -> prefixed(not, of(t.device(), d -> t.reading() == null ? "is there" : is(d, t.reading())));
            case VALUE -> prefixed(not, of(t.device(), d -> lies(d, t)));
            case BETWEEN -> new Said((t.not() ? "it is not " : "it is ") + window(t), null);
            case DARK -> new Said(t.not() ? "it is light" : "it is dark", null);
            case MODE ->
                new Said(
                        mode(t.mode()) + (t.not() ? " is not " : " is ") + value(t.value()),
                        thing("state/modes", t.mode()));
            case HOME -> new Said(t.not() ? "nobody is at home" : "somebody is at home", null);
            case HOLDS ->
                new Said(rule(t.rule()) + (t.not() ? " does not hold" : " still holds"), thing("rules", t.rule()));
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
                .map(day -> day.name().charAt(0) + day.name().substring(1, 3).toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(", "));
        boolean hours = t.from() != null && t.to() != null;
        String clock = hours ? "between " + t.from() + " and " + t.to() : "";
        return days.isEmpty() ? hours ? clock : "any time" : hours ? clock + " on " + days : days;
    }

    Said action(Action a) {
        String back = a.until() != null ? " until " + a.until() : a.forS() == null ? "" : " for " + time(a.forS());
        return switch (a.kind()) {
            case SET -> done(a, kind -> a.reading() == null ? new String[] {"leave", "as it is"} : set(kind, a), back);
            case LEVEL ->
                done(
                        a,
                        kind -> new String[] {"set", "to " + number(a.percent() == null ? 0 : a.percent()) + " %"},
                        back);
            case PULSE -> done(a, kind -> new String[] {"pulse", (a.times() == null ? 1 : a.times()) + " times"}, "");
            case TELL -> tell(a);
            case WAIT -> new Said("wait" + (a.forS() == null ? "" : " " + time(a.forS())), null);
            case MODE -> new Said("set " + mode(a.mode()) + " to " + value(a.value()), thing("state/modes", a.mode()));
            case RULE -> new Said("do what " + rule(a.rule()) + " does", thing("rules", a.rule()));
        };
    }

    private static String[] set(DeviceKind kind, Action a) {
        return ReadingWords.set(kind, a.reading() == null ? Reading.IDLE : a.reading());
    }

    private Said tell(Action a) {
        List<String> whom = new ArrayList<>();
        if (a.person() != null) {
            whom.add(named(a.person(), plan.state().people(), Person::name, ""));
        }
        if (a.service() != null) {
            whom.add("by " + named(a.service(), plan.services(), Service::name, ""));
        }
        return new Said(
                "tell " + (whom.isEmpty() ? "nobody yet" : String.join(" ", whom))
                        + (a.text() == null ? "" : " \"" + a.text() + "\""),
                thing("state/people", a.person()));
    }

    private Said of(@Nullable String device, Function<Device, String> verb) {
        Device d = device == null ? null : plan.devices().get(device);
        if (d != null) {
            return new Said(d.name() + " " + verb.apply(d), Pointers.of("devices", String.valueOf(device)));
        }
        return missing(device);
    }

    private String mode(@Nullable String mode) {
        return named(mode, plan.state().modes(), Mode::name, "a mode that is not chosen yet");
    }

    private String rule(@Nullable String rule) {
        return named(rule, plan.rules(), r -> "\"" + r.name() + "\"", "a rule that is not chosen yet");
    }

    private static String value(@Nullable String value) {
        return value == null ? "something" : value;
    }

    private <T> String named(@Nullable String id, Map<String, T> map, Function<T, String> name, String none) {
        if (id == null) {
            return none;
        }
        T found = map.get(id);
        if (found == null) {
            gone.add(id);
            return id + ", which is gone";
        }
        return name.apply(found);
    }

    private static @Nullable String thing(String map, @Nullable String id) {
        return id == null ? null : "/" + map + Pointers.of(id);
    }

    /** All devices of a kind, as "every lamp of the hall". */
    private Said all(Action a, Function<DeviceKind, String[]> verb, String after) {
        DeviceKind kind = Objects.requireNonNull(a.all());
        String where = "";
        String at = null;
        if (a.room() != null) {
            where = " of " + named(a.room(), plan.rooms(), Room::name, "");
            at = thing("rooms", a.room());
        } else if (a.floor() != null) {
            where = " on " + named(a.floor(), plan.floors(), Floor::name, "");
            at = thing("floors", a.floor());
            if (a.around() != null) {
                where = " within " + number(a.around().radiusM()) + " m of a point" + where;
            }
        }
        String[] words = verb.apply(kind);
        return new Said(
                words[0] + " every " + Wording.words(kind) + where + (words[1].isEmpty() ? "" : " " + words[1]) + after,
                at);
    }

    private Said done(Action a, Function<DeviceKind, String[]> verb, String after) {
        if (a.all() != null) {
            return all(a, verb, after);
        }
        String device = a.device();
        Device d = device == null ? null : plan.devices().get(device);
        if (d == null) {
            return missing(device);
        }
        String[] words = verb.apply(d.kind());
        return new Said(
                words[0] + " " + d.name() + (words[1].isEmpty() ? "" : " " + words[1]) + after,
                thing("devices", device));
    }

    private Said missing(@Nullable String device) {
        if (device == null) {
            return new Said("something that is not chosen yet", null);
        }
        gone.add(device);
        return new Said(device + ", which is gone", null);
    }

    /** A time in words, such as "6 min". */
    static String time(int seconds) {
        return seconds % HOUR_S == 0 && seconds > 0
                ? seconds / HOUR_S + " h"
                : seconds % MINUTE_S == 0 && seconds > 0 ? seconds / MINUTE_S + " min" : seconds + " s";
    }
}
