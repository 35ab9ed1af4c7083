package org.skelto.core.placement;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.LongSupplier;
import java.util.stream.IntStream;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;
import org.skelto.core.work.Progress;

/**
 * Answers where the next box should stand and how few boxes cover everything: the cheapest choice, exact by integer
 * programming, and among equally cheap ones the best margin at the worst demand.
 */
public final class Placer {
    private static final double CANDIDATE_STEP_M = 1.0;
    private static final int CANDIDATES_MOST = 500;
    private static final int CHOICES = 3;
    private static final double APART_M = 2.5;
    private static final int MARGIN_STEPS = 5;

    /** Milliseconds that may be spent, by a clock that is asked several times. */
    private record Deadline(long milliseconds, long start, LongSupplier clock) {
        long spent() {
            return clock.getAsLong() - start;
        }

        long left() {
            return milliseconds - spent();
        }
    }

    private final SiteModel site;
    private final PlacementRequest ask;
    /** Places this far apart are one to a room, and rooms are few. */
    private static final double STEP_MOST_M = 200;

    private final Progress progress;
    private final BoxMaker maker;
    private final Demands demands;
    private final Margins margins;
    private List<Candidates.Candidate> candidates = List.of();

    private Placer(SiteModel site, SlabTables tables, PlacementRequest ask, Progress progress) {
        this.site = site;
        this.ask = ask;
        this.progress = progress;
        progress.at(0.02, "looking at what must be covered");
        this.maker = new BoxMaker(site, tables, ask);
        this.demands = new Demands(site, tables, ask, maker.client());
        this.margins = new Margins(site, tables, ask, demands, maker.radio());
    }

    /**
     * The answer to a question.
     *
     * @param milliseconds after which the solver stops and says how far from proven it is
     * @param clock milliseconds that have gone by, asked several times
     */
    public static PlacementResult answer(
            SiteModel site,
            SlabTables tables,
            PlacementRequest ask,
            Progress progress,
            long milliseconds,
            LongSupplier clock) {
        Deadline deadline = new Deadline(milliseconds, clock.getAsLong(), clock);
        return new Placer(site, tables, ask, progress).answer(deadline);
    }

    private PlacementResult answer(Deadline deadline) {
        findCandidates();
        margins.measure(candidates, progress);
        progress.at(0.6, "solving");
        List<String> impossible = impossible();
        int[] wanted = margins.wanted();
        List<List<Integer>> choices = new ArrayList<>();
        boolean proven = true;
        double gap = 0;
        if (ask.goal() == PlacementRequest.Goal.NEXT) {
            choices.addAll(next(wanted));
        } else {
            SetCover.Solution first = cover(0, wanted, List.of(), deadline.left());
            if (first != null) {
                proven = first.proven();
                gap = first.cost() == 0 ? 0 : Math.max(0, (first.cost() - first.bound()) / first.cost());
                List<Integer> best = widest(first, wanted, deadline);
                choices.add(best);
                others(best, wanted, choices, deadline);
            }
        }
        progress.at(0.97, "writing it out");
        List<PlacementResult.Placing> written = new ArrayList<>();
        for (List<Integer> choice : choices) {
            progress.check();
            written.add(choice(choice));
        }
        return PlacementResultBuilder.builder()
                .placings(written)
                .demands(demands.size())
                .candidates(candidates.size())
                .before(margins.coveredBefore())
                .impossible(impossible)
                .proven(proven)
                .gap(gap)
                .seconds(deadline.spent() / 1000.0)
                .build();
    }

    private void findCandidates() {
        double step = CANDIDATE_STEP_M;
        candidates = Candidates.of(site, ask.medium(), step);
        while (candidates.size() > CANDIDATES_MOST && step < STEP_MOST_M) {
            ComputingBudget.step();
            step *= 1.3;
            candidates = Candidates.of(site, ask.medium(), step);
        }
        candidates = candidates.stream().filter(c -> demands.meant(c.place())).toList();
        if (ask.medium().mesh()) {
            // a repeater must itself be heard by a unit that passes messages on
            candidates = candidates.stream().filter(margins::heardByMesh).toList();
        }
    }

    /** Names of what no choice can cover: devices and places, and rooms with too many points out of reach. */
    private List<String> impossible() {
        List<String> names = new ArrayList<>();
        int[] uncovered = new int[demands.rooms()];
        for (int d = 0; d < demands.size(); d++) {
            Demands.Demand demand = demands.get(d);
            if (!margins.possible(d) && (demand.room() < 0 || ++uncovered[demand.room()] == demands.spare(d) + 1)) {
                names.add(demand.name());
            }
        }
        return names;
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
                if (margins.of(c, d) >= threshold) {
                    set.set(d);
                }
            }
            covers.add(set);
            costs[c] = cost(c);
        }
        int[] groups = demands.all().stream().mapToInt(Demands.Demand::room).toArray();
        int[] spare = new int[demands.rooms()];
        for (int d = 0; d < groups.length; d++) {
            if (groups[d] >= 0 && spare[groups[d]] == 0) {
                spare[groups[d]] = demands.spare(d);
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
    private List<Integer> widest(SetCover.Solution first, int[] wanted, Deadline deadline) {
        List<Integer> best = first.chosen();
        double low = 0;
        double high = 40;
        for (int i = 0; i < MARGIN_STEPS && deadline.left() > 0 && !best.isEmpty(); i++) {
            progress.at(0.65 + 0.05 * i, "widening the margin");
            double middle = (low + high) / 2;
            SetCover.Solution wider = cover(middle, wanted, List.of(), deadline.left() / 3);
            if (wider != null && wider.cost() <= first.cost() + 1e-9) {
                best = wider.chosen();
                low = middle;
            } else {
                high = middle;
            }
        }
        return best;
    }

    private void others(List<Integer> best, int[] wanted, List<List<Integer>> choices, Deadline deadline) {
        List<Integer> forbidden = new ArrayList<>();
        List<Integer> last = best;
        while (choices.size() < CHOICES && !last.isEmpty() && deadline.left() > 0) {
            progress.at(0.9 + 0.03 * choices.size(), "looking for another choice");
            for (int chosen : last) {
                for (int c = 0; c < candidates.size(); c++) {
                    if (candidates.get(c).at().distanceM(candidates.get(chosen).at()) < APART_M) {
                        forbidden.add(c);
                    }
                }
            }
            SetCover.Solution other = cover(0, wanted, forbidden, deadline.left() / 2);
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
                .sorted(Comparator.comparingInt((Integer c) -> -margins.newly(c, wanted))
                        .thenComparingDouble(this::cost)
                        .thenComparingDouble(c -> -margins.worst(List.of(c))))
                .toList();
        List<List<Integer>> choices = new ArrayList<>();
        for (int c : sorted) {
            boolean apart = choices.stream()
                    .allMatch(o -> candidates
                                    .get(o.get(0))
                                    .at()
                                    .distanceM(candidates.get(c).at())
                            >= APART_M);
            if (choices.size() < CHOICES && apart && margins.newly(c, wanted) > 0) {
                choices.add(List.of(c));
            }
        }
        return choices;
    }

    private PlacementResult.Placing choice(List<Integer> chosen) {
        List<Candidates.Candidate> spots = chosen.stream().map(candidates::get).toList();
        double worst = margins.worst(chosen);
        double cost = chosen.stream().mapToDouble(this::cost).sum();
        int covered = margins.covered(chosen);
        long outlets = spots.stream().filter(s -> s.near() == null).count();
        String what = ask.cover() == PlacementRequest.Cover.DEVICES ? "places" : "sample points";
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
                double here = margins.of(chosen.get(i), d);
                if (here >= 0 && margins.standing(d) < 0 && (best < 0 || here > margins.of(chosen.get(best), d))) {
                    best = i;
                }
            }
            if (best >= 0 && demands.get(d).unit() != null) {
                serving.put(demands.get(d).unit(), best);
            }
        }
        BoxMaker.Made made = maker.make(spots, serving);
        return new PlacementResult.Placing(
                made.spots(), covered, Double.isInfinite(worst) ? 0 : worst, cost, why, made.edits());
    }
}
