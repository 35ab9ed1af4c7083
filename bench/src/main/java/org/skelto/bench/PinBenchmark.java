package org.skelto.bench;

import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.wiring.PinAssigner;
import org.skelto.core.wiring.Wired;

/** Channels of 500 devices on 60 controllers; the plain version solves the same costs with the graph library's matching. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class PinBenchmark {
    private final Plan lodge = ThornfellLodge.plan();
    private final Catalogue parts = Catalogue.builtIn();

    /** The edits that connect every device. */
    @Benchmark
    public List<Edit> assignAll() {
        return PinAssigner.edits(lodge, parts, null);
    }

    /** What is connected where and why, which every edit of the plan asks for. */
    @Benchmark
    public Map<String, Wired> lookAtAll() {
        return PinAssigner.of(lodge, parts);
    }

    /** The matchings alone, by the library. */
    @Benchmark
    public double matchingsPlain() {
        return PlainMatching.all(PinAssigner.costs(lodge, parts));
    }
}
