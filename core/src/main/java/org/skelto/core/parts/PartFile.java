package org.skelto.core.parts;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.skelto.core.plan.site.Exposure;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.work.ComputingBudget;

/**
 * Parts as CSV, RFC 4180, with a header. Columns: {@code id, name, kind, supplier, secondSupplier, price, leadDays}, one
 * for each {@link Quantity}, {@code rating}, {@code traits} (words with spaces between) and {@code pins}
 * ({@code G0 in out strap-high high:0.1; G2 in out}). Only id, name and kind must be there. A unit written behind a number
 * is taken when it is the column's own and refused when it is another. Cells that a spreadsheet would take for formulas
 * are text; written out they are quoted with an apostrophe, which reading takes away again.
 */
public final class PartFile {
    /** Parts that one file may hold. */
    public static final int MOST = 2000;

    private static final String NO_TABLE =
            "is not CSV with a header: every line needs as many cells, and what is quoted has to end";

    private static final int MOST_PROBLEMS = 20;
    private static final int MOST_PINS = 200;
    private static final String FORMULA = "=+-@\t\r";
    private static final List<String> TEXT = List.of(
            "id", "name", "kind", "supplier", "secondSupplier", "price", "leadDays", "rating", "traits", "pins");

    /** A file that cannot be read, with the places that are wrong. */
    public static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1L;

        private final transient List<Problem> problems;

        Unreadable(List<Problem> problems) {
            super("The list of parts cannot be read.");
            this.problems = problems;
        }

        /** Places as {@code /line 3/price}. */
        public List<Problem> problems() {
            return problems;
        }
    }

    private final List<Problem> problems = new ArrayList<>();

    private PartFile() {}

    static List<Part> builtIn() {
        try (InputStream in = PartFile.class.getResourceAsStream("/parts/built-in.csv");
                Reader reader = new InputStreamReader(in, StandardCharsets.UTF_8)) {
            return new PartFile().read(reader);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (Unreadable e) {
            throw new IllegalStateException(e.problems().toString(), e);
        }
    }

    /** Reads a file; every line that is wrong is named, and then none is taken. */
    public static List<Part> read(String text) throws Unreadable {
        text(text);
        return new PartFile().read(new StringReader(text.startsWith("\uFEFF") ? text.substring(1) : text));
    }

    /** The header of a file. */
    public static List<String> columns() {
        List<String> columns = new ArrayList<>(TEXT.subList(0, 7));
        Arrays.stream(Quantity.values()).map(Quantity::column).forEach(columns::add);
        columns.addAll(TEXT.subList(7, TEXT.size()));
        return columns;
    }

    /** Writes a file that {@link #read} reads back without loss. */
    public static String write(Iterable<Part> parts) {
        StringBuilder out = new StringBuilder();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader(columns().toArray(String[]::new))
                .get();
        try (CSVPrinter printer = new CSVPrinter(out, format)) {
            for (Part part : parts) {
                printer.printRecord(cells(part));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static List<Object> cells(Part part) {
        List<Object> cells = new ArrayList<>();
        cells.add(part.id());
        cells.add(quoted(part.name()));
        cells.add(part.kind());
        cells.add(quoted(part.supplier()));
        cells.add(quoted(part.secondSupplier()));
        cells.add(plain(part.price()));
        cells.add(part.leadDays());
        for (Quantity quantity : Quantity.values()) {
            cells.add(plain(part.figures().get(quantity)));
        }
        cells.add(part.rating());
        cells.add(String.join(" ", part.traits().stream().map(Trait::word).toList()));
        cells.add(quoted(pins(part.pins())));
        return cells;
    }

    private static String plain(Double value) {
        if (value == null || !Double.isFinite(value)) {
            return value == null ? null : value.toString();
        }
        return new java.math.BigDecimal(value.toString()).stripTrailingZeros().toPlainString();
    }

    /** A cell that a spreadsheet would run as a formula gets an apostrophe before it. */
    public static String quoted(String text) {
        return text != null && !text.isEmpty() && (FORMULA.indexOf(text.charAt(0)) >= 0 || text.charAt(0) == '\'')
                ? "'" + text
                : text;
    }

    static String unquoted(String text) {
        return text.length() > 1
                        && text.charAt(0) == '\''
                        && (FORMULA.indexOf(text.charAt(1)) >= 0 || text.charAt(1) == '\'')
                ? text.substring(1)
                : text;
    }

    private static String pins(List<Pin> pins) {
        return String.join("; ", pins.stream().map(PartFile::pin).toList());
    }

    private static String pin(Pin pin) {
        StringBuilder text = new StringBuilder(pin.name());
        pin.abilities().forEach(a -> text.append(' ').append(a.word()));
        if (pin.highS() > 0) {
            text.append(" high:").append(plain(pin.highS()));
        }
        if (pin.lowS() > 0) {
            text.append(" low:").append(plain(pin.lowS()));
        }
        return text.toString();
    }

    /** Refuses what is no text: a NUL cannot be kept, and no editor shows it. */
    static void text(String file) throws Unreadable {
        int nul = file.indexOf('\0');
        if (nul >= 0) {
            long line = file.substring(0, nul).chars().filter(c -> c == '\n').count() + 1;
            throw new Unreadable(List.of(new Problem("/line " + line, "holds a NUL character")));
        }
    }

    private List<Part> read(Reader reader) throws Unreadable {
        List<Part> parts = new ArrayList<>();
        Set<String> ids = new HashSet<>();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
        try (CSVParser parser = format.parse(reader)) {
            header(parser.getHeaderNames());
            for (CSVRecord line : parser) {
                if (parts.size() >= MOST) {
                    problems.add(new Problem(
                            "/line " + (line.getRecordNumber() + 1),
                            "is beyond the " + MOST + " parts that a list may have"));
                }
                if (!problems.isEmpty() && problems.size() >= MOST_PROBLEMS || parts.size() >= MOST) {
                    break;
                }
                Part part = new Line(line).part();
                if (part != null && !ids.add(part.id())) {
                    problem(line, "id", "is in the list already: " + part.id());
                }
                parts.add(part);
            }
        } catch (IOException | IllegalArgumentException | UncheckedIOException e) {
            problems.add(new Problem("", NO_TABLE));
        }
        if (!problems.isEmpty()) {
            throw new Unreadable(List.copyOf(problems));
        }
        return parts;
    }

    private void header(List<String> names) {
        Set<String> known = new TreeSet<>(columns());
        for (String must : List.of("id", "name", "kind")) {
            if (!names.contains(must)) {
                problems.add(new Problem("/line 1/" + must, "is missing; these columns must be there: id, name, kind"));
            }
        }
        names.stream()
                .filter(n -> !known.contains(n))
                .forEach(n -> problems.add(new Problem("/line 1/" + n, "is not a column of a list of parts")));
    }

    private void problem(CSVRecord line, String column, String what) {
        if (problems.size() < MOST_PROBLEMS) {
            problems.add(new Problem("/line " + (line.getRecordNumber() + 1) + "/" + column, what));
        }
    }

    /** One line being read. */
    private final class Line {
        private final CSVRecord record;

        Line(CSVRecord record) {
            this.record = record;
        }

        Part part() {
            ComputingBudget.step();
            if (!record.isConsistent()) {
                problem(record, "", "has " + record.size() + " cells, not as many as the header");
                return null;
            }
            String id = cell("id");
            if (!id.matches("[a-z0-9-]{1,60}")) {
                problem(record, "id", "must be 1 to 60 small letters, digits and hyphens");
            }
            String name = cell("name");
            if (name.isEmpty() || name.length() > 120) {
                problem(record, "name", "must have 1 to 120 characters");
            }
            Map<Quantity, Double> figures = new EnumMap<>(Quantity.class);
            for (Quantity q : Quantity.values()) {
                Double value = number(q.column(), q.unit(), q.least(), q.most());
                if (value != null) {
                    figures.put(q, value);
                }
            }
            Double lead = number("leadDays", "", 0, 1000);
            return PartBuilder.builder()
                    .id(id)
                    .name(name)
                    .kind(one("kind", PartKind.class))
                    .supplier(text("supplier"))
                    .secondSupplier(text("secondSupplier"))
                    .price(number("price", "", 0, 1e6))
                    .leadDays(lead == null ? null : (int) Math.round(lead))
                    .figures(figures)
                    .traits(traits())
                    .rating(cell("rating").isEmpty() ? null : one("rating", Exposure.class))
                    .pins(pins())
                    .build();
        }

        private String cell(String column) {
            return record.isMapped(column) ? unquoted(record.get(column)) : "";
        }

        private String text(String column) {
            String text = cell(column);
            if (text.length() > 120) {
                problem(record, column, "may have at most 120 characters");
            }
            return text.isEmpty() ? null : text;
        }

        private Double number(String column, String unit, double least, double most) {
            String text = cell(column);
            if (text.isEmpty()) {
                return null;
            }
            String digits = text;
            String behind = text.replaceFirst("^[-+0-9.eE]+", "").strip();
            if (!behind.isEmpty() && behind.equals(unit)) {
                digits = text.substring(0, text.length() - behind.length()).strip();
            }
            double value;
            try {
                value = Double.parseDouble(digits);
            } catch (NumberFormatException e) {
                problem(
                        record,
                        column,
                        "is no number" + (unit.isEmpty() ? "" : " in " + unit) + ": " + shortened(text));
                return null;
            }
            if (!(value >= least && value <= most)) {
                problem(record, column, "must be from " + least + " to " + most + (unit.isEmpty() ? "" : " " + unit));
                return null;
            }
            return value;
        }

        private <E extends Enum<E>> E one(String column, Class<E> type) {
            String text =
                    cell(column).toUpperCase(Locale.ROOT).replace('-', '_').replace(' ', '_');
            return Arrays.stream(type.getEnumConstants())
                    .filter(e -> e.name().equals(text))
                    .findFirst()
                    .orElseGet(() -> {
                        problem(
                                record,
                                column,
                                "is none of "
                                        + String.join(
                                                ", ",
                                                Arrays.stream(type.getEnumConstants())
                                                        .map(Enum::name)
                                                        .toList()));
                        return null;
                    });
        }

        private Set<Trait> traits() {
            Set<Trait> traits = EnumSet.noneOf(Trait.class);
            for (String word : cell("traits").split("\\s+")) {
                if (!word.isEmpty()) {
                    Arrays.stream(Trait.values())
                            .filter(t -> t.word().equals(word))
                            .findFirst()
                            .ifPresentOrElse(
                                    traits::add, () -> problem(record, "traits", "does not know " + shortened(word)));
                }
            }
            return traits;
        }

        private List<Pin> pins() {
            List<Pin> pins = new ArrayList<>();
            Set<String> names = new HashSet<>();
            String text = cell("pins");
            if (text.isEmpty()) {
                return pins;
            }
            for (String one : text.split(";")) {
                String[] words = one.strip().split("\\s+");
                if (words[0].isEmpty() || words[0].length() > 20 || !names.add(words[0]) || pins.size() >= MOST_PINS) {
                    problem(record, "pins", "needs a name of its own for each pin: " + shortened(one.strip()));
                    return pins;
                }
                pins.add(pin(words));
            }
            return pins;
        }

        private Pin pin(String[] words) {
            Set<Pin.Ability> abilities = EnumSet.noneOf(Pin.Ability.class);
            double high = 0;
            double low = 0;
            for (int i = 1; i < words.length; i++) {
                String word = words[i];
                if (word.matches("(high|low):\\d{1,3}(\\.\\d{1,3})?")) {
                    double seconds = Double.parseDouble(word.substring(word.indexOf(':') + 1));
                    high = word.startsWith("high") ? seconds : high;
                    low = word.startsWith("low") ? seconds : low;
                    continue;
                }
                Arrays.stream(Pin.Ability.values())
                        .filter(a -> a.word().equals(word))
                        .findFirst()
                        .ifPresentOrElse(
                                abilities::add, () -> problem(record, "pins", "does not know " + shortened(word)));
            }
            return new Pin(words[0], abilities, high, low);
        }
    }

    private static String shortened(String text) {
        return text.length() > 40 ? text.substring(0, 40) + "…" : text;
    }
}
