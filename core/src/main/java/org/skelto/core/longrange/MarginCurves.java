package org.skelto.core.longrange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.skelto.core.links.LinkReport;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/**
 * The margin of a link over known ground against the height of each end's antenna and against the spreading factor, all else
 * as it is.
 *
 * @param marginDb now, of the worse direction
 * @param neededDb at which the target is met
 * @param heights a curve for each end
 * @param spreading both ends set alike; empty for other radios than chirp
 */
public record MarginCurves(
        double marginDb, double neededDb, List<HeightCurve> heights, List<SpreadingPoint> spreading) {
    private static final double LOWEST_M = 0.5;
    private static final double STEP_M = 0.5;
    private static final int STEPS = 30;

    /**
     * One end.
     *
     * @param nowM height of its antenna above the ground now, metres
     * @param heightM heights, 0.5 to 15 m
     * @param marginDb of the worse direction at each
     */
    public record HeightCurve(
            String unit, String name, double nowM, List<Double> heightM, List<@Nullable Double> marginDb) {}

    /** One spreading factor, 7 to 12. */
    public record SpreadingPoint(
            int spreadingFactor, @Nullable Double marginDb) {}

    /** The curves of the link over a path; the link has a budget. */
    public static MarginCurves of(Plan plan, SiteModel site, SlabTables tables, String path, Medium medium) {
        LinkWhatIf trial = new LinkWhatIf(plan, site, tables, path, medium);
        List<HeightCurve> heights = new ArrayList<>();
        for (String unit : trial.ends()) {
            List<Double> x = new ArrayList<>();
            List<@Nullable Double> y = new ArrayList<>();
            for (int i = 0; i < STEPS; i++) {
                ComputingBudget.step();
                double metres = LOWEST_M + i * STEP_M;
                x.add(metres);
                y.add(trial.with(Map.of(unit, r -> r.withAir(r.settings().mast(metres))))
                        .marginDb());
            }
            heights.add(new HeightCurve(unit, trial.name(unit), trial.antennaM(unit), x, y));
        }
        List<SpreadingPoint> spreading = new ArrayList<>();
        if (trial.ends().stream().allMatch(u -> trial.radio(u).chirp() != null)) {
            for (int factor = 7; factor <= 12; factor++) {
                spreading.add(new SpreadingPoint(factor, set(trial, factor).marginDb()));
            }
        }
        return new MarginCurves(trial.now.marginDb(), trial.now.neededDb(), heights, spreading);
    }

    private static LinkReport set(LinkWhatIf trial, int factor) {
        Chirp like = trial.radio(trial.link.from()).chirp();
        Chirp chirp = new Chirp(factor, like.bandwidthKHz(), like.codingRateDenominator());
        Map<String, UnaryOperator<Radio>> both = new HashMap<>();
        trial.ends().forEach(u -> both.put(u, r -> r.set(r.frequencyMHz(), chirp)));
        return trial.with(both);
    }
}
