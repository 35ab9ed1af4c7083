package org.skelto.server.readings;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.skelto.core.calibration.Reading;
import org.skelto.core.calibration.ReadingBuilder;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Building;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.tables.TypedTable;

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
    private final TypedTable.Line line;

    private ReadingFile(Plan plan, TypedTable.Line line) {
        this.plan = plan;
        this.line = line;
    }

    /** Reads a file; every line that cannot be read is named. */
    static List<Reading> read(String text, Plan plan, Instant now) {
        return TypedTable.read(
                text,
                MOST_LINES,
                HEAD[4] + ", " + HEAD[6] + " and a place",
                ReadingFile::check,
                line -> new ReadingFile(plan, line).reading(now));
    }

    static String write(List<Reading> readings) {
        return TypedTable.write(
                HEAD,
                readings.stream()
                        .map(r -> new Object[] {
                            r.floor(), r.xM(), r.yM(), r.heightM(), r.unit(), r.medium(), r.dbm(), r.at()
                        })
                        .toList());
    }

    private static void check(Set<String> names) {
        boolean place = names.contains("room") || names.containsAll(List.of("floor", "xM", "yM"));
        if (!names.containsAll(List.of("transmitter", "dBm")) || !place) {
            String has = String.join(", ", names);
            throw TypedTable.refusal(
                    "/line 1",
                    "must name the columns transmitter, dBm, and room or floor, xM and yM; it has "
                            + has.substring(0, Math.min(200, has.length())));
        }
    }

    private Reading reading(Instant now) {
        String unit = unit(line.cell("transmitter"));
        if (unit == null) {
            return line.wrong("names a transmitter that is not in the plan", line.cell("transmitter"));
        }
        Double dbm = line.number("dBm");
        Double height = line.number("heightM", HEIGHT_M);
        double[] place = place();
        Medium medium = medium(unit);
        Instant time = line.time("at", now);
        if (dbm == null || height == null || place == null || medium == null || time == null) {
            return null;
        }
        Reading reading = ReadingBuilder.builder()
                .floor(floor())
                .xM(place[0])
                .yM(place[1])
                .heightM(height)
                .unit(unit)
                .medium(medium)
                .dbm(dbm)
                .at(time)
                .build();
        Problem problem = Readings.problem(reading, plan, "");
        return problem == null ? reading : line.wrong(problem.pointer().substring(1) + " " + problem.message());
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

    private Map.Entry<String, Room> room() {
        String said = line.cell("room");
        return said.isEmpty()
                ? null
                : plan.rooms().entrySet().stream()
                        .filter(e ->
                                e.getKey().equals(said) || e.getValue().name().equalsIgnoreCase(said))
                        .findFirst()
                        .orElse(null);
    }

    private String floor() {
        Map.Entry<String, Room> room = room();
        return room != null ? room.getValue().floor() : line.cell("floor");
    }

    private double[] place() {
        Map.Entry<String, Room> room = room();
        if (!line.cell("xM").isEmpty()) {
            Double x = line.number("xM");
            Double y = line.number("yM");
            if (room == null && !plan.floors().containsKey(line.cell("floor"))) {
                return line.wrong("names a floor that is not in the plan", line.cell("floor"));
            }
            return x == null || y == null ? null : new double[] {x, y};
        }
        if (room == null) {
            return line.wrong("names a room that is not in the plan", line.cell("room"));
        }
        Bounds bounds = room.getValue().bounds();
        Building building =
                plan.buildings().get(plan.floors().get(room.getValue().floor()).building());
        return new double[] {
            building.xM() + (bounds.westM() + bounds.eastM()) / 2,
            building.yM() + (bounds.southM() + bounds.northM()) / 2
        };
    }

    private Medium medium(String unit) {
        String said = line.cell("medium");
        Unit sender = plan.units().get(unit);
        if (said.isEmpty()) {
            return sender.media().isEmpty()
                    ? line.wrong(sender.name() + " has no radio")
                    : sender.media().get(0);
        }
        try {
            return Medium.valueOf(said.toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            return line.wrong("names a radio that is not known", said);
        }
    }
}
