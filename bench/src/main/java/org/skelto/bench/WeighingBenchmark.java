package org.skelto.bench;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
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
import org.skelto.core.links.LinkChooser;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.proposals.Consequences;
import org.skelto.core.proposals.Proposals;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.snags.Checks;
import org.skelto.core.snags.Severity;
import org.skelto.core.snags.Snag;
import org.skelto.server.plans.Documents;
import tools.jackson.databind.json.JsonMapper;

/** The link choices of one board, each weighed against the snags; beside the same with every plan judged from nothing. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 5, time = 2)
public class WeighingBenchmark {
    /** Which house. */
    @Param({"mill", "lodge"})
    public String house;

    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private final Documents documents = new Documents(MAPPER, 20_000_000);
    private final SlabTables tables = new SlabTables();
    private Facts facts;
    private String board;

    @Setup
    public void load() {
        Plan plan = house.equals("lodge") ? ThornfellLodge.plan() : mill();
        facts = new Facts(NameAssigner.assign(plan), tables);
        Checks.snags(facts);
        board = facts.plan().units().keySet().stream()
                .filter(u -> u.contains("board"))
                .findFirst()
                .orElseThrow();
    }

    private static Plan mill() {
        try (InputStream in = WeighingBenchmark.class.getResourceAsStream("/demo/marrowby-leat.skelto.json")) {
            return MAPPER.readValue(in, Plan.class);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** As the server does: only what edits touch is read anew. */
    private Plan applied(Plan plan, List<Edit> edits) {
        return NameAssigner.assign(documents.patched(plan, documents.patch(edits)));
    }

    /** As the page asks for them. */
    @Benchmark
    public List<LinkChooser.Option> weighed() {
        return new Proposals(facts, new Consequences(facts, this::applied)).links(board);
    }

    /** The same options, each judged in a plan of which nothing is known yet. */
    @Benchmark
    public long weighedPlain() {
        Set<String> before = pressing(new Facts(facts.plan(), tables));
        return new LinkChooser(facts.site(), tables)
                .options(board).stream()
                        .filter(o -> o.ruledOut() == null)
                        .filter(o -> before.containsAll(pressing(new Facts(applied(facts.plan(), o.edits()), tables))))
                        .count();
    }

    private static Set<String> pressing(Facts facts) {
        return Checks.snags(facts).stream()
                .filter(s -> s.severity() != Severity.LOOK)
                .map(Snag::key)
                .collect(Collectors.toSet());
    }
}
