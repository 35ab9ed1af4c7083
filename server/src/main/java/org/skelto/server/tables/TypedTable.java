package org.skelto.server.tables;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.function.Function;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.csv.DuplicateHeaderMode;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.problems.Refusal;

/**
 * A table of readings with a header, separated by comma, semicolon or tab; numbers may have a decimal comma and a real
 * minus sign. All of it is read or nothing: lines that cannot be are named, at most {@value #MOST_TOLD} of them.
 */
public final class TypedTable {
    private static final int MOST_TOLD = 20;
    private static final int MOST_SHOWN = 40;
    private static final String FORMULA = "=+-@\t";

    private final List<Problem> problems = new ArrayList<>();

    private TypedTable() {}

    /**
     * Reads a table.
     *
     * @param most lines that are taken
     * @param columns that it is about, in words, for who sends something else
     * @param head looks at the names of the columns, in any case of letters, and throws {@link #refusal} when one is missing
     * @param row makes something of a line, or null when it named a problem
     * @throws Refusal naming the places
     */
    public static <T> List<T> read(
            String text, int most, String columns, Consumer<Set<String>> head, Function<Line, T> row) {
        int nul = text.indexOf('\0');
        if (nul >= 0) {
            throw refusal("/line " + (text.substring(0, nul).lines().count()), "holds a NUL character");
        }
        TypedTable table = new TypedTable();
        List<T> rows = new ArrayList<>();
        try (CSVParser parser = format(text).parse(new StringReader(text))) {
            Set<String> names = new TreeSet<>(String.CASE_INSENSITIVE_ORDER);
            names.addAll(parser.getHeaderNames());
            head.accept(names);
            for (CSVRecord record : parser) {
                if (record.getRecordNumber() > most) {
                    throw refusal("/line " + record.getRecordNumber(), "is beyond the " + most + " lines allowed");
                }
                T made = table.problems.size() < MOST_TOLD ? row.apply(table.new Line(record)) : null;
                if (made != null) {
                    rows.add(made);
                }
            }
        } catch (IOException | UncheckedIOException | IllegalArgumentException | IllegalStateException e) {
            throw refusal("", "is not a table with a header and separators: " + columns);
        }
        if (!table.problems.isEmpty()) {
            throw Refusal.invalid("Not every line can be read. No reading was stored.", table.problems);
        }
        if (rows.isEmpty()) {
            throw refusal("", "holds no reading");
        }
        return rows;
    }

    private static CSVFormat format(String text) {
        String first = text.lines().findFirst().orElse("");
        return CSVFormat.RFC4180
                .builder()
                .setDelimiter(first.contains("\t") ? '\t' : first.contains(";") ? ';' : ',')
                .setHeader()
                .setSkipHeaderRecord(true)
                .setDuplicateHeaderMode(DuplicateHeaderMode.ALLOW_EMPTY)
                .setIgnoreHeaderCase(true)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
    }

    /** A table as RFC 4180; words never become a formula where it is opened, and are read again as they were. */
    public static String write(String[] head, List<Object[]> rows) {
        StringBuilder out = new StringBuilder();
        try (CSVPrinter printer =
                new CSVPrinter(out, CSVFormat.RFC4180.builder().setHeader(head).get())) {
            for (Object[] row : rows) {
                printer.printRecord(Arrays.stream(row).map(TypedTable::safe).toArray());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static Object safe(Object value) {
        return value instanceof String s && (formula(s) || s.startsWith("'")) ? "'" + s : value;
    }

    private static boolean formula(String text) {
        return !text.isEmpty() && FORMULA.indexOf(text.charAt(0)) >= 0;
    }

    /** Why a table cannot be taken at all. */
    public static Refusal refusal(String place, String message) {
        return Refusal.invalid("The readings cannot be taken. None was stored.", List.of(new Problem(place, message)));
    }

    /** A line while it is read. */
    public final class Line {
        private final CSVRecord cells;

        private Line(CSVRecord cells) {
            this.cells = cells;
        }

        /** Which line it is, counted from 1 below the header. */
        public long number() {
            return cells.getRecordNumber();
        }

        /** What a cell holds; empty when there is no such column. */
        public String cell(String column) {
            return cells.isMapped(column) && cells.isSet(column) ? cells.get(column) : "";
        }

        /** Words as they were before {@link #write}. */
        public String words(String column) {
            String said = cell(column);
            return said.length() > 1 && said.charAt(0) == '\'' && (formula(said.substring(1)) || said.charAt(1) == '\'')
                    ? said.substring(1)
                    : said;
        }

        /** Says that something about the line is wrong; gives null, so that it can be returned. */
        public <T> T wrong(String message) {
            problems.add(new Problem("/line " + (number() + 1), message));
            return null;
        }

        /** The same about what a cell says. */
        public <T> T wrong(String message, String said) {
            return wrong(message + ": \"" + (said.length() > MOST_SHOWN ? said.substring(0, MOST_SHOWN) + "…" : said)
                    + "\"");
        }

        /** A finite number, or null after it was told that it is none. */
        public Double number(String column) {
            String said = cell(column);
            try {
                double value = Double.parseDouble(said.replace('−', '-').replace(',', '.'));
                if (Double.isFinite(value)) {
                    return value;
                }
            } catch (NumberFormatException e) {
                // told below
            }
            return wrong(column + " is not a number", said);
        }

        /** The same where the cell may be empty. */
        public Double number(String column, Double otherwise) {
            return cell(column).isEmpty() ? otherwise : number(column);
        }

        /** A time, {@code now} and a little where none is given, or null after it was told that it is none. */
        public Instant time(String column, Instant now) {
            String said = cell(column);
            if (said.isEmpty()) {
                // lines of one table keep their order
                return now.plusMillis(number());
            }
            try {
                return said.endsWith("Z") || said.matches(".*[+-]\\d\\d:\\d\\d$")
                        ? OffsetDateTime.parse(said).toInstant()
                        : LocalDateTime.parse(said.replace(' ', 'T')).toInstant(ZoneOffset.UTC);
            } catch (DateTimeException e) {
                return wrong(column + " is not a time such as 2026-11-25T10:15:00Z", said);
            }
        }
    }
}
