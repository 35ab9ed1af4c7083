package org.skelto.core.parts;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.work.ComputingBudget;

/**
 * Prices as CSV with a header: {@code part} and {@code price} must be there, {@code supplier}, {@code secondSupplier} and
 * {@code leadDays} may; other columns are passed over, so that a parts list comes back with its prices filled in. Lines
 * without a price are passed over, too.
 */
public final class PriceFile {
    private static final String NO_TABLE =
            "is not CSV with a header: every line needs as many cells, and what is quoted has to end";

    private static final int MOST_PROBLEMS = 20;
    private static final double MOST_PRICE = 1e6;

    private PriceFile() {}

    /** The parts of a catalogue with the prices of a file; all lines that are wrong are named, and then none is taken. */
    public static List<Part> read(String text, Catalogue catalogue) throws PartFile.Unreadable {
        PartFile.text(text);
        List<Problem> problems = new ArrayList<>();
        List<Part> parts = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
        try (CSVParser parser = format.parse(new StringReader(text.startsWith("\uFEFF") ? text.substring(1) : text))) {
            for (String must : List.of("part", "price")) {
                if (!parser.getHeaderNames().contains(must)) {
                    problems.add(
                            new Problem("/line 1/" + must, "is missing; these columns must be there: part, price"));
                }
            }
            for (CSVRecord line : parser) {
                ComputingBudget.step();
                if (!problems.isEmpty() && problems.size() >= MOST_PROBLEMS || parts.size() >= PartFile.MOST) {
                    break;
                }
                if (problems.isEmpty() || parser.getHeaderNames().contains("part")) {
                    line(line, catalogue, seen, parts, problems);
                }
            }
        } catch (IOException | IllegalArgumentException | UncheckedIOException e) {
            problems.add(new Problem("", NO_TABLE));
        }
        if (parts.isEmpty() && problems.isEmpty()) {
            problems.add(new Problem("/line 2", "has no price; there is nothing to take in"));
        }
        if (!problems.isEmpty()) {
            throw new PartFile.Unreadable(problems);
        }
        return parts;
    }

    private static void line(
            CSVRecord line, Catalogue catalogue, Set<String> seen, List<Part> parts, List<Problem> problems) {
        String at = "/line " + (line.getRecordNumber() + 1);
        if (!line.isConsistent()) {
            problems.add(new Problem(at, "has " + line.size() + " cells, not as many as the header"));
            return;
        }
        String price = cell(line, "price").replace(',', '.');
        if (price.isEmpty()) {
            return;
        }
        String id = cell(line, "part");
        Part part = catalogue.find(id).orElse(null);
        if (part == null) {
            problems.add(new Problem(at + "/part", "is not in the catalogue: " + shortened(id)));
            return;
        }
        if (!seen.add(id)) {
            problems.add(new Problem(at + "/part", "is in the list already: " + id));
            return;
        }
        Double value = number(price, MOST_PRICE);
        String days = cell(line, "leadDays");
        Double lead = days.isEmpty() ? null : number(days, 1000);
        if (value == null) {
            problems.add(new Problem(at + "/price", "is no price from 0 to 1 000 000: " + shortened(price)));
        } else if (!days.isEmpty() && lead == null) {
            problems.add(new Problem(at + "/leadDays", "is no number of days: " + shortened(days)));
        } else {
            parts.add(part.with(b -> b.supplier(or(cell(line, "supplier"), part.supplier()))
                    .secondSupplier(or(cell(line, "secondSupplier"), part.secondSupplier()))
                    .price(value)
                    .leadDays(lead == null ? part.leadDays() : Integer.valueOf((int) Math.round(lead)))));
        }
    }

    private static String cell(CSVRecord line, String column) {
        return line.isMapped(column) ? PartFile.unquoted(line.get(column)) : "";
    }

    private static String or(String text, String otherwise) {
        return text.isEmpty() || text.length() > 120 ? otherwise : text;
    }

    private static Double number(String text, double most) {
        try {
            double value = Double.parseDouble(text);
            return Double.isFinite(value) && value >= 0 && value <= most ? value : null;
        } catch (NumberFormatException e) {
            return null;
        }
    }

    private static String shortened(String text) {
        return text.length() <= 40 ? text : text.substring(0, 40) + "…";
    }
}
