package org.skelto.core.build;

import java.util.List;

/**
 * A drawing of how one unit is wired.
 *
 * @param unit its id
 * @param shapes whose layer is null belong to the paper itself
 * @param terminals what meets at each terminal
 */
public record Sheet(
        String unit, String title, double widthMm, double heightMm, List<Shape> shapes, List<TerminalRow> terminals) {
    /**
     * One terminal.
     *
     * @param wires that meet there
     * @param cables ids of the cables that they come with
     * @param to what they lead to
     */
    public record TerminalRow(String terminal, int wires, List<String> cables, String to) {}
}
