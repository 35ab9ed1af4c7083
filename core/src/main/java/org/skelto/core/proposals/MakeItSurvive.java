package org.skelto.core.proposals;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.LongSupplier;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.logicng.formulas.FormulaFactory;
import org.logicng.formulas.Literal;
import org.logicng.formulas.Variable;
import org.logicng.solvers.MaxSATSolver;
import org.logicng.solvers.maxsat.algorithms.MaxSAT;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.Outage;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.survival.Promise;
import org.skelto.core.proposals.Consequences.Weighed;
import org.skelto.core.survival.Promises;
import org.skelto.core.survival.Promises.BrokenPromise;
import org.skelto.core.work.Progress;

/**
 * Seeks the cheapest changes with which a house keeps its promises. A solver proposes the cheapest choice that agrees with all that
 * is known, the model of the house judges it, and each failure teaches that at least one of some changes is needed; the first
 * choice that is kept is the cheapest of all, and what the solver last asked is the bound until then.
 */
public final class MakeItSurvive {
    private static final int CENTS = 100;
    private static final int SETS = 3;

    /** So many milliseconds are spent on the next best choices. */
    private static final long NEXT_MS = 3_000;

    /** Of the way to the end where nobody knows how long it is. */
    private static final double SOMEWHERE = 0.4;

    private final Facts facts;
    private final Consequences consequences;
    private final Progress progress;
    private final long until;
    private final LongSupplier clock;
    private final Map<Set<String>, Set<String>> judged = new HashMap<>();
    private final List<Clause> clauses = new ArrayList<>();
    private List<SurvivalChange> changes = List.of();
    private Set<String> given = Set.of();

    private MakeItSurvive(Facts facts, Consequences consequences, Progress progress, long millis, LongSupplier clock) {
        this.facts = facts;
        this.consequences = consequences;
        this.progress = progress;
        this.clock = clock;
        this.until = clock.getAsLong() + millis;
    }

    /**
     * What came out.
     *
     * @param choices the cheapest first; none where nothing is to be done, or nothing helps
     * @param impossible what no change that is known keeps, with what breaks it
     * @param changes how many changes were thought of
     * @param judged how many choices the model judged
     * @param bound what any choice costs at least
     * @param proven whether the first choice is the cheapest
     */
    @RecordBuilder
    public record SurvivalAnswer(
            List<SurvivalChoice> choices,
            List<BrokenPromise> impossible,
            int changes,
            int judged,
            double bound,
            boolean proven)
            implements MakeItSurviveSurvivalAnswerBuilder.With {
        public SurvivalAnswer {
            choices = List.copyOf(choices);
            impossible = List.copyOf(impossible);
        }
    }

    /**
     * Changes that go together.
     *
     * @param edits all of them, and the fixes that go along
     * @param along labels of those fixes
     * @param brings what it would leave behind all the same, or null; then it is not to be applied
     * @param better names of devices that are better off in the outages that were promised against
     * @param worse names of devices that are worse off in them, or with everything working
     */
    @RecordBuilder
    public record SurvivalChoice(
            List<SurvivalChange> changes,
            double cost,
            List<Edit> edits,
            List<String> along,
            @Nullable String brings,
            List<String> better,
            List<String> worse)
            implements MakeItSurviveSurvivalChoiceBuilder.With {
        public SurvivalChoice {
            changes = List.copyOf(changes);
            edits = List.copyOf(edits);
            along = List.copyOf(along);
            better = List.copyOf(better);
            worse = List.copyOf(worse);
        }
    }

    /**
     * Seeks for so many milliseconds at most.
     *
     * @param clock milliseconds
     */
    public static SurvivalAnswer of(
            Facts facts, Consequences consequences, Progress progress, long millis, LongSupplier clock) {
        return new MakeItSurvive(facts, consequences, progress, millis, clock).answer();
    }

    private SurvivalAnswer answer() {
        Map<String, BrokenPromise> now = Promises.everything(facts.plan(), facts.outages());
        if (now.isEmpty()) {
            return new SurvivalAnswer(List.of(), List.of(), 0, 0, 0, true);
        }
        progress.at(0.02, "changes that might help");
        changes = new SurvivalChanges(facts).of(now.values());
        // what cannot even be made is not thought of again
        changes = changes.stream()
                .filter(c -> consequences.possible(c.edits()) != null)
                .toList();
        Set<SurvivalChange> more = changes.stream().filter(c -> !c.moves()).collect(Collectors.toSet());
        Map<String, BrokenPromise> impossible = new TreeMap<>(now);
        impossible.keySet().retainAll(left(more));
        for (SurvivalChange move : changes) {
            if (move.moves() && !impossible.isEmpty()) {
                progress.check();
                Set<SurvivalChange> moved = new HashSet<>(more);
                moved.add(move);
                impossible.keySet().retainAll(left(moved));
            }
        }
        given = new TreeSet<>(impossible.keySet());
        List<SurvivalChoice> choices = new ArrayList<>();
        double bound = 0;
        boolean proven = true;
        long foundAt = 0;
        boolean some = impossible.size() < now.size();
        Set<SurvivalChange> best = some && failing(more).isEmpty() ? fewer(more) : null;
        while (some && choices.size() < SETS) {
            Set<SurvivalChange> chosen = cheapest();
            if (chosen == null) {
                if (!choices.isEmpty() || changes.size() == more.size()) {
                    break;
                }
                // each could be kept by moving something, but not all of them together: nothing is moved then
                changes = List.copyOf(more);
                Set<String> kept = left(more);
                now.forEach((key, line) -> {
                    if (kept.contains(key)) {
                        impossible.put(key, line);
                    }
                });
                given = new TreeSet<>(kept);
                clauses.clear();
                best = fewer(more);
                continue;
            }
            if (choices.isEmpty()) {
                bound = cost(chosen);
            }
            if (clock.getAsLong() > (choices.isEmpty() ? until : Math.min(until, foundAt + NEXT_MS))) {
                proven = !choices.isEmpty();
                break;
            }
            progress.check();
            progress.at(
                    best == null ? SOMEWHERE : Math.min(0.95, 0.1 + 0.8 * bound / Math.max(1, cost(best))),
                    judged.size() + " choices judged, at least " + Math.round(bound));
            Set<String> failing = failing(chosen);
            if (failing.isEmpty()) {
                choices.add(choice(chosen));
                foundAt = choices.size() == 1 ? clock.getAsLong() : foundAt;
                // another choice is not this one with more besides
                clauses.add(new Clause(Set.of(), chosen));
            } else {
                learnAll(chosen, failing);
            }
        }
        if (choices.isEmpty() && some) {
            proven = false;
            if (best != null) {
                choices.add(choice(best));
            }
        }
        choices.sort(Comparator.comparing((SurvivalChoice c) -> c.brings() != null));
        return new SurvivalAnswer(
                choices, List.copyOf(impossible.values()), changes.size(), judged.size(), bound, proven);
    }

    private static double cost(Collection<SurvivalChange> chosen) {
        return chosen.stream().mapToDouble(SurvivalChange::cost).sum();
    }

    private static List<Edit> edits(Collection<SurvivalChange> chosen) {
        // of two changes of the same thing the later would undo the earlier
        Map<String, Edit> byPath = new LinkedHashMap<>();
        chosen.stream()
                .sorted(Comparator.comparing(SurvivalChange::id))
                .flatMap(c -> c.edits().stream())
                .forEach(e -> byPath.merge(e.path(), e, MakeItSurvive::both));
        return List.copyOf(byPath.values());
    }

    private static Edit both(Edit one, Edit other) {
        if (one.value() instanceof Set<?> some && other.value() instanceof Set<?> more) {
            Set<Object> all = new TreeSet<>(some);
            all.addAll(more);
            return Edit.replace(one.path(), all);
        }
        return other;
    }

    /** Which of what is broken now is broken still. */
    private Set<String> left(Set<SurvivalChange> chosen) {
        Set<String> ids = chosen.stream().map(SurvivalChange::id).collect(Collectors.toSet());
        return new TreeSet<>(judged.computeIfAbsent(ids, k -> {
            Facts possible = consequences.possible(edits(chosen));
            Facts then = possible == null ? facts : possible;
            return Promises.broken(then.plan(), then.outages());
        }));
    }

    /** Which of what is wanted does not survive under a choice, nor of what survived before. */
    private Set<String> failing(Set<SurvivalChange> chosen) {
        Set<String> failing = left(chosen);
        failing.removeAll(given);
        return failing;
    }

    /** The same without what is not needed, the dearest first. */
    private Set<SurvivalChange> fewer(Set<SurvivalChange> chosen) {
        Set<SurvivalChange> kept = new HashSet<>(chosen);
        List<SurvivalChange> order = kept.stream()
                .sorted(Comparator.comparingDouble(SurvivalChange::cost)
                        .reversed()
                        .thenComparing(SurvivalChange::id))
                .toList();
        for (SurvivalChange change : order) {
            progress.check();
            if (clock.getAsLong() > until) {
                return kept;
            }
            kept.remove(change);
            if (!failing(kept).isEmpty()) {
                kept.add(change);
            }
        }
        return kept;
    }

    /** One thing after the other: when all is there that the first would need, what fails then needs something else. */
    private void learnAll(Set<SurvivalChange> chosen, Set<String> failing) {
        Set<SurvivalChange> with = new HashSet<>(chosen);
        Set<String> still = failing;
        while (!still.isEmpty() && clock.getAsLong() <= until) {
            Set<SurvivalChange> needed = learn(with, still.iterator().next());
            if (!with.addAll(needed.stream().filter(c -> !c.moves()).toList())) {
                return;
            }
            still = failing(with);
        }
    }

    /**
     * What fails under a choice fails under as many more additions as can be: at least one of the others is needed, or something is
     * moved otherwise, which may break as well as mend.
     */
    private Set<SurvivalChange> learn(Set<SurvivalChange> chosen, String failing) {
        Set<SurvivalChange> grown = new HashSet<>(chosen);
        List<SurvivalChange> others =
                changes.stream().filter(c -> !chosen.contains(c) && !c.moves()).toList();
        grow(grown, others, failing);
        Set<SurvivalChange> needed = new HashSet<>(changes);
        needed.removeAll(grown);
        Set<SurvivalChange> stay = chosen.stream().filter(SurvivalChange::moves).collect(Collectors.toSet());
        clauses.add(new Clause(needed, stay));
        return needed;
    }

    /** At least one of some is chosen, or one of others is not. */
    private record Clause(Set<SurvivalChange> needed, Set<SurvivalChange> not) {}

    private void grow(Set<SurvivalChange> grown, List<SurvivalChange> others, String failing) {
        if (others.isEmpty()) {
            return;
        }
        progress.check();
        Set<SurvivalChange> more = new HashSet<>(grown);
        more.addAll(others);
        if (left(more).contains(failing)) {
            grown.addAll(others);
        } else if (others.size() > 1) {
            grow(grown, others.subList(0, others.size() / 2), failing);
            grow(grown, others.subList(others.size() / 2, others.size()), failing);
        }
    }

    /** The cheapest choice that agrees with all that was learnt; null where there is none. */
    private @Nullable Set<SurvivalChange> cheapest() {
        FormulaFactory f = new FormulaFactory();
        MaxSATSolver solver = MaxSATSolver.oll(f);
        Map<SurvivalChange, Variable> variables = new HashMap<>();
        for (int i = 0; i < changes.size(); i++) {
            variables.put(changes.get(i), f.variable("c" + i));
        }
        for (Clause clause : clauses) {
            List<Literal> any = new ArrayList<>();
            clause.needed.forEach(c -> any.add(variables.get(c)));
            clause.not.forEach(
                    c -> any.add(Objects.requireNonNull(variables.get(c)).negate()));
            solver.addHardFormula(f.or(any));
        }
        for (int i = 0; i < changes.size(); i++) {
            for (int j = i + 1; j < changes.size(); j++) {
                if (changes.get(i).excludes(changes.get(j))) {
                    solver.addHardFormula(f.or(
                            Objects.requireNonNull(variables.get(changes.get(i)))
                                    .negate(),
                            Objects.requireNonNull(variables.get(changes.get(j)))
                                    .negate()));
                }
            }
        }
        for (SurvivalChange change : changes) {
            // what costs nothing is not done for nothing either
            solver.addSoftFormula(
                    Objects.requireNonNull(variables.get(change)).negate(),
                    1 + (int) Math.round(change.cost() * CENTS));
        }
        if (solver.solve() != MaxSAT.MaxSATResult.OPTIMUM) {
            return null;
        }
        Set<Variable> on = new HashSet<>(solver.model().positiveVariables());
        return changes.stream().filter(c -> on.contains(variables.get(c))).collect(Collectors.toSet());
    }

    private SurvivalChoice choice(Set<SurvivalChange> chosen) {
        List<SurvivalChange> sorted = chosen.stream()
                .sorted(Comparator.comparingDouble(SurvivalChange::cost)
                        .reversed()
                        .thenComparing(SurvivalChange::label))
                .toList();
        Weighed weighed = consequences.weighed(edits(chosen));
        Facts then = facts.after(consequences.after(weighed.edits()));
        List<String> better = new ArrayList<>();
        List<String> worse = new ArrayList<>();
        compare(then, better, worse);
        return MakeItSurviveSurvivalChoiceBuilder.builder()
                .changes(sorted)
                .cost(cost(chosen))
                .edits(weighed.edits())
                .along(weighed.along())
                .brings(weighed.told())
                .better(better)
                .worse(worse)
                .build();
    }

    private void compare(Facts then, List<String> better, List<String> worse) {
        Set<Outage> outages = new HashSet<>(Set.of(Outage.of(Set.of())));
        for (Promise promise : facts.plan().promises().values()) {
            outages.addAll(Promises.outages(facts.outages(), promise));
        }
        Set<String> up = new TreeSet<>();
        Set<String> down = new TreeSet<>();
        for (Outage outage : outages) {
            Map<String, DeviceState> before = facts.outages().at(outage);
            then.outages().at(outage).forEach((id, state) -> {
                DeviceState was = before.get(id);
                if (was != null && was.state() != state.state()) {
                    String name = Objects.requireNonNull(then.plan().devices().get(id))
                            .name();
                    (state.state().compareTo(was.state()) < 0 ? up : down).add(name);
                }
            });
        }
        better.addAll(up);
        worse.addAll(down);
    }
}
