package org.skelto.server.paper;

import java.util.ArrayList;
import java.util.List;

/**
 * A sheet to print: a title and its sections in order.
 *
 * @param title such as "Devices"
 * @param scale of its drawings, such as "1:100", or null
 * @param cautions what can hurt whoever works by it
 */
public record PaperSheet(String title, String scale, List<Section> sections, List<String> cautions) {
    /**
     * A section: a drawing, a table, lines of text, or several of them.
     *
     * @param heading or null
     * @param svg a drawing, or null
     * @param heads of the table's columns; none for no table
     * @param lines below the heading
     */
    public record Section(
            String heading, String svg, List<Head> heads, List<Row> rows, List<String> lines, boolean ownPage) {}

    /** A column's head, and whether its cells are figures. */
    public record Head(String text, String css) {}

    /** A row of a table. */
    public record Row(List<Cell> cells) {}

    /** One cell. */
    public record Cell(String text, String css) {}

    /** Makes a table: a head that ends in "#" is that of figures, one that ends in "^" of words that are not broken. */
    static final class Table {
        private final String heading;
        private final List<Head> heads = new ArrayList<>();
        private final List<Row> rows = new ArrayList<>();

        Table(String heading, String... heads) {
            this.heading = heading;
            for (String head : heads) {
                String css = head.endsWith("#") ? "number" : head.endsWith("^") ? "tight" : "text";
                this.heads.add(new Head(css.equals("text") ? head : head.substring(0, head.length() - 1), css));
            }
        }

        Table row(Object... values) {
            List<Cell> cells = new ArrayList<>();
            for (int i = 0; i < values.length; i++) {
                cells.add(new Cell(
                        values[i] == null ? "–" : values[i].toString(),
                        heads.get(i).css()));
            }
            rows.add(new Row(cells));
            return this;
        }

        Section section() {
            return new Section(
                    heading,
                    null,
                    rows.isEmpty() ? List.of() : heads,
                    rows,
                    rows.isEmpty() ? List.of("None.") : List.of(),
                    false);
        }
    }

    static Section text(String heading, List<String> lines) {
        return new Section(heading, null, List.of(), List.of(), lines, false);
    }

    static Section drawing(String heading, String svg) {
        return new Section(heading, svg, List.of(), List.of(), List.of(), true);
    }
}
