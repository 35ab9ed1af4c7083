package org.skelto.core.house;

import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.skelto.core.facts.Facts;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.sample.ThornfellLodge;

/** The least sets of failures of all jobs of a house of 500 devices, over all that devices share. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 3)
@Measurement(iterations = 3, time = 3)
@Fork(1)
public class TriplesBenchmark {
    /** How many fail at once. */
    @Param({"1", "2", "3"})
    public int order;

    private ManyOutages many;
    private List<String> shared;

    @Setup
    public void house() {
        Outages outages = new Facts(NameAssigner.assign(ThornfellLodge.plan())).outages();
        many = outages.many();
        shared =
                outages.shared().keySet().stream().map(Component::id).limit(120).toList();
    }

    @Benchmark
    public List<LeastSets> ofAllJobs() {
        return many.leastSets(many.program().allJobs, shared, order);
    }
}
