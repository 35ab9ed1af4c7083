package org.skelto.core.naming;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.apache.commons.csv.DuplicateHeaderMode;
import org.jspecify.annotations.Nullable;
import org.skelto.core.work.ComputingBudget;

/**
 * A table that another program wrote: a header, and lines separated by comma, semicolon or tab.
 *
 * @param columns those that were sought and are there
 */
record ForeignTable(List<String> columns, List<Row> rows) {
    /** So many lines are read at most. */
    static final int MOST_LINES = 20_000;

    private static final int MOST_SHOWN = 60;

    /** A line by the columns that were sought; its number, the header being 1. */
    record Row(long line, Map<String, String> cells) {
        @Nullable
        String get(String column) {
            return cells.get(column);
        }
    }

    /** It is no such table. */
    static final class Unreadable extends Exception {
        private static final long serialVersionUID = 1L;

        Unreadable(String why) {
            super(why);
        }
    }

    /**
     * Reads a table.
     *
     * @param sought for each column the names that it may have in the header, in small letters
     * @throws Unreadable when it is none, or has more than {@value #MOST_LINES} lines
     */
    static ForeignTable of(String text, Map<String, List<String>> sought) throws Unreadable {
        try (CSVParser lines = format(text).parse(new StringReader(text))) {
            Map<String, String> there = new LinkedHashMap<>();
            sought.forEach((column, names) -> lines.getHeaderNames().stream()
                    .filter(n -> names.contains(n.toLowerCase(Locale.ROOT).strip()))
                    .findFirst()
                    .ifPresent(n -> there.put(column, n)));
            List<Row> rows = new ArrayList<>();
            for (CSVRecord line : lines) {
                ComputingBudget.step();
                if (line.getRecordNumber() > MOST_LINES) {
                    throw new Unreadable("has more than " + MOST_LINES + " lines");
                }
                Map<String, String> cells = new LinkedHashMap<>();
                there.forEach((column, name) -> {
                    String said = line.isSet(name) ? line.get(name) : "";
                    if (!said.isEmpty()) {
                        cells.put(column, said);
                    }
                });
                rows.add(new Row(line.getRecordNumber() + 1, cells));
            }
            return new ForeignTable(List.copyOf(there.keySet()), rows);
        } catch (IOException | UncheckedIOException | IllegalArgumentException | IllegalStateException e) {
            throw new Unreadable("is not a table with a header and separators");
        }
    }

    private static CSVFormat format(String text) {
        String first = text.lines().findFirst().orElse("");
        return CSVFormat.RFC4180
                .builder()
                .setDelimiter(first.contains("\t") ? '\t' : first.contains(";") ? ';' : ',')
                .setHeader()
                .setSkipHeaderRecord(true)
                .setDuplicateHeaderMode(DuplicateHeaderMode.ALLOW_EMPTY)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
    }

    /** As it is told: without control characters, and not longer than a line. */
    static String shown(String text) {
        String plain = text.replaceAll("\\p{Cntrl}", " ");
        return plain.length() > MOST_SHOWN ? plain.substring(0, MOST_SHOWN) + "…" : plain;
    }
}
