package org.skelto.core.house;

import java.util.Arrays;
import java.util.stream.IntStream;
import org.skelto.core.house.OutageProgram.Carrier;
import org.skelto.core.house.OutageProgram.Feed;
import org.skelto.core.house.OutageProgram.JobNode;
import org.skelto.core.house.OutageProgram.Node;
import org.skelto.core.house.OutageProgram.Reach;
import org.skelto.core.house.OutageProgram.Search;
import org.skelto.core.house.OutageProgram.Spread;
import org.skelto.core.house.OutageProgram.WayNode;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.work.ComputingBudget;

/**
 * Works a house out for many outages at once: power as a least fixed point, then messages likewise, then what jobs need, then the
 * positions that things rest in. One for each thread; what it found holds until it runs again.
 */
final class OutageRun {
    /** Of the number of what waits: so many bits tell the step of a mesh. */
    private static final int LEVEL_BITS = 5;

    private final OutageProgram program;
    private final Algebra a;

    /** Whether a component works, by its number; set before a run. */
    final long[] works;

    /** Whether a unit's store has not run out; set before a run. */
    final long[] stored;

    /** Whether a unit has lost its address; set before a run, then told by {@link #leasesEnd}. */
    final long[] addressLost;

    private boolean leasesEnd;

    private final long[] powered;
    private final long[] up;
    private final long[] live;
    private long anyLive;
    private final long[] value;
    private final long[] strong;
    private final long[] carries;
    private final long[][] found;
    private final long[][] foundStrong;

    /** How far messages came, by state and step of a mesh. */
    private long[][] arrived = {};

    private int[] queue = new int[64];

    /** Whether weak links are told apart. */
    private final boolean weak;

    /** What is worked out of jobs: those of all devices, or of some. */
    private final int[] wantedNodes;

    private final boolean[] wantedSearches;

    OutageRun(OutageProgram program, Algebra algebra, boolean weak) {
        this(program, algebra, weak, program.allJobs);
    }

    /** @param jobs those that will be asked for */
    OutageRun(OutageProgram program, Algebra algebra, boolean weak, Iterable<JobNode> jobs) {
        this.program = program;
        this.a = algebra;
        this.weak = weak;
        int n = program.hops.size();
        works = new long[program.components.size()];
        stored = new long[n];
        addressLost = new long[n];
        powered = new long[n];
        up = new long[n];
        live = new long[program.circuits.size()];
        value = new long[program.nodes.size()];
        strong = new long[value.length];
        carries = new long[program.carriers.size()];
        found = new long[program.searches.size()][n];
        foundStrong = new long[program.searches.size()][n];
        boolean[] wanted = new boolean[value.length];
        for (JobNode job : jobs) {
            job.ways().forEach(w -> wanted[w.node()] = true);
            for (int node : new int[] {job.rest(), job.gone(), job.stuck()}) {
                if (node >= 0) {
                    wanted[node] = true;
                }
            }
        }
        wantedSearches = new boolean[found.length];
        for (int i = wanted.length - 1; i >= 0; i--) {
            if (wanted[i]) {
                Node node = program.nodes.get(i);
                for (int part : node.parts()) {
                    wanted[part] = true;
                }
                if (node.op() == OutageProgram.Op.REACHES) {
                    wantedSearches[program.reaches.get(node.what()).search()] = true;
                }
            }
        }
        wantedNodes = IntStream.range(0, wanted.length).filter(i -> wanted[i]).toArray();
        clear();
    }

    /** Everything works, and nothing has run down. */
    void clear() {
        Arrays.fill(works, a.all());
        for (int u = 0; u < stored.length; u++) {
            stored[u] = program.stored[u] ? a.all() : Algebra.NONE;
        }
        Arrays.fill(addressLost, Algebra.NONE);
        leasesEnd = false;
    }

    void leasesEnd() {
        leasesEnd = true;
    }

    void run() {
        ComputingBudget.step();
        power();
        for (int i = 0; i < carries.length; i++) {
            carries[i] = carrier(program.carriers.get(i));
        }
        for (int s = 0; s < found.length; s++) {
            if (wantedSearches[s]) {
                search(program.searches.get(s), 0, found[s]);
            }
        }
        for (int i : wantedNodes) {
            value[i] = value(i, value, found);
        }
    }

    /** After {@link #run}: over links good enough for one target alone. */
    private void runStrong(int target) {
        double least = program.targets[target];
        for (int s = 0; s < found.length; s++) {
            if (wantedSearches[s]) {
                search(program.searches.get(s), least, foundStrong[s]);
            }
        }
        // what hangs on no message is as it is
        System.arraycopy(value, 0, strong, 0, value.length);
        for (int i : program.strongNodes[target]) {
            strong[i] = value(i, strong, foundStrong);
        }
    }

    private void power() {
        System.arraycopy(stored, 0, powered, 0, stored.length);
        boolean changed = true;
        while (changed) {
            changed = false;
            circuits();
            for (int u : program.powerOrder) {
                long now = powered[u];
                for (Feed feed : program.sources[u]) {
                    now = a.or(now, lives(feed));
                }
                if (now != powered[u]) {
                    powered[u] = now;
                    changed = true;
                    circuits();
                }
            }
        }
        for (int u = 0; u < up.length; u++) {
            up[u] = a.and(there(u), works[program.hangsComponent[u]]);
        }
    }

    /** Whether a unit is there and has power. */
    private long there(int unit) {
        return a.and(powered[unit], works[program.unitComponent[unit]]);
    }

    private void circuits() {
        long any = live.length == 0 ? a.all() : Algebra.NONE;
        for (int c = 0; c < live.length; c++) {
            int from = program.circuitFrom[c];
            live[c] = a.and(works[program.circuitComponent[c]], from < 0 ? works[program.mains] : there(from));
            any = a.or(any, live[c]);
        }
        anyLive = a.and(any, works[program.mains]);
    }

    private long lives(Feed feed) {
        if (feed.mains()) {
            return live(feed.circuit());
        }
        long cable = Algebra.NONE;
        for (int link : feed.cables()) {
            cable = a.or(cable, works[link]);
        }
        return a.and(there(feed.from()), cable);
    }

    private long live(int circuit) {
        return circuit == OutageProgram.ANY_CIRCUIT ? anyLive : live[circuit];
    }

    private long carrier(Carrier carrier) {
        long any = Algebra.NONE;
        for (int[] way : carrier.ways()) {
            long both = a.and(live(way[0]), live(way[1]));
            if (way[2] == 1) {
                long joined = Algebra.NONE;
                for (int coupler : program.couplers) {
                    joined = a.or(joined, up[coupler]);
                }
                both = a.and(both, joined);
            }
            any = a.or(any, both);
        }
        return any;
    }

    private void search(Search search, double least, long[] reached) {
        Spread spread = search.spread();
        if (arrived.length < spread.unit.length) {
            arrived = new long[spread.unit.length][];
        }
        for (int s = 0; s < spread.unit.length; s++) {
            if (spread.ends[s]) {
                continue;
            }
            if (arrived[s] == null || arrived[s].length < spread.levels[s]) {
                arrived[s] = new long[spread.levels[s]];
            } else {
                Arrays.fill(arrived[s], Algebra.NONE);
            }
        }
        Waiting waiting = new Waiting();
        for (int step : spread.first[search.end()]) {
            step(spread, step, 0, a.all(), least, waiting);
        }
        while (!waiting.isEmpty()) {
            int next = waiting.remove();
            int state = next >> LEVEL_BITS;
            int level = next & (1 << LEVEL_BITS) - 1;
            long here = arrived[state][level];
            boolean counted = spread.levels[state] > 1;
            for (int step : spread.steps[state]) {
                boolean mesh = counted && spread.within[step];
                if (!mesh || level + 1 < spread.levels[state]) {
                    step(spread, step, mesh ? level + 1 : 0, here, least, waiting);
                }
            }
        }
        for (int unit : search.wanted()) {
            long any = Algebra.NONE;
            for (int state : spread.of[unit]) {
                any = a.or(any, spread.ends[state] ? last(search, state, least) : arrived(spread, state, false));
            }
            reached[unit] = a.and(any, up[unit]);
        }
    }

    /** Where messages came to a state, by any number of steps of its mesh, or by fewer than the most. */
    private long arrived(Spread spread, int state, boolean fewer) {
        long any = Algebra.NONE;
        for (int level = 0; level < spread.levels[state] - (fewer ? 1 : 0); level++) {
            any = a.or(any, arrived[state][level]);
        }
        return any;
    }

    /** Where messages come to a state in which they end. */
    private long last(Search search, int state, double least) {
        Spread spread = search.spread();
        long most = up[spread.unit[state]];
        long any = Algebra.NONE;
        for (int step : spread.into[state]) {
            int from = spread.from[step];
            if (spread.worth[step] >= least && (from >= 0 || spread.at[step] == search.end())) {
                boolean fewer = from >= 0 && spread.levels[from] > 1 && spread.within[step];
                long here = from < 0 ? a.all() : arrived(spread, from, fewer);
                if (here != Algebra.NONE) {
                    any = a.or(any, over(spread, step, here));
                    if (any == most) {
                        return any;
                    }
                }
            }
        }
        return any;
    }

    private void step(Spread spread, int step, int level, long from, double least, Waiting waiting) {
        if (from == Algebra.NONE || spread.worth[step] < least) {
            return;
        }
        int state = spread.to[step];
        long value = over(spread, step, from);
        // fewer steps of a mesh are as good as more
        for (int l = 0; l <= level && value != Algebra.NONE; l++) {
            value = a.beyond(value, arrived[state][l]);
        }
        if (value != Algebra.NONE) {
            arrived[state][level] = a.or(arrived[state][level], value);
            waiting.add(state, level);
        }
    }

    /** What of messages gets over a step. */
    private long over(Spread spread, int step, long from) {
        int state = spread.to[step];
        int unit = spread.unit[state];
        Medium medium = spread.medium[state];
        long value = medium == Medium.RS485 ? from : a.and(from, up[unit]);
        if (spread.needsUp[step]) {
            value = a.and(value, up[spread.at[step]]);
        }
        if (spread.link[step] >= 0) {
            value = a.and(value, works[spread.link[step]]);
        }
        if (spread.carrier[step] >= 0) {
            value = a.and(value, carries[spread.carrier[step]]);
        }
        if (leasesEnd && (medium == Medium.ETHERNET || medium.wifi())) {
            value = a.and(value, a.not(a.or(nameless(spread.at[step]), nameless(unit))));
        }
        return value;
    }

    private long nameless(int unit) {
        return program.passesWithoutAddress[unit] ? Algebra.NONE : addressLost[unit];
    }

    /** States to be looked at, each once while it waits, those that came first before others. */
    private final class Waiting {
        private int head;
        private int count;
        private final boolean[] waits = new boolean[arrived.length << LEVEL_BITS];

        boolean isEmpty() {
            return count == 0;
        }

        void add(int state, int level) {
            int next = state << LEVEL_BITS | level;
            if (waits[next]) {
                return;
            }
            waits[next] = true;
            if (count == queue.length) {
                int[] larger = new int[queue.length * 2];
                for (int i = 0; i < count; i++) {
                    larger[i] = queue[(head + i) & (queue.length - 1)];
                }
                queue = larger;
                head = 0;
            }
            queue[(head + count++) & (queue.length - 1)] = next;
        }

        int remove() {
            int first = queue[head];
            head = (head + 1) & (queue.length - 1);
            count--;
            waits[first] = false;
            return first;
        }
    }

    private long value(int node, long[] values, long[][] reached) {
        int what = program.whats[node];
        switch (program.ops[node]) {
            case NEVER:
                return Algebra.NONE;
            case ALL:
                long all = a.all();
                for (int part : program.parts[node]) {
                    all = a.and(all, values[part]);
                }
                return all;
            case ANY:
                long any = Algebra.NONE;
                for (int part : program.parts[node]) {
                    any = a.or(any, values[part]);
                }
                return any;
            case NEEDS:
                return works[what];
            case UP:
                return up[what];
            case POWERED:
                return there(what);
            case LIVE:
                return live(what);
            case REACHES:
                Reach reach = program.reaches.get(what);
                int end = program.searches.get(reach.search()).end();
                int other = end == reach.from() ? reach.to() : reach.from();
                return a.and(up[end], reached[reach.search()][other]);
            default:
                return a.not(value[program.parts[node][0]]);
        }
    }

    /**
     * After a run: where a job, and a device by its jobs, is at least this bad.
     *
     * @param bad filled by the ordinal of the state; the first, which is every outage, is not touched
     */
    void job(JobNode job, long[] bad) {
        int planned = job.ways().size();
        long works = a.all();
        long automatic = Algebra.NONE;
        long any = Algebra.NONE;
        long weakly = Algebra.NONE;
        for (int i = 0; i < planned; i++) {
            WayNode way = job.ways().get(i);
            long holds = value[way.node()];
            works = a.and(works, holds);
            any = a.or(any, holds);
            if (!way.atHand()) {
                automatic = a.or(automatic, holds);
            }
            if (weak && program.spoken[way.node()]) {
                weakly = a.or(weakly, a.and(holds, a.not(strong[way.node()])));
            }
        }
        long rests = job.rest() < 0 ? Algebra.NONE : value[job.rest()];
        long holds = a.and(planned > 0 ? works : rests, a.not(weakly));
        long reduced = a.or(holds, a.or(automatic, rests));
        long byHand = a.or(reduced, any);
        long unsafe = job.exit() ? a.not(byHand) : Algebra.NONE;
        if (job.gone() >= 0) {
            unsafe = a.or(unsafe, value[job.gone()]);
        }
        if (job.stuck() >= 0) {
            unsafe = a.or(unsafe, value[job.stuck()]);
        }
        bad[State.UNSAFE.ordinal()] = unsafe;
        bad[State.LOST.ordinal()] = a.or(unsafe, a.not(byHand));
        bad[State.BY_HAND.ordinal()] = a.or(unsafe, a.not(reduced));
        bad[State.REDUCED.ordinal()] = a.or(unsafe, a.not(holds));
    }

    /** Where a device that guards life fails, whatever its jobs. */
    long failsLife(String device) {
        Integer unit = program.vital.get(device);
        return unit == null ? Algebra.NONE : unit < 0 ? a.all() : a.not(up[unit]);
    }

    /** After a run: where every job is at least how bad, by its number in the program and the ordinal of the state. */
    void jobs(long[][] bad) {
        if (!weak) {
            for (int j = 0; j < bad.length; j++) {
                job(program.allJobs.get(j), bad[j]);
            }
            return;
        }
        for (int t = 0; t < program.targets.length; t++) {
            runStrong(t);
            for (int j = 0; j < bad.length; j++) {
                if (program.allJobs.get(j).target() == t) {
                    job(program.allJobs.get(j), bad[j]);
                }
            }
        }
    }
}
