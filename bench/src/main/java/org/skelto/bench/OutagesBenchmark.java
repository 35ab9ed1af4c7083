package org.skelto.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.Component;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.LostHours;
import org.skelto.core.house.ManyOutages;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.survival.OutageMatrix;
import org.skelto.core.work.Progress;

/** Many outages of a house of 500 devices at once, beside each worked out by itself. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 3)
@Measurement(iterations = 3, time = 3)
@Fork(1)
public class OutagesBenchmark {
    private Outages outages;
    private Facts facts;
    private List<Outage> singles;
    private List<String> shared;

    @Setup
    public void house() {
        facts = new Facts(NameAssigner.assign(ThornfellLodge.plan()));
        outages = facts.outages();
        shared =
                outages.shared().keySet().stream().map(Component::id).limit(120).toList();
        singles = shared.stream().map(id -> Outage.of(Set.of(id))).toList();
        outages.many();
    }

    /** Each of 120 components alone, all devices, weak links told apart. */
    @Benchmark
    public ManyOutages.Matrix singles() {
        return outages.many().matrix(singles);
    }

    @Benchmark
    public List<Map<String, DeviceState>> singlesPlain() {
        List<Map<String, DeviceState>> all = new ArrayList<>();
        singles.forEach(o -> all.add(outages.at(o)));
        return all;
    }

    /** All pairs of the components that devices share. */
    @Benchmark
    public List<Set<String>> pairs() {
        return outages.many().worsePairs(24);
    }

    /** The least sets of three of one job. */
    @Benchmark
    public Object triplesOfAJob() {
        String device = facts.plan().devices().keySet().iterator().next();
        return outages.many().least(device, outages.jobs(device).get(0).job(), 3);
    }

    /** The whole matrix as it is shown. */
    @Benchmark
    public OutageMatrix matrix() {
        return OutageMatrix.of(facts.plan(), outages, OutageMatrix.Grouping.ROOM, null);
    }

    /** Hours a year of all jobs, exactly. */
    @Benchmark
    public List<LostHours.LostJob> hours() {
        return LostHours.of(outages, Progress.NONE);
    }

    /** One toggle of the strip. */
    @Benchmark
    public Map<String, DeviceState> toggle() {
        return outages.without(Set.of(shared.get(shared.size() / 2)));
    }
}
