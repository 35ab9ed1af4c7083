package org.skelto.core.placement;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.skelto.core.coverage.Reach;
import org.skelto.core.coverage.Source;
import org.skelto.core.links.LinkAssessor;
import org.skelto.core.plan.Criticality;
import org.skelto.core.plan.Place;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Radio;
import org.skelto.core.plan.Unit;
import org.skelto.core.radio.Budget;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.Indoors;
import org.skelto.core.radio.Learned;
import org.skelto.core.radio.LossModel;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.radio.Text;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;

/**
 * Answers where the next box should stand and how few boxes cover everything: the cheapest choice, exact by integer
 * programming, and among equally cheap ones the best margin at the worst demand.
 */
public final class Placer {
    private static final double CANDIDATE_STEP_M = 1.0;
    private static final int CANDIDATES_MOST = 500;
    private static final int DEMANDS_MOST = 600;
    private static final double ROOM_SHARE = 0.95;
    private static final int CHOICES = 3;
    private static final double APART_M = 2.5;
    private static final int MARGIN_STEPS = 5;

    /** Something that must be covered: by two-way radio with a margin for its criticality, or a point by level. */
    private record Demand(String name, String unit, Radio radio, Place place, Point at, double target, int room) {}

    private final SiteModel site;
    private final Plan plan;
    private final SlabTables tables;
    private final Ask ask;
    private final Progress progress;
    private final LossModel model;
    private final BoxMaker maker;
    private final Radio box;
    private final Reach reach;
    private final List<Demand> demands = new ArrayList<>();
    private List<Candidates.Candidate> candidates = List.of();

    /** Margin over what is needed for each candidate and demand, dB. */
    private double[][] margins;

    /** Boxes that stand already and cover each demand. */
    private int[] already;

    private double[] alreadyBest;
    private int rooms;

    private Placer(SiteModel site, SlabTables tables, Ask ask, Progress progress) {
        this.site = site;
        this.plan = site.plan();
        this.tables = tables;
        this.ask = ask;
        this.progress = progress;
        this.model = Indoors.of(site, tables);
        this.maker = new BoxMaker(site, tables, ask);
        this.box = maker.radio();
        this.reach = new Reach(site, ask.medium());
    }

    /**
     * The answer to a question.
     *
     * @param milliseconds after which the solver stops and says how far from proven it is
     * @param clock milliseconds that have gone by, asked several times
     */
    public static Answer answer(
            SiteModel site,
            SlabTables tables,
            Ask ask,
            Progress progress,
            long milliseconds,
            java.util.function.LongSupplier clock) {
        return new Placer(site, tables, ask, progress).answer(milliseconds, clock);
    }

    private Answer answer(long milliseconds, java.util.function.LongSupplier clock) {
        long start = clock.getAsLong();
        progress.at(0.02, "looking at what must be covered");
        findDemands();
        findCandidates();
        measure();
        progress.at(0.6, "solving");
        List<String> impossible = impossible();
        int[] wanted = wanted();
        int before = (int) IntStream.range(0, demands.size())
                .filter(d -> already[d] >= ask.times())
                .count();
        List<List<Integer>> choices = new ArrayList<>();
        boolean proven = true;
        double gap = 0;
        if (ask.goal() == Ask.Goal.NEXT) {
            choices.addAll(next(wanted));
        } else {
            SetCover.Solution first = cover(0, wanted, List.of(), left(milliseconds, start, clock));
            if (first != null) {
                proven = first.proven();
                gap = first.cost() == 0 ? 0 : Math.max(0, (first.cost() - first.bound()) / first.cost());
                List<Integer> best = widest(first, wanted, milliseconds, start, clock);
                choices.add(best);
                others(best, wanted, choices, milliseconds, start, clock);
            }
        }
        progress.at(0.97, "writing it out");
        List<Answer.Placing> written = new ArrayList<>();
        for (List<Integer> choice : choices) {
            progress.check();
            written.add(choice(choice, wanted));
        }
        return new Answer(
                written,
                demands.size(),
                candidates.size(),
                before,
                impossible,
                proven,
                gap,
                (clock.getAsLong() - start) / 1000.0);
    }

    private static long left(long milliseconds, long start, java.util.function.LongSupplier clock) {
        return milliseconds - (clock.getAsLong() - start);
    }

    private void findDemands() {
        LinkAssessor assessor = new LinkAssessor(site, tables);
        if (ask.cover() == Ask.Cover.DEVICES) {
            plan.units().forEach((id, unit) -> {
                if (!unit.kind().collects() && unit.radio(ask.medium()).isPresent() && meant(unit.place())) {
                    demand(unit.name(), id, unit.radio(ask.medium()).get(), unit.place(), assessor.criticality(id));
                }
            });
            plan.demands().values().forEach(d -> {
                if (d.medium() == ask.medium() && meant(d.place())) {
                    demand(d.name(), null, maker.client(), d.place(), d.criticality());
                }
            });
            return;
        }
        double step = 0.5;
        Map<String, List<Point>> samples = Candidates.samples(site, step);
        while (step < 1 && samples.values().stream().mapToInt(List::size).sum() > DEMANDS_MOST) {
            step += 0.25;
            samples = Candidates.samples(site, step);
        }
        for (Map.Entry<String, List<Point>> room : samples.entrySet()) {
            if (!meant(new Place(room.getKey(), null, 0, 0, 0))) {
                continue;
            }
            for (Point at : room.getValue()) {
                demands.add(new Demand(
                        plan.rooms().get(room.getKey()).name(),
                        null,
                        null,
                        new Place(room.getKey(), null, 0, 0, Reach.HEIGHT_M),
                        at,
                        0,
                        rooms));
            }
            rooms++;
        }
    }

    /** Whether a place is in the building that is meant; outdoors counts when all are. */
    private boolean meant(Place place) {
        return ask.building() == null || ask.building().equals(site.buildingOf(place));
    }

    private void demand(String name, String unit, Radio radio, Place place, Criticality criticality) {
        site.position(place)
                .ifPresent(at -> demands.add(new Demand(name, unit, radio, place, at, Chance.target(criticality), -1)));
    }

    private void findCandidates() {
        double step = CANDIDATE_STEP_M;
        candidates = Candidates.of(site, ask.medium(), step);
        while (candidates.size() > CANDIDATES_MOST) {
            step *= 1.3;
            candidates = Candidates.of(site, ask.medium(), step);
        }
        candidates = candidates.stream().filter(c -> meant(c.place())).toList();
        if (ask.medium().mesh()) {
            // a repeater must itself be heard by a unit that passes messages on
            candidates = candidates.stream().filter(this::heardByMesh).toList();
        }
    }

    private boolean heardByMesh(Candidates.Candidate candidate) {
        double needed = Chance.marginDb(Chance.target(Criticality.ROUTINE), Learned.sigmaDb(plan, box.frequencyMHz()));
        return reach.sources(Set.of()).stream().anyMatch(s -> {
            Unit unit = plan.units().get(s.unit());
            Radio radio = unit.radio(ask.medium()).orElseThrow();
            double lossDb = model.lossDb(s.at(), unit.place(), candidate.at(), candidate.place(), box.frequencyMHz());
            return Math.min(margin(box, radio, lossDb), margin(radio, box, lossDb)) >= needed;
        });
    }

    private static double margin(Radio sender, Radio receiver, double lossDb) {
        return sender.eirpDbm()
                - lossDb
                + receiver.antennaGainDbi()
                - receiver.feederLossDb()
                - Budget.sensitivityDbm(receiver);
    }

    /** Margin over what a demand needs from a box of this radio at a loss, dB. */
    private double over(Demand demand, Radio standing, double lossDb, double offsetDb) {
        if (demand.radio == null) {
            double level = Reach.upward(ask.medium())
                    ? maker.client().eirpDbm() + standing.antennaGainDbi() - standing.feederLossDb()
                    : standing.eirpDbm() + maker.client().antennaGainDbi();
            return level + offsetDb - lossDb - reach.wantedDbm(List.of());
        }
        double both = demand.radio.receives() && !Reach.upward(ask.medium())
                ? Math.min(margin(demand.radio, standing, lossDb), margin(standing, demand.radio, lossDb))
                : margin(demand.radio, standing, lossDb);
        return both + offsetDb - Chance.marginDb(demand.target, Learned.sigmaDb(plan, standing.frequencyMHz()));
    }

    private void measure() {
        already = new int[demands.size()];
        alreadyBest = new double[demands.size()];
        java.util.Arrays.fill(alreadyBest, Double.NEGATIVE_INFINITY);
        if (ask.keep()) {
            for (Source source : reach.sources(Set.of())) {
                Unit unit = plan.units().get(source.unit());
                Radio radio = unit.radio(ask.medium()).orElseThrow();
                double offset = Learned.offsetDb(plan, source.unit(), radio.frequencyMHz());
                for (int d = 0; d < demands.size(); d++) {
                    Demand demand = demands.get(d);
                    if (source.unit().equals(demand.unit)) {
                        continue;
                    }
                    double lossDb =
                            model.lossDb(source.at(), unit.place(), demand.at, demand.place, radio.frequencyMHz());
                    double over = over(demand, radio, lossDb, offset);
                    already[d] += over >= 0 ? 1 : 0;
                    alreadyBest[d] = Math.max(alreadyBest[d], over);
                }
            }
        }
        margins = new double[candidates.size()][];
        int[] done = {0};
        IntStream.range(0, candidates.size()).parallel().forEach(c -> {
            if (progress.cancelled()) {
                return;
            }
            Candidates.Candidate candidate = candidates.get(c);
            double[] row = new double[demands.size()];
            for (int d = 0; d < row.length; d++) {
                Demand demand = demands.get(d);
                double lossDb =
                        model.lossDb(candidate.at(), candidate.place(), demand.at, demand.place, box.frequencyMHz());
                row[d] = over(demand, box, lossDb, 0);
            }
            margins[c] = row;
            synchronized (done) {
                done[0]++;
                if (done[0] % 16 == 0) {
                    progress.at(
                            0.05 + 0.55 * done[0] / candidates.size(), "measuring " + candidates.size() + " places");
                }
            }
        });
        progress.check();
    }

    private int[] wanted() {
        int[] wanted = new int[demands.size()];
        for (int d = 0; d < wanted.length; d++) {
            wanted[d] = Math.max(0, ask.times() - already[d]);
        }
        return wanted;
    }

    private List<String> impossible() {
        List<String> names = new ArrayList<>();
        int[] uncovered = new int[rooms];
        int[] total = new int[rooms];
        for (int d = 0; d < demands.size(); d++) {
            int number = d;
            boolean can = already[d] >= ask.times()
                    || java.util.Arrays.stream(margins)
                                            .filter(row -> row[number] >= 0)
                                            .count()
                                    + already[d]
                            >= ask.times();
            Demand demand = demands.get(d);
            if (demand.room < 0 && !can) {
                names.add(demand.name);
            } else if (demand.room >= 0) {
                total[demand.room]++;
                uncovered[demand.room] += can ? 0 : 1;
                if (!can && uncovered[demand.room] == spare(d) + 1) {
                    names.add(demand.name);
                }
            }
        }
        return names;
    }

    /** Points of the room of a demand that need not be covered. */
    private int spare(int demand) {
        int room = demands.get(demand).room;
        long points = demands.stream().filter(d -> d.room == room).count();
        return (int) Math.floor(points * (1 - ROOM_SHARE) + 1e-9);
    }

    private double cost(int candidate) {
        // a box at no cost would make all choices the same: it counts a little
        return Math.max(0.01, ask.boxCost()) + (candidates.get(candidate).near() == null ? ask.outletCost() : 0);
    }

    private SetCover.Solution cover(double threshold, int[] wanted, List<Integer> forbidden, long milliseconds) {
        progress.check();
        List<BitSet> covers = new ArrayList<>();
        double[] costs = new double[candidates.size()];
        for (int c = 0; c < candidates.size(); c++) {
            BitSet set = new BitSet();
            for (int d = 0; d < wanted.length; d++) {
                if (margins[c][d] >= threshold) {
                    set.set(d);
                }
            }
            covers.add(set);
            costs[c] = cost(c);
        }
        int[] groups = demands.stream().mapToInt(d -> d.room).toArray();
        int[] spare = new int[rooms];
        for (int d = 0; d < groups.length; d++) {
            if (groups[d] >= 0 && spare[groups[d]] == 0) {
                spare[groups[d]] = spare(d);
            }
        }
        return new SetCover(covers, costs, wanted, groups, spare, blocks()).solve(progress, milliseconds, forbidden);
    }

    /** Two boxes for the same demand do not hang side by side: blocks of {@value #APART_M} m take one each. */
    private int[] blocks() {
        if (ask.times() < 2) {
            return null;
        }
        Map<String, Integer> numbers = new java.util.HashMap<>();
        return candidates.stream()
                .mapToInt(c -> numbers.computeIfAbsent(
                        c.place().room() + " " + Math.floor(c.at().xM() / APART_M) + " "
                                + Math.floor(c.at().yM() / APART_M),
                        k -> numbers.size()))
                .toArray();
    }

    /** Among equally cheap choices the one with the best margin at the worst demand. */
    private List<Integer> widest(
            SetCover.Solution first,
            int[] wanted,
            long milliseconds,
            long start,
            java.util.function.LongSupplier clock) {
        List<Integer> best = first.chosen();
        double low = 0;
        double high = 40;
        for (int i = 0; i < MARGIN_STEPS && left(milliseconds, start, clock) > 0 && !best.isEmpty(); i++) {
            progress.at(0.65 + 0.05 * i, "widening the margin");
            double middle = (low + high) / 2;
            SetCover.Solution wider = cover(middle, wanted, List.of(), left(milliseconds, start, clock) / 3);
            if (wider != null && wider.cost() <= first.cost() + 1e-9) {
                best = wider.chosen();
                low = middle;
            } else {
                high = middle;
            }
        }
        return best;
    }

    private void others(
            List<Integer> best,
            int[] wanted,
            List<List<Integer>> choices,
            long milliseconds,
            long start,
            java.util.function.LongSupplier clock) {
        List<Integer> forbidden = new ArrayList<>();
        List<Integer> last = best;
        while (choices.size() < CHOICES && !last.isEmpty() && left(milliseconds, start, clock) > 0) {
            progress.at(0.9 + 0.03 * choices.size(), "looking for another choice");
            for (int chosen : last) {
                for (int c = 0; c < candidates.size(); c++) {
                    if (candidates.get(c).at().distanceM(candidates.get(chosen).at()) < APART_M) {
                        forbidden.add(c);
                    }
                }
            }
            SetCover.Solution other = cover(0, wanted, forbidden, left(milliseconds, start, clock) / 2);
            if (other == null) {
                return;
            }
            last = other.chosen();
            choices.add(last);
        }
    }

    /** Single places by how much they newly cover for their cost, then by the worst margin; well apart. */
    private List<List<Integer>> next(int[] wanted) {
        List<Integer> sorted = IntStream.range(0, candidates.size())
                .boxed()
                .sorted(Comparator.comparingInt((Integer c) -> -newly(c, wanted))
                        .thenComparingDouble(this::cost)
                        .thenComparingDouble(c -> -worst(List.of(c), wanted)))
                .toList();
        List<List<Integer>> choices = new ArrayList<>();
        for (int c : sorted) {
            boolean apart = choices.stream()
                    .allMatch(o -> candidates
                                    .get(o.get(0))
                                    .at()
                                    .distanceM(candidates.get(c).at())
                            >= APART_M);
            if (choices.size() < CHOICES && apart && newly(c, wanted) > 0) {
                choices.add(List.of(c));
            }
        }
        return choices;
    }

    private int newly(int candidate, int[] wanted) {
        int count = 0;
        for (int d = 0; d < wanted.length; d++) {
            count += wanted[d] > 0 && margins[candidate][d] >= 0 ? 1 : 0;
        }
        return count;
    }

    /** Best margin of each demand that is covered so many times, the worst of them, dB. */
    private double worst(List<Integer> chosen, int[] wanted) {
        double worst = Double.POSITIVE_INFINITY;
        for (int d = 0; d < wanted.length; d++) {
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

    private int covered(List<Integer> chosen) {
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

    private Answer.Placing choice(List<Integer> chosen, int[] wanted) {
        List<Candidates.Candidate> spots = chosen.stream().map(candidates::get).toList();
        double worst = worst(chosen, wanted);
        double cost = chosen.stream().mapToDouble(this::cost).sum();
        int covered = covered(chosen);
        long outlets = spots.stream().filter(s -> s.near() == null).count();
        String what = ask.cover() == Ask.Cover.DEVICES ? "places" : "sample points";
        String why = covered + " of " + demands.size() + " " + what + " covered"
                + (ask.times() == 2 ? " twice" : "")
                + (Double.isInfinite(worst) ? "" : "; the worst has " + Text.db(worst) + " over what it needs")
                + "; "
                + (outlets == 0
                        ? "all near an outlet, a data point or a unit with mains"
                        : outlets + " without an outlet near");
        Map<String, Integer> serving = new java.util.TreeMap<>();
        for (int d = 0; d < demands.size(); d++) {
            int best = -1;
            for (int i = 0; i < chosen.size(); i++) {
                double here = margins[chosen.get(i)][d];
                if (here >= 0 && alreadyBest[d] < 0 && (best < 0 || here > margins[chosen.get(best)][d])) {
                    best = i;
                }
            }
            if (best >= 0 && demands.get(d).unit != null) {
                serving.put(demands.get(d).unit, best);
            }
        }
        BoxMaker.Made made = maker.make(spots, serving);
        return new Answer.Placing(made.spots(), covered, Double.isInfinite(worst) ? 0 : worst, cost, why, made.edits());
    }
}
