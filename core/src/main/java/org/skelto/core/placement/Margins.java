package org.skelto.core.placement;

import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.skelto.core.coverage.CoverageScenario;
import org.skelto.core.coverage.Source;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.radio.Budget;
import org.skelto.core.radio.CalibratedLoss;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.Indoors;
import org.skelto.core.radio.LossModel;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;
import org.skelto.core.work.Progress;

/** What boxes that stand and boxes that could stand have over what each demand needs, dB. */
final class Margins {
    private final Plan plan;
    private final PlacementRequest ask;
    private final Demands demands;
    private final Radio box;
    private final LossModel model;
    private final CoverageScenario reach;
    private final List<Source> standing;

    /** Level that a point of a room needs, dBm. */
    private final double levelDbm;

    private final int[] already;
    private final double[] alreadyBest;
    private double[][] margins = {};

    /** Measures the boxes that stand already, if the ask keeps them. */
    Margins(SiteModel site, SlabTables tables, PlacementRequest ask, Demands demands, Radio box) {
        this.plan = site.plan();
        this.ask = ask;
        this.demands = demands;
        this.box = box;
        this.model = Indoors.of(site, tables);
        this.reach = new CoverageScenario(site, ask.medium());
        this.standing = reach.sources(Set.of());
        this.levelDbm = reach.wantedDbm(List.of());
        this.already = new int[demands.size()];
        this.alreadyBest = new double[demands.size()];
        Arrays.fill(alreadyBest, Double.NEGATIVE_INFINITY);
        if (ask.keep()) {
            standing.forEach(this::stands);
        }
    }

    private void stands(Source source) {
        Unit unit = plan.units().get(source.unit());
        Radio radio = unit.radio(ask.medium()).orElseThrow();
        double offset = CalibratedLoss.offsetDb(plan, source.unit(), radio.frequencyMHz());
        for (int d = 0; d < demands.size(); d++) {
            Demands.Demand demand = demands.get(d);
            if (!source.unit().equals(demand.unit())) {
                double lossDb =
                        model.lossDb(source.at(), unit.place(), demand.at(), demand.place(), radio.frequencyMHz())
                                + source.besideDb(demand.at());
                double over = over(demand, radio, lossDb, offset);
                already[d] += over >= 0 ? 1 : 0;
                alreadyBest[d] = Math.max(alreadyBest[d], over);
            }
        }
    }

    /** Whether a unit that passes messages on hears a box at a candidate, and it them. */
    boolean heardByMesh(Candidates.Candidate candidate) {
        double needed =
                Chance.marginDb(Chance.target(Criticality.ROUTINE), CalibratedLoss.sigmaDb(plan, box.frequencyMHz()));
        return standing.stream().anyMatch(s -> {
            Unit unit = plan.units().get(s.unit());
            Radio radio = unit.radio(ask.medium()).orElseThrow();
            double lossDb = model.lossDb(s.at(), unit.place(), candidate.at(), candidate.place(), box.frequencyMHz())
                    + s.besideDb(candidate.at());
            return Budget.lesserMarginDb(box, radio, lossDb) >= needed;
        });
    }

    /** Measures every candidate, on all processors. */
    void measure(List<Candidates.Candidate> candidates, Progress progress) {
        margins = new double[candidates.size()][];
        int[] done = {0};
        List<Runnable> rows = IntStream.range(0, candidates.size())
                .mapToObj(c -> ComputingBudget.carried(() -> measure(candidates, c, done, progress)))
                .toList();
        rows.parallelStream().forEach(Runnable::run);
        progress.check();
    }

    private void measure(List<Candidates.Candidate> candidates, int c, int[] done, Progress progress) {
        if (progress.cancelled()) {
            return;
        }
        margins[c] = row(candidates.get(c));
        synchronized (done) {
            done[0]++;
            if (done[0] % 16 == 0) {
                progress.at(0.05 + 0.55 * done[0] / candidates.size(), "measuring " + candidates.size() + " places");
            }
        }
    }

    private double[] row(Candidates.Candidate candidate) {
        ComputingBudget.step();
        double[] row = new double[demands.size()];
        for (int d = 0; d < row.length; d++) {
            Demands.Demand demand = demands.get(d);
            double lossDb =
                    model.lossDb(candidate.at(), candidate.place(), demand.at(), demand.place(), box.frequencyMHz());
            row[d] = over(demand, box, lossDb, 0);
        }
        return row;
    }

    /** Margin over what a demand needs from a box of this radio at a loss, dB. */
    private double over(Demands.Demand demand, Radio standing, double lossDb, double offsetDb) {
        if (demand.radio() == null) {
            return reach.levelDbm(standing) + offsetDb - lossDb - levelDbm;
        }
        double both = demand.radio().receives() && !CoverageScenario.upward(ask.medium())
                ? Budget.lesserMarginDb(demand.radio(), standing, lossDb)
                : Budget.marginDb(demand.radio(), standing, lossDb);
        return both
                + offsetDb
                - Chance.marginDb(demand.target(), CalibratedLoss.sigmaDb(plan, standing.frequencyMHz()));
    }

    /** Margin of a candidate at a demand, dB. */
    double of(int candidate, int demand) {
        return margins[candidate][demand];
    }

    /** Best margin of the boxes that stand at a demand, dB; minus infinity without any. */
    double standing(int demand) {
        return alreadyBest[demand];
    }

    /** How many boxes that stand cover a demand. */
    int already(int demand) {
        return already[demand];
    }

    /** How many boxes each demand still wants. */
    int[] wanted() {
        return Arrays.stream(already).map(a -> Math.max(0, ask.times() - a)).toArray();
    }

    /** Demands that the boxes that stand cover often enough. */
    int coveredBefore() {
        return (int) Arrays.stream(already).filter(a -> a >= ask.times()).count();
    }

    /** Whether all candidates together could cover a demand often enough. */
    boolean possible(int demand) {
        long could = Arrays.stream(margins).filter(row -> row[demand] >= 0).count();
        return already[demand] + could >= ask.times();
    }

    /** Demands that want one and that a candidate covers. */
    int newly(int candidate, int[] wanted) {
        return (int) IntStream.range(0, wanted.length)
                .filter(d -> wanted[d] > 0 && margins[candidate][d] >= 0)
                .count();
    }

    /** Best margin of each demand that is covered at all, the worst of them, dB; infinity when none is. */
    double worst(List<Integer> chosen) {
        double worst = Double.POSITIVE_INFINITY;
        for (int d = 0; d < demands.size(); d++) {
            double best = alreadyBest[d];
            for (int c : chosen) {
                best = Math.max(best, margins[c][d]);
            }
            if (best >= 0) {
                worst = Math.min(worst, best);
            }
        }
        return worst;
    }

    /** Demands that are covered often enough with these candidates. */
    int covered(List<Integer> chosen) {
        int count = 0;
        for (int d = 0; d < demands.size(); d++) {
            int by = already[d];
            for (int c : chosen) {
                by += margins[c][d] >= 0 ? 1 : 0;
            }
            count += by >= ask.times() ? 1 : 0;
        }
        return count;
    }
}
