package org.skelto.server.readings;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.skelto.core.calibration.Reading;
import org.skelto.core.calibration.ReadingBuilder;
import org.skelto.core.coverage.CoverageScenario;
import org.skelto.core.coverage.Source;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.Calibration;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.RadioBand;
import org.skelto.core.plan.site.Place;
import org.skelto.core.radio.Indoors;
import org.skelto.core.radio.LossModel;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;

/**
 * A simulated phone that walks through the house: it measures what would arrive if the walls were as they are in a hidden
 * truth, which differs from the tables by some decibels for each construction and transmitter, plus scatter. It stands in
 * for a real one, for practice and for tests; the same plan has the same truth, and the same seed the same scatter.
 */
final class StandIn {
    private static final double WALL_SPREAD_DB = 4;
    private static final double RADIO_SPREAD_DB = 2.5;
    private static final double SCATTER_DB = 3;
    private static final double QUIETEST_DBM = -95;

    private StandIn() {}

    /** What it measures of every transmitter of a radio at a point of a floor; those too weak are missing. */
    static List<Reading> at(
            Plan plan, Medium medium, String floor, double xM, double yM, double heightM, Instant now, long seed) {
        Plan truth = plan.withCalibration(truth(plan));
        SiteModel site = SiteModel.of(truth);
        CoverageScenario reach = new CoverageScenario(site, medium);
        Place place = site.placeAt(floor, xM, yM, heightM);
        Point at = site.pointAt(floor, xM, yM, heightM);
        LossModel model = Indoors.of(site, new SlabTables());
        Random scatter = new Random(seed);
        List<Reading> readings = new ArrayList<>();
        for (Source source : reach.sources(Set.of())) {
            double lossDb =
                    model.lossDb(source.at(), source.place(), at, place, source.frequencyMHz()) + source.besideDb(at);
            double dbm = source.levelDbm() - lossDb + SCATTER_DB * scatter.nextGaussian();
            if (dbm >= QUIETEST_DBM) {
                readings.add(ReadingBuilder.builder()
                        .floor(floor)
                        .xM(xM)
                        .yM(yM)
                        .heightM(heightM)
                        .unit(source.unit())
                        .medium(medium)
                        .dbm(Math.min(0, Math.round(dbm)))
                        .at(now)
                        .build());
            }
        }
        return readings;
    }

    private static Calibration truth(Plan plan) {
        Map<String, Map<RadioBand, Double>> walls = new TreeMap<>();
        Map<String, Map<RadioBand, Double>> offsets = new TreeMap<>();
        SlabTables tables = new SlabTables();
        double[] mhz = {433.9, 868.3, 2440, 5200};
        plan.everyConstruction().forEach((id, made) -> {
            Random random = new Random(id.hashCode());
            for (int band = 0; band < mhz.length && !made.open(); band++) {
                double table = tables.byLayers(made, mhz[band]).lossDb(1);
                walls.computeIfAbsent(id, k -> new TreeMap<>())
                        .put(RadioBand.of(mhz[band]), Math.max(0.3, table + WALL_SPREAD_DB * random.nextGaussian()));
            }
        });
        plan.units().keySet().forEach(id -> {
            Random random = new Random(31L * id.hashCode());
            for (double f : mhz) {
                offsets.computeIfAbsent(id, k -> new TreeMap<>())
                        .put(RadioBand.of(f), RADIO_SPREAD_DB * random.nextGaussian());
            }
        });
        return new Calibration(true, walls, offsets, Map.of(), 0, null);
    }
}
