package org.skelto.core.rules;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.logicng.formulas.Literal;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Mode;
import org.skelto.core.plan.rules.QuietHours;
import org.skelto.core.plan.rules.Rule;

/**
 * Asks the solver about few rules at a time, and keeps what it answered: after an edit only that is asked anew in which
 * something changed.
 */
final class RuleSolver {
    /** How a question that is about quiet hours begins; which of them follow. */
    static final String QUIET = "in quiet hours";

    /** So many answers are kept for the next plan. */
    private static final int KEPT = 20_000;

    /** So many solvers are held at a time. */
    private static final int GROUPS = 256;

    private final Plan plan;
    private final LiveRules live;
    private final Sky sky;
    private final Memory memory;
    private final Set<String> called = new HashSet<>();
    /** The formulas that were asked last; each holds a solver of its own. */
    private final Map<List<Object>, RuleFormulas> groups = new LinkedHashMap<>(GROUPS, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<List<Object>, RuleFormulas> eldest) {
            return size() > GROUPS;
        }
    };

    private final Map<String, Set<String>> mentions = new HashMap<>();

    /** What was answered, by all that it hangs on. May be shared: answers never change. */
    static final class Memory {
        private final Map<Question, Optional<RuleTruth>> before;
        private final Map<Question, Optional<RuleTruth>> now = new ConcurrentHashMap<>();

        /** Nothing answered yet, or what was answered about an earlier plan. */
        Memory(@Nullable Memory before) {
            this.before = before == null ? Map.of() : before.now;
        }
    }

    /**
     * A question, with all that its answer hangs on.
     *
     * @param rules the rules by their ids
     * @param called those of them that other rules set off
     * @param bounds what is known of what only rules change
     */
    private record Question(
            Asked asked, SortedMap<String, Rule> rules, Set<String> called, List<Bound> bounds, House house) {}

    /** What is asked, in words, and how long the first rule holds where that is asked. */
    private record Asked(String what, int fromS, int toS) {}

    /** A statement that is known to hold, or not to hold. */
    record Bound(String name, boolean holds) {}

    private record House(SortedMap<String, Mode> modes, Collection<QuietHours> quiet, Sky sky) {}

    private final House house;

    RuleSolver(Plan plan, LiveRules live, Sky sky, Memory memory) {
        this.plan = plan;
        this.live = live;
        this.sky = sky;
        this.memory = memory;
        this.house = new House(
                new TreeMap<>(plan.state().modes()),
                List.copyOf(plan.state().quiet().values()),
                sky);
        live.rules()
                .values()
                .forEach(r -> r.then().stream()
                        .filter(a -> a.kind() == Action.Kind.RULE && a.rule() != null)
                        .forEach(a -> called.add(a.rule())));
    }

    /**
     * A moment at which something holds.
     *
     * @param what names the question among those about the same rules
     * @param ids of the rules that it is about
     * @param bounds what is known of what only rules change
     * @param literals what is to hold, of the formulas of these rules
     */
    @Nullable
    RuleTruth ask(
            String what, Collection<String> ids, List<Bound> bounds, Function<RuleFormulas, List<Literal>> literals) {
        return ask(new Asked(what, 0, 0), "", ids, bounds, literals);
    }

    /** The same, at a moment that lies so many seconds after one at which a rule may have been set off. */
    @Nullable
    RuleTruth askHeld(
            String held,
            int fromS,
            int toS,
            Collection<String> ids,
            List<Bound> bounds,
            Function<RuleFormulas, List<Literal>> literals) {
        return ask(new Asked("held " + held, fromS, toS), held, ids, bounds, literals);
    }

    private @Nullable RuleTruth ask(
            Asked asked,
            String held,
            Collection<String> ids,
            List<Bound> bounds,
            Function<RuleFormulas, List<Literal>> literals) {
        SortedMap<String, Rule> rules = new TreeMap<>();
        ids.forEach(id -> rules.put(id, live.rules().get(id)));
        Set<String> from = new TreeSet<>(rules.keySet());
        from.retainAll(called);
        Set<String> spoken = new HashSet<>();
        rules.forEach((id, rule) -> spoken.addAll(mentions.computeIfAbsent(id, k -> mentions(rule))));
        List<Bound> known =
                bounds.stream().filter(b -> spoken.contains(thing(b))).toList();
        Question question = new Question(asked, rules, from, known, house);
        Optional<RuleTruth> answer = memory.before.get(question);
        if (answer == null) {
            answer = memory.now.get(question);
        }
        if (answer == null) {
            RuleFormulas formulas = formulas(asked, held, rules, from);
            List<Literal> all = new ArrayList<>();
            known.forEach(b -> all.add(formulas.factory().literal(b.name(), b.holds())));
            all.addAll(literals.apply(formulas));
            answer = Optional.ofNullable(formulas.holds(all));
        }
        if (memory.now.size() < KEPT) {
            memory.now.put(question, answer);
        }
        return answer.orElse(null);
    }

    /** What a bound is about: a device, a mode, a rule. */
    private static String thing(Bound bound) {
        return bound.name().startsWith("m:")
                ? bound.name().substring(0, bound.name().lastIndexOf(':'))
                : bound.name();
    }

    private static Set<String> mentions(Rule rule) {
        Set<String> all = new HashSet<>();
        rule.when().forEach(t -> {
            all.add("d:" + t.device());
            all.add("m:" + t.mode());
        });
        Stream.concat(rule.onlyIf().stream(), rule.unless().stream()).forEach(t -> {
            all.add("d:" + t.device());
            all.add("m:" + t.mode());
            all.add("h:" + t.rule());
        });
        return all;
    }

    private RuleFormulas formulas(Asked asked, String held, SortedMap<String, Rule> rules, Set<String> from) {
        boolean quiet = asked.what().startsWith(QUIET);
        return groups.computeIfAbsent(List.of(List.copyOf(rules.keySet()), held.isEmpty() ? quiet : asked), k -> {
            RuleFormulas formulas = new RuleFormulas(plan, rules, from, new RuleTimes(sky));
            if (quiet) {
                plan.state().quiet().values().forEach(formulas::window);
            }
            if (!held.isEmpty()) {
                formulas.withHeld(held, asked.fromS(), asked.toS());
            }
            formulas.seal();
            return formulas;
        });
    }
}
