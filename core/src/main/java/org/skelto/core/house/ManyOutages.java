package org.skelto.core.house;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.ObjIntConsumer;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.work.ComputingBudget;

/**
 * A house under many outages: a machine word carries 64 of them side by side, so that all pairs of components of a house of 500
 * devices are worked out in less time than it takes to draw them.
 */
public final class ManyOutages {
    private static final int STATES = State.values().length;

    /** Of more shared components the pairs are not all looked at. */
    private static final int MOST_SHARED = 160;

    private final Outages outages;
    private final OutageProgram program;

    ManyOutages(Outages outages, OutageProgram program) {
        this.outages = outages;
        this.program = program;
    }

    OutageProgram program() {
        return program;
    }

    /**
     * The worst state of every device under each of some outages.
     *
     * @param devices ids, in the order of the rows
     * @param states by row and outage
     */
    public record Matrix(List<String> devices, State[][] states) {}

    /** Every device under each outage. */
    public Matrix matrix(List<Outage> columns) {
        List<String> devices = List.copyOf(program.jobs.keySet());
        State[][] states = new State[devices.size()][columns.size()];
        blocks(columns.size(), (run, from, count) -> {
            suppose(run, columns.subList(from, from + count));
            run.run();
            long[][] jobs = new long[program.allJobs.size()][STATES];
            run.jobs(jobs);
            int next = 0;
            for (int d = 0; d < devices.size(); d++) {
                long[] worst = new long[STATES];
                int own = program.jobs.get(devices.get(d)).size();
                for (int j = 0; j < own; j++, next++) {
                    for (int s = 1; s < STATES; s++) {
                        worst[s] |= jobs[next][s];
                    }
                }
                worst[State.UNSAFE.ordinal()] |= run.failsLife(devices.get(d));
                spread(worst, count, states[d], from);
            }
        });
        return new Matrix(devices, states);
    }

    private static void spread(long[] bad, int count, State[] into, int from) {
        for (int k = 0; k < count; k++) {
            int state = STATES - 1;
            while (state > 0 && (bad[state] >> k & 1) == 0) {
                state--;
            }
            into[from + k] = State.values()[state];
        }
    }

    /** Every job of a device under each outage, by job and outage. */
    public Map<Job, State[]> jobs(String device, List<Outage> columns) {
        Map<Job, State[]> all = new EnumMap<>(Job.class);
        List<OutageProgram.JobNode> jobs = program.jobs.get(device);
        jobs.forEach(j -> all.put(j.job(), new State[columns.size()]));
        blocks(columns.size(), (run, from, count) -> {
            suppose(run, columns.subList(from, from + count));
            run.run();
            long[][] bad = new long[program.allJobs.size()][STATES];
            run.jobs(bad);
            int first = program.allJobs.indexOf(jobs.isEmpty() ? null : jobs.get(0));
            for (int j = 0; j < jobs.size(); j++) {
                spread(bad[first + j], count, all.get(jobs.get(j).job()), from);
            }
        });
        return all;
    }

    private void suppose(OutageRun run, List<Outage> columns) {
        run.clear();
        for (int k = 0; k < columns.size(); k++) {
            Outage outage = columns.get(k);
            long others = ~(1L << k);
            for (String id : outage.without()) {
                Integer component = program.numbers.get(Component.today(id));
                if (component != null) {
                    run.works[component] &= others;
                }
            }
            if (outage.lastsH() != null) {
                PowerState power = outages.power(outage);
                for (int u = 0; u < run.stored.length; u++) {
                    String unit = program.hops.unit(u);
                    if (program.stored[u] && !power.standby(unit)) {
                        run.stored[u] &= others;
                    }
                    if (power.addressLost(unit) != null) {
                        run.addressLost[u] |= ~others;
                        run.leasesEnd();
                    }
                }
            }
        }
    }

    /** Works on up to 64 outages. */
    private interface Block {
        void at(OutageRun run, int from, int count);
    }

    /** Goes through outages by 64, on all processors. */
    private void blocks(int outagesCount, Block block) {
        int blocks = (outagesCount + Algebra.Lanes.WIDTH - 1) / Algebra.Lanes.WIDTH;
        each(blocks, () -> new OutageRun(program, new Algebra.Lanes(), true), (run, b) -> {
            int from = b * Algebra.Lanes.WIDTH;
            block.at(run, from, Math.min(Algebra.Lanes.WIDTH, outagesCount - from));
        });
    }

    /** Does so many pieces of work on all processors, each worker with a tool of its own. */
    static <T> void each(int pieces, Supplier<T> tool, ObjIntConsumer<T> work) {
        int workers = Math.min(pieces, Runtime.getRuntime().availableProcessors());
        AtomicInteger next = new AtomicInteger();
        Runnable worker = () -> {
            T mine = tool.get();
            for (int piece = next.getAndIncrement(); piece < pieces; piece = next.getAndIncrement()) {
                work.accept(mine, piece);
            }
        };
        if (workers <= 1) {
            worker.run();
            return;
        }
        IntStream.range(0, workers).mapToObj(i -> ComputingBudget.carried(worker)).toList().parallelStream()
                .forEach(Runnable::run);
    }

    /**
     * Combinations of components under which a job is lost or unsafe, and under no fewer of them.
     *
     * @param jobs those of the program that are asked for
     * @param components ids that may fail
     * @param order how many at once, 1 to 3
     */
    List<LeastSets> leastSets(List<OutageProgram.JobNode> jobs, List<String> components, int order) {
        int[] numbers = components.stream().mapToInt(program.numbers::get).toArray();
        int n = numbers.length;
        List<LeastSets> found = new ArrayList<>();
        jobs.forEach(j -> found.add(new LeastSets()));
        for (int k = 0; k <= Math.min(order, n); k++) {
            List<int[]> tuples = tuples(n, k);
            boolean nothing = k == 0;
            int blocks = (tuples.size() + Algebra.Lanes.WIDTH - 1) / Algebra.Lanes.WIDTH;
            each(blocks, () -> new Swept(jobs, numbers), (swept, b) -> {
                int from = b * Algebra.Lanes.WIDTH;
                int count = Math.min(Algebra.Lanes.WIDTH, tuples.size() - from);
                swept.gone(tuples, from, count);
                for (int j = 0; j < jobs.size(); j++) {
                    OutageProgram.JobNode job = jobs.get(j);
                    long lost = swept.lost(job);
                    if (nothing) {
                        found.get(j).nothingGone((lost & 1) != 0);
                    } else {
                        found.get(j)
                                .take(
                                        tuples,
                                        from,
                                        swept.lanes,
                                        lanes(count),
                                        lost,
                                        job.rest() >= 0 || job.gone() >= 0);
                    }
                }
            });
            found.forEach(LeastSets::close);
        }
        return found;
    }

    /**
     * Components of which, gone together, a job is lost or unsafe, and with fewer of them gone it is not.
     *
     * @param components ids
     * @param names of them
     * @param worksAgain whether it works again when something more fails: its position then gives the job
     */
    public record LeastSet(List<String> components, List<String> names, boolean worksAgain) {}

    /**
     * The least sets of failures that lose a job, of up to so many components.
     *
     * @param order 1 to 3
     * @return empty where it is lost with everything working, too
     */
    public List<LeastSet> least(String device, Job job, int order) {
        List<String> components = counted(device);
        List<OutageProgram.JobNode> jobs = program.jobs.getOrDefault(device, List.of()).stream()
                .filter(j -> j.job() == job)
                .toList();
        if (jobs.isEmpty()) {
            return List.of();
        }
        LeastSets found = leastSets(jobs, components, order).get(0);
        return found.always()
                ? List.of()
                : found.sets().stream()
                        .map(set -> {
                            List<String> ids =
                                    Arrays.stream(set).mapToObj(components::get).toList();
                            return new LeastSet(
                                    ids,
                                    ids.stream()
                                            .map(id -> Objects.requireNonNull(
                                                            outages.components().get(id))
                                                    .name())
                                            .toList(),
                                    found.worksAgain(set));
                        })
                        .toList();
    }

    /**
     * Pairs of components that lose or endanger devices which neither of them does alone, those of the most devices first; of pairs
     * that do the same the first.
     */
    public List<Set<String>> worsePairs(int most) {
        List<String> components = outages.shared().keySet().stream()
                .map(Component::id)
                .filter(id -> !id.equals(Component.MAINS))
                .limit(MOST_SHARED)
                .toList();
        List<LeastSets> found = leastSets(program.allJobs, components, 2);
        Map<Set<Integer>, Set<String>> felt = new LinkedHashMap<>();
        for (int j = 0; j < found.size(); j++) {
            String device = program.allJobs.get(j).device();
            found.get(j).sets().stream()
                    .filter(s -> s.length == 2)
                    .forEach(s -> felt.computeIfAbsent(Set.of(s[0], s[1]), k -> new TreeSet<>())
                            .add(device));
        }
        Set<Set<String>> told = new HashSet<>();
        return felt.entrySet().stream()
                .sorted(Comparator.comparingInt((Map.Entry<Set<Integer>, Set<String>> e) ->
                        -e.getValue().size()))
                .filter(e -> told.add(e.getValue()))
                .limit(most)
                .map(e -> e.getKey().stream().map(components::get).collect(Collectors.toSet()))
                .toList();
    }

    static long lanes(int count) {
        return count == Algebra.Lanes.WIDTH ? -1 : (1L << count) - 1;
    }

    private static List<int[]> tuples(int n, int order) {
        List<int[]> all = new ArrayList<>();
        if (order == 0) {
            all.add(new int[0]);
        } else if (order == 1) {
            IntStream.range(0, n).forEach(i -> all.add(new int[] {i}));
        } else if (order == 2) {
            for (int i = 0; i < n; i++) {
                for (int j = i + 1; j < n; j++) {
                    all.add(new int[] {i, j});
                }
            }
        } else {
            for (int i = 0; i < n; i++) {
                for (int j = i + 1; j < n; j++) {
                    for (int k = j + 1; k < n; k++) {
                        all.add(new int[] {i, j, k});
                    }
                }
            }
        }
        return all;
    }

    /** A run that is set by components gone. */
    private final class Swept {
        private final OutageRun run;
        private final int[] numbers;

        /** By component: where it is gone. */
        private final long[] lanes;

        private final long[] bad = new long[STATES];

        Swept(List<OutageProgram.JobNode> jobs, int[] numbers) {
            run = new OutageRun(program, new Algebra.Lanes(), false, jobs);
            this.numbers = numbers;
            lanes = new long[numbers.length];
        }

        void gone(List<int[]> tuples, int from, int count) {
            Arrays.fill(lanes, 0);
            for (int k = 0; k < count; k++) {
                for (int i : tuples.get(from + k)) {
                    lanes[i] |= 1L << k;
                }
            }
            for (int i = 0; i < lanes.length; i++) {
                run.works[numbers[i]] = ~lanes[i];
            }
            run.run();
        }

        long lost(OutageProgram.JobNode job) {
            run.job(job, bad);
            return bad[State.LOST.ordinal()];
        }
    }

    /** Ids of the components that may matter to a device: what is shared, what its ways name, and what is its own. */
    private List<String> counted(String device) {
        Set<String> own = outages.leaves(device);
        own.add(Component.wire(device));
        return outages.components().values().stream()
                .filter(c -> own.contains(c.id())
                        || switch (c.kind()) {
                            case WIRE -> false;
                            case OWN_RADIO -> repeats(c.id().substring("unit:".length()));
                            case LINK -> outages.fallible(c);
                            default -> true;
                        })
                .map(Component::id)
                .toList();
    }

    private boolean repeats(String id) {
        Unit unit = program.plan.units().get(id);
        return unit.media().stream().anyMatch(unit::repeats);
    }
}
