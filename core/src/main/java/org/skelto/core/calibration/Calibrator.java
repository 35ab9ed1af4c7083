package org.skelto.core.calibration;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.ojalgo.matrix.decomposition.Cholesky;
import org.ojalgo.matrix.store.MatrixStore;
import org.ojalgo.matrix.store.R064Store;
import org.skelto.core.coverage.CoverageScenario;
import org.skelto.core.coverage.Source;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.radio.Calibration;
import org.skelto.core.plan.radio.RadioBand;
import org.skelto.core.plan.site.Place;
import org.skelto.core.radio.CalibratedLoss;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.FreeSpace;
import org.skelto.core.radio.MultiWall;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.Crossing;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/**
 * Learns one loss for each construction and band, and one offset for each transmitter and band, from readings: least
 * squares with a ridge towards the table values. Every fifth reading is held back, so that the error after is honest.
 */
public final class Calibrator {
    /** Readings needed before anything is learned. */
    public static final int LEAST_READINGS = 10;

    private static final int HOLD_EVERY = 5;

    /** Spread of a single reading about the truth, of a wall about its table, and of a transmitter, dB. */
    private static final double READING_SIGMA_DB = 6;

    private static final double WALL_SIGMA_DB = 6;
    private static final double OFFSET_SIGMA_DB = 4;

    private static final double LEAST_SIGMA_DB = 3;
    private static final double MISFIT = 2.5;

    private record Key(String what, RadioBand band, boolean wall) {}

    /** A reading taken apart: what does not depend on anything learned, and how often it crosses what. */
    private record Row(Reading reading, double constantDbm, Map<Key, List<Double>> tables, Key offset) {
        double byTables() {
            return constantDbm
                    - tables.values().stream()
                            .flatMap(List::stream)
                            .mapToDouble(Double::doubleValue)
                            .sum();
        }

        double learned(Map<Key, Double> values) {
            double dbm = constantDbm + values.getOrDefault(offset, 0.0);
            for (Map.Entry<Key, List<Double>> e : tables.entrySet()) {
                Double learned = values.get(e.getKey());
                dbm -= learned == null
                        ? e.getValue().stream().mapToDouble(Double::doubleValue).sum()
                        : learned * e.getValue().size();
            }
            return dbm;
        }
    }

    private final Plan plan;
    private final SiteModel site;
    private final SlabTables tables;

    private Calibrator(SiteModel site, SlabTables tables) {
        // tables mean tables here, whatever was learned before
        this.plan = site.plan().withCalibration(null);
        this.site = site;
        this.tables = tables;
    }

    /**
     * Learns from readings whose transmitters and floors are in the plan.
     *
     * @param at when, for the record
     * @throws IllegalArgumentException when there are fewer than {@value #LEAST_READINGS}
     */
    public static Fit fit(SiteModel site, SlabTables tables, List<Reading> readings, String at) {
        ComputingBudget.step();
        if (readings.size() < LEAST_READINGS) {
            throw new IllegalArgumentException("at least " + LEAST_READINGS + " readings are needed");
        }
        return new Calibrator(site, tables).fit(readings, at);
    }

    /** What the model says of readings. */
    public static final class Predictions {
        private final Calibrator calibrator;
        private final Map<Key, Double> learned = new LinkedHashMap<>();

        private Predictions(SiteModel site, SlabTables tables) {
            this.calibrator = new Calibrator(site, tables);
            if (CalibratedLoss.used(site.plan())) {
                Calibration used = site.plan().calibration();
                keys(used.wallDb(), true);
                keys(used.offsetDb(), false);
                learned.keySet().removeIf(calibrator::fixed);
            }
        }

        private void keys(Map<String, Map<RadioBand, Double>> values, boolean wall) {
            values.forEach((id, bands) -> bands.forEach((band, db) -> learned.put(new Key(id, band, wall), db)));
        }

        /** By the tables alone, dBm. */
        public double byTablesDbm(Reading reading) {
            return calibrator.row(reading).byTables();
        }

        /** As the plan predicts now, with its calibration if that is used, dBm. */
        public double nowDbm(Reading reading) {
            return calibrator.row(reading).learned(learned);
        }
    }

    /** Predictions for readings whose transmitters and floors are in the plan. */
    public static Predictions predictions(SiteModel site, SlabTables tables) {
        return new Predictions(site, tables);
    }

    private Fit fit(List<Reading> readings, String at) {
        List<Row> rows = readings.stream()
                .sorted(Comparator.comparing(Reading::at)
                        .thenComparing(Reading::unit)
                        .thenComparingDouble(Reading::xM)
                        .thenComparingDouble(Reading::yM))
                .map(this::row)
                .toList();
        List<Row> learnt = new ArrayList<>();
        List<Row> held = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            (i % HOLD_EVERY == HOLD_EVERY - 1 ? held : learnt).add(rows.get(i));
        }
        Map<Key, Double> values = solve(learnt);
        double before = error(held, Row::byTables);
        double after = error(held, r -> r.learned(values));
        return FitBuilder.builder()
                .readings(rows.size())
                .heldBack(held.size())
                .beforeDb(before)
                .afterDb(after)
                .better(after < before)
                .walls(walls(rows, values))
                .offsets(offsets(rows, values))
                .compared(compared(rows, held, values, sigma(held, values, null)))
                .calibration(calibration(rows, held, values, at))
                .build();
    }

    private Row row(Reading reading) {
        ComputingBudget.step();
        Unit unit = plan.units().get(reading.unit());
        CoverageScenario reach = new CoverageScenario(site, reading.medium());
        Point source = site.position(unit).orElseThrow();
        Source heard = reach.source(null, unit, source);
        Point at = site.pointAt(reading.floor(), reading.xM(), reading.yM(), reading.heightM());
        Place place = site.placeAt(reading.floor(), reading.xM(), reading.yM(), reading.heightM());
        double frequency = heard.frequencyMHz();
        RadioBand band = RadioBand.of(frequency);
        double constant = heard.levelDbm()
                - FreeSpace.lossDb(frequency, source.distanceM(at))
                - MultiWall.clutterDb(plan, unit.place(), place)
                - heard.besideDb(at);
        Map<Key, List<Double>> crossed = new LinkedHashMap<>();
        for (Crossing crossing : site.crossings(source, at)) {
            double db = tables.table(plan, crossing.construction(), frequency).lossDb(crossing.cosIncidence());
            crossed.computeIfAbsent(new Key(crossing.construction(), band, true), k -> new ArrayList<>())
                    .add(db);
        }
        return new Row(reading, constant, crossed, new Key(reading.unit(), band, false));
    }

    /** A measured loss was typed by the person: it stands. */
    private boolean fixed(Key key) {
        var made = plan.everyConstruction().get(key.what());
        return key.wall() && made != null && made.measuredDb().containsKey(key.band());
    }

    private Map<Key, Double> solve(List<Row> rows) {
        Map<Key, List<Double>> seen = new TreeMap<>(
                Comparator.comparing(Key::what).thenComparing(Key::band).thenComparing(Key::wall));
        for (Row row : rows) {
            row.tables.forEach(
                    (k, v) -> seen.computeIfAbsent(k, x -> new ArrayList<>()).addAll(v));
            seen.computeIfAbsent(row.offset, x -> new ArrayList<>());
        }
        seen.keySet().removeIf(this::fixed);
        Map<Key, Double> values = least(rows, seen);
        // a wall never amplifies: what came out below nothing is held at nothing and the rest solved again
        List<Key> below = values.entrySet().stream()
                .filter(e -> e.getKey().wall() && e.getValue() < 0)
                .map(Map.Entry::getKey)
                .toList();
        if (!below.isEmpty()) {
            below.forEach(seen::remove);
            List<Row> less = rows.stream().map(r -> without(r, below)).toList();
            values = least(less, seen);
            for (Key key : below) {
                values.put(key, 0.0);
            }
            values.replaceAll((k, v) -> k.wall() ? Math.max(0, v) : v);
        }
        return values;
    }

    private static Row without(Row row, List<Key> zero) {
        Map<Key, List<Double>> left = new LinkedHashMap<>(row.tables);
        zero.forEach(left::remove);
        return new Row(row.reading, row.constantDbm, left, row.offset);
    }

    /** (AᵀA + Λ) x = Aᵀy + Λ x₀ with one ridge for walls and one for offsets. */
    private Map<Key, Double> least(List<Row> rows, Map<Key, List<Double>> seen) {
        List<Key> keys = List.copyOf(seen.keySet());
        int n = keys.size();
        R064Store normal = R064Store.FACTORY.make(n, n);
        R064Store right = R064Store.FACTORY.make(n, 1);
        for (int k = 0; k < n; k++) {
            Key key = keys.get(k);
            double ridge = square(READING_SIGMA_DB / (key.wall() ? WALL_SIGMA_DB : OFFSET_SIGMA_DB));
            normal.add(k, k, ridge);
            right.add(k, 0, ridge * (key.wall() ? mean(seen.get(key)) : 0));
        }
        for (Row row : rows) {
            double[] factors = new double[n];
            double wanted = row.reading.dbm() - row.constantDbm;
            for (Map.Entry<Key, List<Double>> e : row.tables.entrySet()) {
                int k = keys.indexOf(e.getKey());
                if (k >= 0) {
                    factors[k] = -e.getValue().size();
                } else {
                    wanted += e.getValue().stream()
                            .mapToDouble(Double::doubleValue)
                            .sum();
                }
            }
            factors[keys.indexOf(row.offset)] = 1;
            for (int i = 0; i < n; i++) {
                ComputingBudget.step();
                right.add(i, 0, factors[i] * wanted);
                for (int j = 0; j < n && factors[i] != 0; j++) {
                    normal.add(i, j, factors[i] * factors[j]);
                }
            }
        }
        Cholesky<Double> decomposition = Cholesky.R064.make(n, n);
        decomposition.decompose(normal);
        MatrixStore<Double> solution = decomposition.getSolution(right);
        Map<Key, Double> values = new LinkedHashMap<>();
        for (int k = 0; k < n; k++) {
            values.put(keys.get(k), solution.doubleValue(k, 0));
        }
        return values;
    }

    private static double square(double value) {
        return value * value;
    }

    private static double mean(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).average().orElse(0);
    }

    private static double error(List<Row> rows, java.util.function.ToDoubleFunction<Row> predicted) {
        return Math.sqrt(rows.stream()
                .mapToDouble(r -> square(r.reading.dbm() - predicted.applyAsDouble(r)))
                .average()
                .orElse(0));
    }

    private static double sigma(List<Row> held, Map<Key, Double> values, RadioBand band) {
        List<Row> of = held.stream()
                .filter(r -> band == null || r.offset.band() == band)
                .toList();
        return of.isEmpty() ? Chance.INDOOR_SIGMA_DB : Math.max(LEAST_SIGMA_DB, error(of, r -> r.learned(values)));
    }

    private List<Fit.Wall> walls(List<Row> rows, Map<Key, Double> values) {
        Map<Key, List<Double>> crossed = new LinkedHashMap<>();
        rows.forEach(r -> r.tables.forEach(
                (k, v) -> crossed.computeIfAbsent(k, x -> new ArrayList<>()).addAll(v)));
        return values.entrySet().stream()
                .filter(e -> e.getKey().wall())
                .map(e -> new Fit.Wall(
                        e.getKey().what(),
                        plan.construction(e.getKey().what()).name(),
                        e.getKey().band(),
                        mean(crossed.getOrDefault(e.getKey(), List.of())),
                        e.getValue(),
                        crossed.getOrDefault(e.getKey(), List.of()).size()))
                .sorted(Comparator.comparingDouble(w -> -Math.abs(w.learnedDb() - w.tableDb())))
                .toList();
    }

    private List<Fit.Offset> offsets(List<Row> rows, Map<Key, Double> values) {
        return values.entrySet().stream()
                .filter(e -> !e.getKey().wall())
                .map(e -> new Fit.Offset(
                        e.getKey().what(),
                        plan.units().get(e.getKey().what()).name(),
                        e.getKey().band(),
                        e.getValue(),
                        (int) rows.stream()
                                .filter(r -> r.offset.equals(e.getKey()))
                                .count()))
                .toList();
    }

    private static List<Fit.Compared> compared(List<Row> rows, List<Row> held, Map<Key, Double> values, double sigma) {
        return rows.stream()
                .map(r -> new Fit.Compared(
                        r.reading,
                        r.byTables(),
                        r.learned(values),
                        held.contains(r),
                        Math.abs(r.reading.dbm() - r.learned(values)) <= MISFIT * sigma))
                .toList();
    }

    private static Calibration calibration(List<Row> rows, List<Row> held, Map<Key, Double> values, String at) {
        Map<String, Map<RadioBand, Double>> walls = new TreeMap<>();
        Map<String, Map<RadioBand, Double>> offsets = new TreeMap<>();
        Map<RadioBand, Double> sigmas = new TreeMap<>();
        values.forEach((k, v) -> (k.wall() ? walls : offsets)
                .computeIfAbsent(k.what(), x -> new TreeMap<>())
                .put(k.band(), Math.round(Math.min(100, v) * 100) / 100.0));
        rows.forEach(r -> sigmas.computeIfAbsent(
                r.offset.band(), b -> Math.round(Math.min(30, sigma(held, values, b)) * 100) / 100.0));
        return new Calibration(true, walls, offsets, sigmas, rows.size(), at);
    }
}
