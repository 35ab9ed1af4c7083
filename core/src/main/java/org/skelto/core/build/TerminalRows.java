package org.skelto.core.build;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.skelto.core.build.Sheet.TerminalRow;

/** What is connected at each terminal of a drawing, and by which cables. */
final class TerminalRows {
    private final Map<String, List<String>> wires = new TreeMap<>();
    private final Map<String, TreeSet<String>> runs = new TreeMap<>();

    /** A wire from a terminal; the cable is empty inside the box. */
    void wire(String terminal, String to, String cable) {
        wires.computeIfAbsent(terminal, k -> new ArrayList<>()).add(to);
        if (!cable.isEmpty()) {
            runs.computeIfAbsent(terminal, k -> new TreeSet<>()).add(cable);
        }
    }

    /** One wire in place of all that were at a terminal. */
    void only(String terminal, String to) {
        wires.put(terminal, new ArrayList<>(List.of(to)));
    }

    List<TerminalRow> rows() {
        return wires.entrySet().stream()
                .map(e -> new TerminalRow(
                        e.getKey(),
                        e.getValue().size(),
                        List.copyOf(runs.getOrDefault(e.getKey(), new TreeSet<>())),
                        String.join("; ", e.getValue())))
                .toList();
    }
}
