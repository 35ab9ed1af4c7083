package org.skelto.core.snags;

import java.util.Collection;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import org.skelto.core.facts.FactKind;
import org.skelto.core.facts.PlanPart;

/** Something that is looked for in a plan: what it is called, which codes it may give, what it reads, and how it looks. */
public final class Check {
    private final String name;
    private final List<Code> codes;
    private final FactKind<List<Snag>> found;

    private Check(
            String name,
            List<Code> codes,
            Collection<PlanPart> reads,
            List<FactKind<?>> from,
            Consumer<CheckContext> run) {
        this.name = name;
        this.codes = codes;
        Set<PlanPart> all = EnumSet.noneOf(PlanPart.class);
        all.addAll(reads);
        all.add(PlanPart.ACCEPTED);
        this.found = FactKind.of(name, all, from, facts -> {
            CheckContext context = new CheckContext(facts);
            run.accept(context);
            return List.copyOf(context.found());
        });
    }

    /**
     * A check that may look at all of the plan.
     *
     * @param name as the screen calls it when it could not run, such as "snags of loads"
     * @param from facts that it asks for
     */
    static Check of(String name, List<Code> codes, List<FactKind<?>> from, Consumer<CheckContext> run) {
        return new Check(name, codes, PlanPart.ALL, from, run);
    }

    /** A check that looks at some parts of the plan, and is not run again while they and the facts it asks for stay. */
    static Check reading(
            String name,
            List<Code> codes,
            Collection<PlanPart> reads,
            List<FactKind<?>> from,
            Consumer<CheckContext> run) {
        return new Check(name, codes, reads, from, run);
    }

    public String name() {
        return name;
    }

    public List<Code> codes() {
        return codes;
    }

    /** What it found, as a fact. */
    public FactKind<List<Snag>> found() {
        return found;
    }

    /**
     * A code that a check gives.
     *
     * @param stages where it is shown
     * @param severities how bad it can be
     * @param finds what it means, for docs/checks.md
     */
    public record Code(String code, Set<Stage> stages, Set<Severity> severities, String finds) {
        static Code of(String code, Stage stage, String finds, Severity... severities) {
            return new Code(code, Set.of(stage), Set.of(severities), finds);
        }

        /** A code of radio links, which are shown at long range when they are. */
        static Code ofLinks(String code, String finds, Severity... severities) {
            return new Code(code, Set.of(Stage.LINKS, Stage.LONG_RANGE), Set.of(severities), finds);
        }
    }
}
