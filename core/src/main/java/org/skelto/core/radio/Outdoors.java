package org.skelto.core.radio;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.radio.Cover;
import org.skelto.core.plan.radio.GroundPoint;
import org.skelto.core.plan.radio.OutdoorModel;
import org.skelto.core.plan.radio.PathLearned;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.work.ComputingBudget;

/**
 * Loss over the ground between two antennas: free space, diffraction over the profile with its buildings, and trees;
 * beside it the two-ray model and the exponent of distance. Walls at the ends are not in it.
 *
 * <p>Trees: the taut line over the ground is followed from antenna to antenna, and what of it lies under the tree tops
 * counts as depth. A wave that has it easier over the tops takes that way: the loss in trees is never more than what
 * the tops would take if they were solid ground.
 */
public final class Outdoors {
    /** The usual wish for clearance, as a share of the first Fresnel zone. */
    public static final double WISHED_SHARE = 0.6;

    /** Trees are looked at in so many pieces. */
    private static final int PIECES = 100;

    private final RadioPath path;
    private final Terrain ground;
    private final Terrain built;
    private final double fromM;
    private final double toM;
    private final double frequencyMHz;
    private final double factor;
    private Diffraction.Loss diffraction;

    /** Least clearance of the direct ray over the ground, negative when the ground is in the way. */
    public record Clearance(double distanceM, double clearanceM, double radiusM, double share) {}

    /**
     * What a model says, without learned correction.
     *
     * @param model or null for free space
     */
    public record ModelLoss(@Nullable OutdoorModel model, double lossDb, Figure figure) {}

    /**
     * @param fromHeightM of the antenna at the profile's first point above the ground there, likewise {@code toHeightM}
     */
    public Outdoors(RadioPath path, double fromHeightM, double toHeightM, double frequencyMHz) {
        this(path, terrain(path), fromHeightM, toHeightM, frequencyMHz);
    }

    private Outdoors(RadioPath path, Terrain ground, double fromHeightM, double toHeightM, double frequencyMHz) {
        this(
                path,
                ground,
                Raised.ground(ground, path.covers(), Cover.Kind.BUILDING),
                fromHeightM,
                toHeightM,
                frequencyMHz);
    }

    private Outdoors(
            RadioPath path, Terrain ground, Terrain built, double fromHeightM, double toHeightM, double frequencyMHz) {
        ComputingBudget.step();
        this.path = path;
        this.ground = ground;
        this.built = built;
        this.fromM = fromHeightM;
        this.toM = toHeightM;
        this.frequencyMHz = frequencyMHz;
        this.factor = path.earthFactor() == null ? Diffraction.USUAL_FACTOR : path.earthFactor();
    }

    /** The same ground between antennas at other heights above it. */
    public Outdoors between(double fromHeightM, double toHeightM) {
        return new Outdoors(path, ground, built, fromHeightM, toHeightM, frequencyMHz);
    }

    /** The ground of a path. */
    public static Terrain terrain(RadioPath path) {
        return new Terrain(
                path.profile().stream().mapToDouble(GroundPoint::distanceM).toArray(),
                path.profile().stream().mapToDouble(GroundPoint::elevationM).toArray());
    }

    /** The same path cut short: only what lies between two distances from its first end. */
    public static RadioPath part(RadioPath path, double startM, double endM) {
        Terrain t = terrain(path).part(startM, endM);
        List<GroundPoint> points = new ArrayList<>();
        for (int i = 0; i < t.size(); i++) {
            points.add(new GroundPoint(t.distancesM()[i], t.heightsM()[i]));
        }
        List<Cover> covers = path.covers().stream()
                .filter(c -> c.toM() > startM && c.fromM() < endM)
                .map(c -> new Cover(
                        c.kind(), Math.max(0, c.fromM() - startM), Math.min(endM, c.toM()) - startM, c.heightM()))
                .toList();
        return path.with(b -> b.profile(points).covers(covers));
    }

    /** The ground with buildings on it. */
    public Terrain built() {
        return built;
    }

    /** Straight distance between the antennas, metres. */
    public double distanceM() {
        double rise = ground.heightsM()[ground.size() - 1] + toM - ground.heightsM()[0] - fromM;
        return Math.hypot(ground.lengthM(), rise);
    }

    /** What the ground takes; worked out when it is first asked for, since every figure of a path needs it. */
    public Diffraction.Loss diffraction() {
        if (diffraction == null) {
            diffraction = Diffraction.of(frequencyMHz, built, fromM, toM, factor);
        }
        return diffraction;
    }

    /** How much the curved earth rises at a distance between the ends, metres. */
    public double bulgeM(double distanceM) {
        double d = distanceM / 1000;
        return 500 / (factor * Diffraction.EARTH_KM) * d * Math.max(0, ground.lengthM() / 1000 - d);
    }

    /** Height of the straight ray at a distance, metres. */
    public double rayM(double distanceM) {
        double start = ground.heightsM()[0] + fromM;
        double end = ground.heightsM()[ground.size() - 1] + toM;
        return start + (end - start) * distanceM / ground.lengthM();
    }

    /** The worst point between the ends. */
    public Clearance clearance() {
        ComputingBudget.step();
        Clearance worst = null;
        Terrain t = built.filled();
        for (int i = 1; i < t.size() - 1; i++) {
            double d = t.distancesM()[i];
            double radius = Fresnel.radiusM(frequencyMHz, d, ground.lengthM() - d);
            double over = rayM(d) - t.heightsM()[i] - bulgeM(d);
            if (worst == null || over / radius < worst.share()) {
                worst = new Clearance(d, over, radius, over / radius);
            }
        }
        return worst;
    }

    /** How much of the way goes through trees, metres. */
    public double treesM() {
        if (path.covers().stream().noneMatch(c -> c.kind() == Cover.Kind.TREES)) {
            return 0;
        }
        double[][] line = tautLine();
        double depth = 0;
        for (Cover cover : path.covers()) {
            ComputingBudget.step();
            if (cover.kind() != Cover.Kind.TREES) {
                continue;
            }
            double piece = (Math.min(cover.toM(), ground.lengthM()) - cover.fromM()) / PIECES;
            for (int i = 0; i < PIECES && piece > 0; i++) {
                double d = cover.fromM() + (i + 0.5) * piece;
                double top = ground.heightM(d) + bulgeM(d) + cover.heightM();
                if (at(line, d) < top) {
                    depth += piece;
                }
            }
        }
        return depth;
    }

    /** Loss in trees, dB: through them, or over their tops where that takes less. */
    public double treesDb() {
        double depth = treesM();
        return depth == 0 ? 0 : Math.min(Vegetation.lossDb(frequencyMHz, depth), overTopsDb());
    }

    private double overTopsDb() {
        Terrain tops = Raised.ground(built, path.covers(), Cover.Kind.TREES);
        return Math.max(
                0,
                Diffraction.of(frequencyMHz, tops, fromM, toM, factor).lossDb()
                        - diffraction().lossDb());
    }

    /** What each model says, free space first. */
    public List<ModelLoss> models() {
        double free = FreeSpace.lossDb(frequencyMHz, distanceM());
        double ground = diffraction().lossDb();
        double trees = treesDb();
        return List.of(
                new ModelLoss(null, free, freeSpaceFigure()),
                new ModelLoss(
                        OutdoorModel.DIFFRACTION,
                        free + ground + trees,
                        Figure.of(
                                "free space + ground + trees",
                                "ITU-R P.525; ITU-R P.526 §4.5; modified exponential decay",
                                treesExtrapolated(),
                                "free space",
                                Text.db(free),
                                "ground",
                                Text.db(ground),
                                "trees",
                                Text.db(trees))),
                new ModelLoss(OutdoorModel.TWO_RAY, twoRayDb(), twoRayFigure()),
                new ModelLoss(OutdoorModel.EXPONENT, exponentDb(), exponentFigure()));
    }

    private double twoRayDb() {
        return TwoRay.lossDb(frequencyMHz, ground.lengthM(), fromM, toM);
    }

    private boolean treesExtrapolated() {
        double depth = treesM();
        return depth > 0 && Vegetation.extrapolated(frequencyMHz, depth);
    }

    private Figure freeSpaceFigure() {
        return Figure.of(
                "20 log10(4π d f / c)",
                "ITU-R P.525",
                distanceM() < FreeSpace.LEAST_M,
                "distance",
                Text.metres(distanceM()),
                "frequency",
                Text.mhz(frequencyMHz));
    }

    private Figure twoRayFigure() {
        return Figure.of(
                "−20 log10(λ/4π · |e^(−jkd)/d − e^(−jkr)/r|)",
                "plane ground, reflection −1",
                ground.lengthM() < FreeSpace.LEAST_M,
                ends());
    }

    private Figure exponentFigure() {
        return Figure.of(
                "L(1 m) + 10 n log10(d)",
                "distance exponent; n " + Text.number(RadioPath.USUAL_EXPONENT, 1)
                        + " over open country with low antennas is typical",
                false,
                "distance",
                Text.metres(distanceM()),
                "n",
                Text.number(path.exponent() == null ? RadioPath.USUAL_EXPONENT : path.exponent(), 2),
                "frequency",
                Text.mhz(frequencyMHz));
    }

    private double exponentDb() {
        double intercept = path.interceptDb() == null ? FreeSpace.lossDb(frequencyMHz, 1) : path.interceptDb();
        double n = path.exponent() == null ? RadioPath.USUAL_EXPONENT : path.exponent();
        return intercept + 10 * n * Math.log10(Math.max(1, distanceM()));
    }

    /** Loss by the path's model with what was learned, dB. */
    public double lossDb() {
        double byModel = switch (path.model()) {
            case TWO_RAY -> twoRayDb();
            case EXPONENT -> exponentDb();
            case DIFFRACTION ->
                FreeSpace.lossDb(frequencyMHz, distanceM()) + diffraction().lossDb() + treesDb();
        };
        return byModel - learnedDb();
    }

    private double learnedDb() {
        PathLearned learned = path.learned();
        return learned == null || !learned.used() ? 0 : learned.offsetDb();
    }

    /** The parts of the loss as a person can follow them. */
    public List<LossModel.Part> parts() {
        List<LossModel.Part> parts = new ArrayList<>();
        switch (path.model()) {
            case DIFFRACTION -> overGround(parts);
            case TWO_RAY -> parts.add(new LossModel.Part("two rays", twoRayDb(), twoRayFigure()));
            case EXPONENT -> parts.add(new LossModel.Part("distance", exponentDb(), exponentFigure()));
        }
        if (learnedDb() != 0) {
            parts.add(new LossModel.Part(
                    "learned of this path",
                    -learnedDb(),
                    Figure.of(
                            "mean of measured − predicted",
                            "field test of this path",
                            false,
                            "readings",
                            Integer.toString(path.learned().readings()))));
        }
        return parts;
    }

    private void overGround(List<LossModel.Part> parts) {
        parts.add(new LossModel.Part("free space", FreeSpace.lossDb(frequencyMHz, distanceM()), freeSpaceFigure()));
        Diffraction.Loss loss = diffraction();
        Clearance worst = clearance();
        List<String> inputs = new ArrayList<>(List.of(ends()));
        inputs.addAll(List.of(
                "earth radius times",
                Text.number(factor, 2),
                "worst point",
                Text.metres(worst.distanceM()) + ", clearance " + Text.metres(worst.clearanceM()) + ", "
                        + Text.number(worst.share() * 100, 0) + " % of the first zone",
                "Bullington construction",
                Text.db(loss.bullingtonDb()),
                "the round earth adds",
                Text.db(loss.lossDb() - loss.bullingtonDb())));
        parts.add(new LossModel.Part(
                "ground",
                loss.lossDb(),
                Figure.of(
                        "Lbull + max(Lsph − Lbull of the smooth surface, 0); Lbull = J(v) + (1 − e^(−J/6)) (10 + 0.02 d km): "
                                + "behind its edge a hill has more ground, so an edge of 10 dB costs about 18",
                        "ITU-R P.526 §4.5, delta-Bullington; vertical polarisation over land",
                        frequencyMHz < 30,
                        inputs.toArray(String[]::new))));
        double trees = treesDb();
        if (trees > 0) {
            double depth = treesM();
            parts.add(new LossModel.Part(
                    "trees",
                    trees,
                    Figure.of(
                            "1.33 f^0.284 d^0.588 (up to 14 m 0.45 f^0.284 d), never more than over their tops",
                            "modified exponential decay, trees in leaf",
                            treesExtrapolated(),
                            "under the tops",
                            Text.metres(depth),
                            "through",
                            Text.db(Vegetation.lossDb(frequencyMHz, depth)),
                            "over the tops",
                            Text.db(overTopsDb()))));
        }
    }

    private String[] ends() {
        return new String[] {
            "distance",
            Text.metres(ground.lengthM()),
            "first antenna",
            Text.metres(fromM) + " above the ground",
            "last antenna",
            Text.metres(toM) + " above the ground"
        };
    }

    /** The line of a rope that is pulled taut over the built ground, as pairs of distance and height. */
    private double[][] tautLine() {
        Terrain t = built.filled();
        List<double[]> hull = new ArrayList<>();
        for (int i = 0; i < t.size(); i++) {
            double d = t.distancesM()[i];
            double h = t.heightsM()[i] + bulgeM(d) + (i == 0 ? fromM : i == t.size() - 1 ? toM : 0);
            double[] next = {d, h};
            while (hull.size() > 1 && !turnsDown(hull.get(hull.size() - 2), hull.get(hull.size() - 1), next)) {
                hull.remove(hull.size() - 1);
            }
            hull.add(next);
        }
        return hull.toArray(double[][]::new);
    }

    private static boolean turnsDown(double[] a, double[] b, double[] c) {
        return (b[1] - a[1]) * (c[0] - b[0]) > (c[1] - b[1]) * (b[0] - a[0]);
    }

    private static double at(double[][] line, double d) {
        for (int i = 1; i < line.length; i++) {
            if (d <= line[i][0]) {
                double share = (d - line[i - 1][0]) / (line[i][0] - line[i - 1][0]);
                return line[i - 1][1] + share * (line[i][1] - line[i - 1][1]);
            }
        }
        return line[line.length - 1][1];
    }
}
