package org.skelto.bench;

import jakarta.json.JsonArray;
import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import jakarta.json.spi.JsonProvider;
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
import org.skelto.server.plans.Differences;

/** The patch between two documents in which long lists were replaced: ours beside the library's, which compares each with each. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 1)
@Measurement(iterations = 3)
public class DifferencesBenchmark {
    /** A plan may have four times as many of each. */
    private static final int PROFILES = 5;

    private static final int POINTS = 1000;
    private static final JsonProvider JSON = JsonProvider.provider();

    private JsonObject before;
    private JsonObject after;

    @Setup
    public void build() {
        before = document(1);
        after = document(2);
        if (!JSON.createPatch(ours()).apply(before).equals(after)
                || !JSON.createPatch(plain()).apply(before).equals(after)) {
            throw new IllegalStateException("both must make one of the other");
        }
    }

    private static JsonObject document(int seed) {
        JsonObjectBuilder paths = JSON.createObjectBuilder();
        for (int p = 0; p < PROFILES; p++) {
            JsonArrayBuilder profile = JSON.createArrayBuilder();
            for (int i = 0; i < POINTS; i++) {
                profile.add(JSON.createObjectBuilder()
                        .add("distanceM", i * seed)
                        .add("elevationM", (i * 31 + p * 7 + seed * 13) % 97));
            }
            paths.add("p" + p, JSON.createObjectBuilder().add("profile", profile));
        }
        return JSON.createObjectBuilder().add("paths", paths).build();
    }

    @Benchmark
    public JsonArray ours() {
        return Differences.between(JSON, before, after);
    }

    @Benchmark
    public JsonArray plain() {
        return JSON.createDiff(before, after).toJsonArray();
    }
}
