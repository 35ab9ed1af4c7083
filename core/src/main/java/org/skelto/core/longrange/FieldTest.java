package org.skelto.core.longrange;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.PathLearned;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.Antennas;
import org.skelto.core.radio.Budget;
import org.skelto.core.radio.ChirpModulation;
import org.skelto.core.radio.Outdoors;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/** Readings that were taken along a path, against what was predicted. */
public final class FieldTest {
    /** So few readings teach nothing. */
    public static final int LEAST = 3;

    /** Height at which a receiver is carried. */
    public static final double CARRIED_M = 1.5;

    private static final double LEAST_SIGMA_DB = 3;
    private static final double MOST_SIGMA_DB = 20;
    private static final double LEAST_M = 5;
    private static final double THERMAL_DBM_HZ = -174;

    /** Chirp receivers report no more than this, dB; typical. */
    public static final double SNR_CAP_DB = 10;

    private FieldTest() {}

    /**
     * A reading: the unit at one end sent, a receiver stood somewhere along the path.
     *
     * @param path id of the path
     * @param sender unit at one of its ends
     * @param distanceM from the path's first end
     * @param heightM of the receiver's antenna above the ground, or null for {@value #CARRIED_M}
     * @param dbm that arrived, -160 to 0
     * @param snrDb signal over noise, -40 to 40, or null
     * @param at when
     * @param note in words, or null
     */
    @RecordBuilder
    public record FieldReading(
            @Words(most = 64) String path,
            @Words(most = 64) String sender,
            @Within(least = 0, most = 200_000, unit = "m") double distanceM,

            @Nullable @Within(least = 0.1, most = 100, unit = "m")
            Double heightM,

            @Within(least = -160, most = 0, unit = "dBm") double dbm,

            @Nullable @Within(least = -40, most = 40, unit = "dB")
            Double snrDb,

            Instant at,
            @Nullable @Words(most = 200) String note)
            implements FieldTestFieldReadingBuilder.With {}

    /**
     * A reading beside its prediction by the tables.
     *
     * @param predictedSnrDb signal over noise that the receiver at the other end would report, or null for other media
     * @param snrAtLeast whether it may be more, as receivers report no more
     */
    public record FieldCompared(
            FieldReading reading,
            double predictedDbm,
            @Nullable Double predictedSnrDb,
            boolean snrAtLeast,
            double differenceDb,
            Figure figure) {}

    /**
     * What readings teach.
     *
     * @param beforeDb root mean square of the differences
     * @param afterDb the same after correction, each reading predicted from the others
     * @param learned to store, or null when there are fewer than {@value #LEAST} or they scatter too much
     */
    public record Lesson(
            List<FieldCompared> readings,
            @Nullable Double beforeDb,
            @Nullable Double afterDb,
            @Nullable PathLearned learned) {}

    /** Compares the readings of a path, and learns its correction; {@code now} as an ISO instant. */
    public static Lesson of(
            Plan plan, SiteModel site, SlabTables tables, String id, List<FieldReading> readings, String now) {
        RadioPath path = plan.paths().get(id);
        List<FieldCompared> all = new ArrayList<>();
        List<Medium> media = PathReport.media(plan, path);
        if (media.isEmpty()) {
            return new Lesson(all, null, null, null);
        }
        for (FieldReading r : readings) {
            ComputingBudget.step();
            all.add(compared(plan, site, tables, path, media.get(0), r));
        }
        int n = all.size();
        if (n == 0) {
            return new Lesson(all, null, null, null);
        }
        double before = Math.sqrt(all.stream()
                .mapToDouble(c -> c.differenceDb() * c.differenceDb())
                .average()
                .orElseThrow());
        if (n < LEAST) {
            return new Lesson(all, before, null, null);
        }
        double sum = all.stream().mapToDouble(FieldCompared::differenceDb).sum();
        double mean = sum / n;
        double squares = all.stream()
                .mapToDouble(c -> (c.differenceDb() - mean) * (c.differenceDb() - mean))
                .sum();
        double held = all.stream()
                .mapToDouble(c -> c.differenceDb() - (sum - c.differenceDb()) / (n - 1))
                .map(d -> d * d)
                .average()
                .orElseThrow();
        double sigma = Math.max(LEAST_SIGMA_DB, tenth(Math.sqrt(squares / (n - 1))));
        // readings that scatter so much have been mixed up; there is nothing to learn from them
        PathLearned learned = sigma > MOST_SIGMA_DB ? null : new PathLearned(true, tenth(mean), sigma, n, now);
        return new Lesson(all, before, Math.sqrt(held), learned);
    }

    private static double tenth(double value) {
        return Math.round(value * 10) / 10.0;
    }

    /** Walls around the sender in the direction of the path; whoever carries the receiver is outdoors. */
    private static double aroundDb(SiteModel site, SlabTables tables, Unit unit, Radio radio, Unit other) {
        Optional<Point> a = site.position(unit);
        Optional<Point> b = site.position(other);
        if (a.isEmpty() || b.isEmpty()) {
            return 0;
        }
        double bearing =
                Math.atan2(b.get().xM() - a.get().xM(), b.get().yM() - a.get().yM());
        return Antennas.aroundDb(site, tables, unit, radio, bearing);
    }

    private static FieldCompared compared(
            Plan plan, SiteModel site, SlabTables tables, RadioPath path, Medium medium, FieldReading r) {
        boolean forward = r.sender().equals(path.from());
        Unit unit = plan.units().get(r.sender());
        Unit other = plan.units().get(forward ? path.to() : path.from());
        Radio sender = unit.radio(medium).orElseThrow();
        Radio receiver = other.radio(medium).orElseThrow();
        double length = Outdoors.terrain(path).lengthM();
        RadioPath bare = path.withLearned(null);
        double own = Antennas.aboveGroundM(plan, unit, sender);
        double height = r.heightM() == null ? CARRIED_M : r.heightM();
        double loss = forward
                ? new Outdoors(
                                Outdoors.part(bare, 0, Math.max(LEAST_M, Math.min(length, r.distanceM()))),
                                own,
                                height,
                                sender.frequencyMHz())
                        .lossDb()
                : new Outdoors(
                                Outdoors.part(bare, Math.max(0, Math.min(length - LEAST_M, r.distanceM())), length),
                                height,
                                own,
                                sender.frequencyMHz())
                        .lossDb();
        double around = aroundDb(site, tables, unit, sender, other);
        double predicted = Budget.leavesDbm(sender) - loss - around + Budget.takesDb(receiver);
        Double snr = receiver.chirp() == null
                ? null
                : Double.valueOf(Math.min(
                        SNR_CAP_DB,
                        predicted
                                - THERMAL_DBM_HZ
                                - 10 * Math.log10(receiver.chirp().bandwidthKHz() * 1000)
                                - (Budget.sensitivityDbm(receiver)
                                        - ChirpModulation.sensitivityDbm(
                                                receiver.chirp().spreadingFactor(),
                                                receiver.chirp().bandwidthKHz(),
                                                0))));
        return new FieldCompared(
                r,
                predicted,
                snr,
                snr != null && snr >= SNR_CAP_DB,
                r.dbm() - predicted,
                Figure.of(
                        "EIRP − loss over the ground up to there − walls around the sender and its pattern + antenna and feeder of the "
                                + "receiver",
                        "link budget; the path's model over this part of its ground, without what was learned",
                        false,
                        "EIRP",
                        Text.dbm(Budget.leavesDbm(sender)),
                        "antennas above the ground",
                        Text.metres(own) + " and " + Text.metres(height),
                        "loss over the ground",
                        Text.db(loss),
                        "walls around the sender, and beside its beam",
                        Text.db(around),
                        "antenna and feeder of the receiver",
                        Text.db(Budget.takesDb(receiver))));
    }
}
