package org.skelto.core.commands;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.DeviceKind;

/**
 * Devices from lines of words, as they come out of a spreadsheet: each as {@link AddDevice} makes it, with the name that the
 * line gives. A line that cannot be understood is told and left; the others are made.
 *
 * @param lines 1 to {@value #MOST}
 */
public record AddDevices(List<Line> lines) implements Command {
    static final int MOST = 1000;

    private static final int LONGEST = 120;

    /**
     * One device.
     *
     * @param name or null for that of its kind
     * @param kind in words or as the format has it
     * @param room its name or id, or null for nowhere yet
     */
    public record Line(
            @Nullable String name,
            @Nullable String kind,
            @Nullable String room) {}

    public AddDevices {
        lines = lines == null
                ? List.of()
                : lines.stream().filter(java.util.Objects::nonNull).toList();
    }

    @Override
    public Proposal on(Plan plan) {
        if (lines.isEmpty() || lines.size() > MOST) {
            throw new Refused("lines", "are " + lines.size() + "; 1 to " + MOST + " are taken at once");
        }
        Map<String, DeviceKind> kinds = new TreeMap<>();
        for (DeviceKind kind : DeviceKind.values()) {
            kinds.put(plain(Wording.of(kind)), kind);
        }
        Set<String> names = Asked.names(plan);
        Set<String> ids = Asked.ids(plan);
        FreePlaces free = new FreePlaces(plan);
        List<Edit> edits = new ArrayList<>();
        List<String> notes = new ArrayList<>();
        Set<String> unknown = new HashSet<>();
        for (int i = 0; i < lines.size(); i++) {
            Line line = lines.get(i);
            DeviceKind kind = kind(kinds, plain(line.kind()));
            String room = room(plan, line.room());
            if (kind == null || plain(line.name()).length() > LONGEST) {
                notes.add("Line " + (i + 1) + ": "
                        + (kind == null
                                ? "\"" + shortened(line.kind()) + "\" is no kind of device"
                                : "its name is too long")
                        + "; it was left.");
                continue;
            }
            if (room == null && !plain(line.room()).isEmpty() && unknown.add(plain(line.room()))) {
                notes.add("No room is called \"" + shortened(line.room()) + "\": what goes there stands nowhere yet.");
            }
            String given = line.name() == null ? "" : line.name().strip();
            String wanted = given.isEmpty() ? Wording.of(kind) : given;
            String name = Asked.freeName(wanted, names);
            edits.add(Edit.add(
                    Pointers.of("devices", Asked.freeId(name, ids)),
                    new AddDevice(kind, room).made(plan, name, free.in(room, AddDevice.USUAL_M))));
        }
        return new Proposal(edits.size() == 1 ? "1 device" : edits.size() + " devices", edits, notes);
    }

    /** A kind by its words, or by how they begin where only one begins so. */
    private static @Nullable DeviceKind kind(Map<String, DeviceKind> kinds, String words) {
        List<String> begun = kinds.keySet().stream()
                .filter(k -> !words.isEmpty() && (k.startsWith(words) || words.startsWith(k + " ")))
                .toList();
        return kinds.containsKey(words) ? kinds.get(words) : begun.size() == 1 ? kinds.get(begun.get(0)) : null;
    }

    private static @Nullable String room(Plan plan, @Nullable String words) {
        List<String> found = plan.rooms().entrySet().stream()
                .filter(e -> plain(e.getValue().name()).equals(plain(words))
                        || e.getKey().equals(words))
                .map(Map.Entry::getKey)
                .toList();
        return found.size() == 1 ? found.get(0) : null;
    }

    private static String plain(@Nullable String words) {
        return words == null ? "" : words.strip().toLowerCase(Locale.ROOT).replace('_', ' ');
    }

    private static String shortened(@Nullable String words) {
        String text = words == null ? "" : words.strip();
        return text.length() <= 40 ? text : text.substring(0, 39) + "…";
    }
}
