package org.skelto.core.configuration;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.configuration.ControllerConfiguration.DeviceSettings;
import org.skelto.core.configuration.ControllerConfiguration.MessageSettings;
import org.skelto.core.configuration.ControllerConfiguration.TerminalSettings;

/**
 * Two controllers beside one another, field by field.
 *
 * @param what the field, in words
 * @param one what the first has, or null for nothing
 * @param other what the second has, or null for nothing
 * @param verdict whether that is as it should be
 */
public record BoardDifference(
        String what, @Nullable String one, @Nullable String other, Verdict verdict) {
    /** What is to be thought of a field of two boards. */
    public enum Verdict {
        SAME,
        DIFFERENT,
        /** It has to differ, and does not. */
        MUST_DIFFER
    }

    /** What tells two boards apart. */
    private static final Set<String> IDENTITY = Set.of("name", "host name", "address", "hardware address", "node id");

    /** All fields of two boards, what is wrong first, then what differs. */
    public static List<BoardDifference> of(ControllerConfiguration one, ControllerConfiguration other) {
        Map<String, @Nullable String> first = fields(one);
        Map<String, @Nullable String> second = fields(other);
        Set<String> names = new TreeSet<>(first.keySet());
        names.addAll(second.keySet());
        List<BoardDifference> all = new ArrayList<>();
        names.forEach(name -> all.add(new BoardDifference(
                name, first.get(name), second.get(name), verdict(name, first.get(name), second.get(name)))));
        all.sort((a, b) -> Integer.compare(rank(a), rank(b)));
        return all;
    }

    private static int rank(BoardDifference field) {
        return switch (field.verdict()) {
            case MUST_DIFFER -> 0;
            case DIFFERENT -> 1;
            case SAME -> 2;
        };
    }

    private static Verdict verdict(String name, @Nullable String one, @Nullable String other) {
        boolean identity = IDENTITY.contains(name) || name.startsWith("topic of ");
        if (Objects.equals(one, other)) {
            return identity && one != null ? Verdict.MUST_DIFFER : Verdict.SAME;
        }
        return Verdict.DIFFERENT;
    }

    /** Devices stand beside one another by their kinds, the first with the first: their ids differ anyway. */
    private static Map<String, @Nullable String> fields(ControllerConfiguration c) {
        Map<String, @Nullable String> fields = new LinkedHashMap<>();
        fields.put("name", c.name());
        fields.put("host name", c.host());
        fields.put("stands in", c.where());
        c.boards().forEach((name, part) -> fields.put("board " + name, part));
        fields.put("address", c.network().address());
        fields.put(
                "address on loan",
                c.network().address() == null ? null : words(c.network().onLoan()));
        fields.put("hardware address", c.network().hardwareAddress());
        fields.put(
                "node id",
                c.network().nodeId() == null ? null : String.valueOf(c.network().nodeId()));
        fields.put("broker", c.network().broker());
        fields.put("hub", c.network().hub());
        Map<String, Integer> seen = new LinkedHashMap<>();
        for (DeviceSettings device : c.devices()) {
            String kind = device.kind().name().toLowerCase(Locale.ROOT).replace('_', ' ');
            device(fields, kind + " " + seen.merge(kind, 1, Integer::sum), device);
        }
        return fields;
    }

    private static void device(Map<String, @Nullable String> fields, String which, DeviceSettings device) {
        fields.put("name of " + which, device.name());
        fields.put("topic of " + which, device.topic());
        fields.put(
                "after power, " + which,
                device.afterPower() == null ? null : device.afterPower().name().toLowerCase(Locale.ROOT));
        for (TerminalSettings terminal : device.terminals()) {
            String at = terminal.behind() == null ? terminal.terminal() : terminal.terminal() + " " + terminal.behind();
            fields.put(terminal.connection() + " of " + which, at);
            fields.put(terminal.connection() + " of " + which + " inverted", words(terminal.inverted()));
        }
        for (MessageSettings message : device.messages()) {
            fields.put(
                    message.kind().name().toLowerCase(Locale.ROOT) + " of " + which,
                    "delivery " + message.delivery() + (message.retained() ? ", retained" : "")
                            + (message.intervalS() == null ? "" : ", every " + message.intervalS() + " s"));
        }
    }

    private static String words(boolean yes) {
        return yes ? "yes" : "no";
    }
}
