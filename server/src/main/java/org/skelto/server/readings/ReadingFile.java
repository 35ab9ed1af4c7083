package org.skelto.server.readings;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.skelto.core.calibration.Reading;
import org.skelto.core.plan.Bounds;
import org.skelto.core.plan.Building;
import org.skelto.core.plan.Medium;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Problem;
import org.skelto.core.plan.Room;
import org.skelto.core.plan.Unit;
import org.skelto.server.problems.Refusal;

/**
 * Readings as CSV, RFC 4180, comma or semicolon or tab, with a header: {@code transmitter} (id or name) and {@code dBm},
 * then {@code room} (id or name; taken in its middle) or {@code floor, xM, yM} (on the site), and if known {@code heightM},
 * {@code medium} and {@code at} (ISO time).
 */
final class ReadingFile {
    static final String[] HEAD = {"floor", "xM", "yM", "heightM", "transmitter", "medium", "dBm", "at"};
    private static final int MOST_LINES = Readings.MOST;
    private static final double HEIGHT_M = 1;

    private final Plan plan;
    private final Instant now;
    private final List<Problem> problems = new ArrayList<>();

    private ReadingFile(Plan plan, Instant now) {
        this.plan = plan;
        this.now = now;
    }

    /** Reads a file; every line that cannot be read is named. */
    static List<Reading> read(String text, Plan plan, Instant now) {
        return new ReadingFile(plan, now).read(text);
    }

    static String write(List<Reading> readings) {
        StringBuilder out = new StringBuilder();
        try (CSVPrinter printer =
                new CSVPrinter(out, CSVFormat.RFC4180.builder().setHeader(HEAD).get())) {
            for (Reading r : readings) {
                printer.printRecord(r.floor(), r.xM(), r.yM(), r.heightM(), r.unit(), r.medium(), r.dbm(), r.at());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private List<Reading> read(String text) {
        String first = text.lines().findFirst().orElse("");
        char delimiter = first.contains("\t") ? '\t' : first.contains(";") ? ';' : ',';
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(delimiter)
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreHeaderCase(true)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .get();
        List<Reading> readings = new ArrayList<>();
        try (CSVParser parser = format.parse(new StringReader(text))) {
            check(parser.getHeaderMap());
            for (CSVRecord line : parser) {
                if (line.getRecordNumber() > MOST_LINES) {
                    throw refusal("/line " + line.getRecordNumber(), "is beyond the " + MOST_LINES + " lines allowed");
                }
                if (problems.size() < 20) {
                    Reading reading = reading(line);
                    if (reading != null) {
                        readings.add(reading);
                    }
                }
            }
        } catch (IOException | UncheckedIOException | IllegalArgumentException | IllegalStateException e) {
            throw refusal(
                    "", "is not a table with a header and separators: " + HEAD[4] + ", " + HEAD[6] + " and a place");
        }
        if (!problems.isEmpty()) {
            throw Refusal.invalid("Not every line can be read. No reading was stored.", problems);
        }
        if (readings.isEmpty()) {
            throw refusal("", "holds no reading");
        }
        return readings;
    }

    private static Refusal refusal(String place, String message) {
        return Refusal.invalid("The readings cannot be taken. None was stored.", List.of(new Problem(place, message)));
    }

    private static void check(Map<String, Integer> head) {
        List<String> names =
                head.keySet().stream().map(n -> n.toLowerCase(Locale.ROOT)).toList();
        boolean place =
                names.contains("room") || names.contains("floor") && names.contains("xm") && names.contains("ym");
        if (!names.contains("transmitter") || !names.contains("dbm") || !place) {
            throw refusal(
                    "/line 1",
                    "must name the columns transmitter, dBm, and room or floor, xM and yM; it has "
                            + String.join(", ", names)
                                    .substring(
                                            0,
                                            Math.min(
                                                    200,
                                                    String.join(", ", names).length())));
        }
    }

    private Reading reading(CSVRecord line) {
        String at = "/line " + (line.getRecordNumber() + 1);
        String unit = unit(cell(line, "transmitter"));
        if (unit == null) {
            problems.add(new Problem(
                    at, "names a transmitter that is not in the plan: \"" + shown(cell(line, "transmitter")) + "\""));
            return null;
        }
        Double dbm = number(line, "dBm", at);
        Double height = cell(line, "heightM").isEmpty() ? Double.valueOf(HEIGHT_M) : number(line, "heightM", at);
        double[] place = place(line, at);
        String floor = place == null ? null : floor(line);
        Medium medium = medium(line, unit, at);
        Instant time = time(line, at);
        if (dbm == null || height == null || place == null || medium == null || time == null) {
            return null;
        }
        Reading reading = new Reading(floor, place[0], place[1], height, unit, medium, dbm, time);
        Problem problem = Readings.problem(reading, plan, "");
        if (problem != null) {
            problems.add(new Problem(at, problem.pointer().substring(1) + " " + problem.message()));
            return null;
        }
        return reading;
    }

    private static String cell(CSVRecord line, String name) {
        return line.isMapped(name) && line.isSet(name) ? line.get(name) : "";
    }

    private static String shown(String text) {
        return text.length() > 40 ? text.substring(0, 40) + "…" : text;
    }

    private String unit(String said) {
        if (plan.units().containsKey(said)) {
            return said;
        }
        return plan.units().entrySet().stream()
                .filter(e -> e.getValue().name().equalsIgnoreCase(said))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
    }

    private Map.Entry<String, Room> room(CSVRecord line) {
        String said = cell(line, "room");
        return said.isEmpty()
                ? null
                : plan.rooms().entrySet().stream()
                        .filter(e ->
                                e.getKey().equals(said) || e.getValue().name().equalsIgnoreCase(said))
                        .findFirst()
                        .orElse(null);
    }

    private String floor(CSVRecord line) {
        Map.Entry<String, Room> room = room(line);
        return room != null ? room.getValue().floor() : cell(line, "floor");
    }

    private double[] place(CSVRecord line, String at) {
        if (!cell(line, "xM").isEmpty()) {
            Double x = number(line, "xM", at);
            Double y = number(line, "yM", at);
            if (room(line) == null && !plan.floors().containsKey(cell(line, "floor"))) {
                problems.add(new Problem(
                        at, "names a floor that is not in the plan: \"" + shown(cell(line, "floor")) + "\""));
                return null;
            }
            return x == null || y == null ? null : new double[] {x, y};
        }
        Map.Entry<String, Room> room = room(line);
        if (room == null) {
            problems.add(
                    new Problem(at, "names a room that is not in the plan: \"" + shown(cell(line, "room")) + "\""));
            return null;
        }
        Bounds bounds = room.getValue().bounds();
        Building building =
                plan.buildings().get(plan.floors().get(room.getValue().floor()).building());
        return new double[] {
            building.xM() + (bounds.westM() + bounds.eastM()) / 2,
            building.yM() + (bounds.southM() + bounds.northM()) / 2
        };
    }

    private Medium medium(CSVRecord line, String unit, String at) {
        String said = cell(line, "medium");
        Unit sender = plan.units().get(unit);
        if (said.isEmpty()) {
            if (sender.media().isEmpty()) {
                problems.add(new Problem(at, sender.name() + " has no radio"));
                return null;
            }
            return sender.media().get(0);
        }
        try {
            return Medium.valueOf(said.toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            problems.add(new Problem(at, "names a radio that is not known: \"" + shown(said) + "\""));
            return null;
        }
    }

    private Double number(CSVRecord line, String column, String at) {
        String said = cell(line, column).replace('−', '-').replace(',', '.');
        try {
            double value = Double.parseDouble(said);
            if (Double.isFinite(value)) {
                return value;
            }
        } catch (NumberFormatException e) {
            // told below
        }
        problems.add(new Problem(at, column + " is not a number: \"" + shown(said) + "\""));
        return null;
    }

    private Instant time(CSVRecord line, String at) {
        String said = cell(line, "at");
        if (said.isEmpty()) {
            return now.plusMillis(line.getRecordNumber());
        }
        try {
            return said.endsWith("Z") || said.matches(".*[+-]\\d\\d:\\d\\d$")
                    ? java.time.OffsetDateTime.parse(said).toInstant()
                    : LocalDateTime.parse(said.replace(' ', 'T')).toInstant(ZoneOffset.UTC);
        } catch (DateTimeException e) {
            problems.add(new Problem(at, "at is not a time such as 2026-11-25T10:15:00Z: \"" + shown(said) + "\""));
            return null;
        }
    }
}
