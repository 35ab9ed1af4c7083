package org.skelto.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
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
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;
import org.skelto.core.ground.ElevationGrid;
import org.skelto.core.ground.LossMap;
import org.skelto.core.ground.PlainLoss;
import org.skelto.core.sample.Hills;
import org.skelto.core.work.Progress;

/**
 * The loss from one antenna to every node of a grid of 1201 × 1201 heights: all at once, and the plain way for each node,
 * with the same two threads. When it ends it says how far apart the two are.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 2, time = 5)
@Measurement(iterations = 3, time = 5)
public class LossMapBenchmark {
    private static final int SIDE = 1201;
    private static final int THREADS = 2;

    private final ElevationGrid grid = Hills.grid(SIDE, 30, 220, 0.5, 42);
    private final LossMap.Ask ask = new LossMap.Ask(grid.x(577.3), grid.y(640.8), 8, 2, 868.3, 4.0 / 3);
    private ExecutorService executor;
    private float[] fast;
    private float[] plain;

    @Setup
    public void start() {
        executor = Executors.newFixedThreadPool(THREADS);
    }

    @Benchmark
    public float[] atOnce() {
        fast = LossMap.lossDb(grid, ask, Progress.NONE, THREADS);
        return fast;
    }

    @Benchmark
    public float[] nodeByNode() throws Exception {
        float[] all = new float[SIDE * SIDE];
        List<Future<?>> parts = new ArrayList<>();
        for (int first = 0; first < SIDE; first += 20) {
            int from = first;
            parts.add(executor.submit(() -> rows(all, from, Math.min(SIDE, from + 20))));
        }
        for (Future<?> part : parts) {
            part.get();
        }
        plain = all;
        return all;
    }

    private void rows(float[] all, int from, int to) {
        PlainLoss one = new PlainLoss(grid, ask);
        for (int row = from; row < to; row++) {
            for (int column = 0; column < SIDE; column++) {
                all[row * SIDE + column] = (float) one.lossDb(column, row);
            }
        }
    }

    /** Each way runs in a process of its own, so the one that did not run is worked out here once. */
    @TearDown
    public void compare() throws Exception {
        float[] a = fast == null ? atOnce() : fast;
        float[] b = plain == null ? nodeByNode() : plain;
        executor.shutdownNow();
        int tenth = 0;
        int half = 0;
        double most = 0;
        for (int i = 0; i < a.length; i++) {
            double off = Math.abs(a[i] - b[i]);
            tenth += off <= 0.1 ? 1 : 0;
            half += off <= 0.5 ? 1 : 0;
            most = Math.max(most, off);
        }
        System.out.printf(
                "%nwithin 0.1 dB: %.3f %%, within 0.5 dB: %.3f %%, farthest apart: %.2f dB%n",
                100.0 * tenth / a.length, 100.0 * half / a.length, most);
    }
}
