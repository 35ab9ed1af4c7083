package org.skelto.core.house;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.skelto.core.house.LostHours.Clock;
import org.skelto.core.house.LostHours.LostJob;
import org.skelto.core.house.LostHours.LostShare;
import org.skelto.core.house.MeanTimes.Band;
import org.skelto.core.plan.survival.FailureKind;
import org.skelto.core.work.Progress;

/**
 * Hours lost a year from the states of a house with up to three failures at once, where a decision diagram would grow too large; what
 * states with more of them could add is told as a bracket.
 */
final class FewFailures {
    private static final Band[] BANDS = Band.values();

    /** States less likely than this are left to the bracket, as are combinations beyond the most that are looked at. */
    private static final double UNLIKELY = 1e-13;

    private static final int MOST_STATES = 3_000_000;

    private final Outages outages;
    private final OutageProgram program;
    private final List<Failure> failures = new ArrayList<>();

    /** Several may be of one component, which has only one age at a time. */
    private record Failure(String id, String name, int group, Gone gone, double[] out, double perYear) {}

    /**
     * What is gone in it.
     *
     * @param component number, or -1
     * @param empty units whose stores have run out
     * @param addressless units that have lost their addresses
     */
    private record Gone(int component, int[] empty, int[] addressless) {}

    private final double[] base = {1, 1, 1};

    private FewFailures(Outages outages) {
        this.outages = outages;
        this.program = outages.many().program();
        Map<FailureKind, MeanTimes> times = MeanTimes.of(outages.plan());
        Map<String, Clock> clocks = LostHours.clocks(outages, times);
        outages.components().values().forEach(c -> {
            if (outages.fallible(c)) {
                component(c, times.get(MeanTimes.kind(c.kind())), clocks.get(c.id()));
            }
        });
        MeanTimes hidden = times.get(FailureKind.BACKUP);
        for (String unit : outages.backups()) {
            double[] out = new double[BANDS.length];
            for (Band band : BANDS) {
                out[band.ordinal()] = hidden.out(band);
                base[band.ordinal()] *= 1 - out[band.ordinal()];
            }
            failures.add(new Failure(
                    "backup:" + unit,
                    LostHours.deadCells(outages, unit),
                    failures.size() + 100_000,
                    new Gone(-1, new int[] {program.hops.number(unit)}, new int[0]),
                    odds(out, out),
                    hidden.perYear().typical()));
        }
    }

    private void component(Component c, MeanTimes of, Clock clock) {
        double[] all = new double[BANDS.length];
        for (Band band : BANDS) {
            all[band.ordinal()] = of.out(band);
            base[band.ordinal()] *= 1 - all[band.ordinal()];
        }
        int group = failures.size();
        int number = program.numbers.get(c.id());
        double[] at = clock == null ? new double[0] : clock.at();
        List<Integer> empty = new ArrayList<>();
        List<Integer> addressless = new ArrayList<>();
        for (int k = 0; k <= at.length; k++) {
            if (k > 0) {
                clock.empty().getOrDefault(at[k - 1], List.of()).forEach(u -> empty.add(program.hops.number(u)));
                clock.addressless()
                        .getOrDefault(at[k - 1], List.of())
                        .forEach(u -> addressless.add(program.hops.number(u)));
            }
            double[] here = new double[BANDS.length];
            for (Band band : BANDS) {
                double mean = band.of(of.repairH());
                double longer = k == 0 ? 1 : Math.exp(-at[k - 1] / mean);
                double end = k == at.length ? 0 : Math.exp(-at[k] / mean);
                here[band.ordinal()] = mean == 0 ? 0 : all[band.ordinal()] * (longer - end);
            }
            failures.add(new Failure(
                    c.id(),
                    c.name(),
                    group,
                    new Gone(number, ints(empty), ints(addressless)),
                    odds(here, all),
                    of.perYear().typical()));
        }
    }

    private static int[] ints(List<Integer> list) {
        return list.stream().mapToInt(Integer::intValue).toArray();
    }

    private static double[] odds(double[] here, double[] all) {
        double[] odds = new double[here.length];
        for (int i = 0; i < odds.length; i++) {
            odds[i] = all[i] >= 1 ? 1e12 : here[i] / (1 - all[i]);
        }
        return odds;
    }

    static List<LostJob> of(Outages outages, Progress progress) {
        return new FewFailures(outages).jobs(progress);
    }

    private List<int[]> states() {
        Integer[] order = new Integer[failures.size()];
        Arrays.setAll(order, i -> i);
        int typical = Band.TYPICAL.ordinal();
        Arrays.sort(order, Comparator.comparingDouble((Integer i) -> -failures.get(i).out[typical]));
        List<int[]> states = new ArrayList<>();
        states.add(new int[0]);
        for (int i : order) {
            states.add(new int[] {i});
        }
        for (int a = 0; a < order.length; a++) {
            for (int b = a + 1; b < order.length; b++) {
                if (together(order[a], order[b]) < UNLIKELY || states.size() > MOST_STATES) {
                    break;
                }
                if (failures.get(order[a]).group != failures.get(order[b]).group) {
                    states.add(new int[] {order[a], order[b]});
                }
            }
        }
        for (int a = 0; a < order.length; a++) {
            for (int b = a + 1; b < order.length; b++) {
                double two = together(order[a], order[b]);
                if (two < UNLIKELY) {
                    break;
                }
                for (int c = b + 1; c < order.length; c++) {
                    if (two * failures.get(order[c]).out[typical] < UNLIKELY || states.size() > MOST_STATES) {
                        break;
                    }
                    int groupA = failures.get(order[a]).group;
                    int groupB = failures.get(order[b]).group;
                    int groupC = failures.get(order[c]).group;
                    if (groupA != groupB && groupA != groupC && groupB != groupC) {
                        states.add(new int[] {order[a], order[b], order[c]});
                    }
                }
            }
        }
        return states;
    }

    private double together(int one, int other) {
        return failures.get(one).out[Band.TYPICAL.ordinal()] * failures.get(other).out[Band.TYPICAL.ordinal()];
    }

    /** What one worker adds up. */
    private final class Sums {
        private final OutageRun run = new OutageRun(program, new Algebra.Lanes(), false);
        private final int jobs = program.allJobs.size();
        private final double[][] lost = new double[jobs][BANDS.length];
        private final double[] byHand = new double[jobs];
        private final double[][][] by = new double[jobs][][];
        private final double[] covered = new double[BANDS.length];
        private final long[] bad = new long[State.values().length];

        void block(List<int[]> states, int from, int count) {
            run.clear();
            double[][] weights = new double[count][];
            for (int k = 0; k < count; k++) {
                weights[k] = base.clone();
                long others = ~(1L << k);
                for (int f : states.get(from + k)) {
                    Failure failure = failures.get(f);
                    if (failure.gone.component >= 0) {
                        run.works[failure.gone.component] &= others;
                    }
                    for (int unit : failure.gone.empty) {
                        run.stored[unit] &= others;
                    }
                    for (int unit : failure.gone.addressless) {
                        run.addressLost[unit] |= ~others;
                        run.leasesEnd();
                    }
                    for (int b = 0; b < BANDS.length; b++) {
                        weights[k][b] *= failure.out[b];
                    }
                }
                for (int b = 0; b < BANDS.length; b++) {
                    covered[b] += weights[k][b];
                }
            }
            run.run();
            for (int j = 0; j < jobs; j++) {
                run.job(program.allJobs.get(j), bad);
                long some = bad[State.BY_HAND.ordinal()] & ManyOutages.lanes(count);
                long gone = bad[State.LOST.ordinal()];
                for (long rest = some; rest != 0; rest &= rest - 1) {
                    int k = Long.numberOfTrailingZeros(rest);
                    if ((gone >> k & 1) == 0) {
                        byHand[j] += weights[k][Band.TYPICAL.ordinal()];
                        continue;
                    }
                    for (int b = 0; b < BANDS.length; b++) {
                        lost[j][b] += weights[k][b];
                    }
                    for (int f : states.get(from + k)) {
                        if (by[j] == null) {
                            by[j] = new double[failures.size()][];
                        }
                        int first = Math.min(f, failures.get(f).group);
                        if (by[j][first] == null) {
                            by[j][first] = new double[BANDS.length];
                        }
                        for (int b = 0; b < BANDS.length; b++) {
                            by[j][first][b] += weights[k][b];
                        }
                    }
                }
            }
        }
    }

    private List<LostJob> jobs(Progress progress) {
        List<int[]> states = states();
        List<Sums> sums = Collections.synchronizedList(new ArrayList<>());
        int width = Algebra.Lanes.WIDTH;
        int blocks = (states.size() + width - 1) / width;
        ManyOutages.each(
                blocks,
                () -> {
                    Sums mine = new Sums();
                    sums.add(mine);
                    return mine;
                },
                (mine, block) -> {
                    progress.check();
                    mine.block(states, block * width, Math.min(width, states.size() - block * width));
                    if (block % 64 == 0) {
                        progress.at((double) block / blocks, "states with up to three failures");
                    }
                });
        List<LostJob> all = new ArrayList<>();
        double covered = sums.stream()
                .mapToDouble(s -> s.covered[Band.TYPICAL.ordinal()])
                .sum();
        double missing = Math.max(0, 1 - covered) * MeanTimes.YEAR_H;
        for (int j = 0; j < program.allJobs.size(); j++) {
            all.add(job(j, sums, missing));
        }
        return all;
    }

    private LostJob job(int j, List<Sums> sums, double missing) {
        double[] lost = new double[BANDS.length];
        double byHand = 0;
        for (Sums s : sums) {
            byHand += s.byHand[j];
            for (int b = 0; b < BANDS.length; b++) {
                lost[b] += s.lost[j][b];
            }
        }
        List<LostShare> shares = new ArrayList<>();
        double perYear = 0;
        for (int f = 0; f < failures.size(); f++) {
            Failure failure = failures.get(f);
            if (failure.gone.component >= 0 && failure.group != f) {
                continue;
            }
            double[] hours = new double[BANDS.length];
            for (int b = 0; b < BANDS.length; b++) {
                double with = 0;
                for (Sums s : sums) {
                    if (s.by[j] != null && s.by[j][f] != null) {
                        with += s.by[j][f][b];
                    }
                }
                double odds = odds(failure, b);
                hours[b] = (with - odds * (lost[b] - with)) * MeanTimes.YEAR_H;
                if (b == Band.TYPICAL.ordinal() && odds > 0) {
                    perYear += Math.max(0, hours[b] / MeanTimes.YEAR_H / (odds / (1 + odds))) * failure.perYear;
                }
            }
            if (hours[Band.TYPICAL.ordinal()] > 1e-9) {
                shares.add(new LostShare(failure.id, failure.name, hours[1], hours[0], hours[2]));
            }
        }
        shares.sort(Comparator.comparingDouble(LostShare::hours).reversed());
        OutageProgram.JobNode job = program.allJobs.get(j);
        return LostHoursLostJobBuilder.builder()
                .device(job.device())
                .job(job.job())
                .hours(lost[1] * MeanTimes.YEAR_H)
                .low(lost[0] * MeanTimes.YEAR_H)
                .high(lost[2] * MeanTimes.YEAR_H)
                .byHandH(byHand * MeanTimes.YEAR_H)
                .chance(1 - Math.exp(-perYear))
                .missing(missing)
                .shares(shares)
                .figure(LostHours.figure(outages, lost[1] * MeanTimes.YEAR_H, false, shares))
                .build();
    }

    /** The odds that a component is out, whatever its age. */
    private double odds(Failure failure, int band) {
        return failure.gone.component < 0
                ? failure.out[band]
                : failures.stream()
                        .filter(other -> other.gone.component >= 0 && other.group == failure.group)
                        .mapToDouble(other -> other.out[band])
                        .sum();
    }
}
