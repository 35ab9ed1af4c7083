package org.skelto.core.rules;

import java.util.ArrayList;
import java.util.Collections;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;

/** The rules of a plan that can fire: those that do not rest and name nothing that is gone; looked up by what they wait for. */
public final class LiveRules {
    private final SortedMap<String, Rule> rules;
    private final Map<String, List<Interpreter.Ref>> about = new HashMap<>();
    private final Map<Trigger.Kind, List<Interpreter.Ref>> byKind = new EnumMap<>(Trigger.Kind.class);
    private final List<Interpreter.Ref> timed = new ArrayList<>();

    private LiveRules(SortedMap<String, Rule> rules) {
        this.rules = Collections.unmodifiableSortedMap(rules);
        rules.forEach((id, rule) -> {
            for (int i = 0; i < rule.when().size(); i++) {
                Trigger t = rule.when().get(i);
                Interpreter.Ref ref = new Interpreter.Ref(id, i);
                if (t.device() != null) {
                    about.computeIfAbsent(t.device(), d -> new ArrayList<>()).add(ref);
                }
                byKind.computeIfAbsent(t.kind(), k -> new ArrayList<>()).add(ref);
                if (t.kind() == Trigger.Kind.CLOCK || t.kind() == Trigger.Kind.SUN) {
                    timed.add(ref);
                }
            }
        });
    }

    /** Those of a plan. */
    public static LiveRules of(Plan plan) {
        SortedMap<String, Rule> live = new TreeMap<>();
        Set<String> called = new HashSet<>();
        plan.rules().values().stream()
                .filter(r -> !r.off())
                .forEach(r -> r.then().stream()
                        .filter(a -> a.kind() == Action.Kind.RULE && a.rule() != null)
                        .forEach(a -> called.add(a.rule())));
        plan.rules().forEach((id, rule) -> {
            if (!rule.off() && (!rule.when().isEmpty() || called.contains(id)) && whole(plan, rule)) {
                live.put(id, rule);
            }
        });
        return new LiveRules(live);
    }

    /** Whether all that a rule names is there, and nothing of it is still to be chosen. */
    private static boolean whole(Plan plan, Rule rule) {
        return rule.when().stream().allMatch(t -> whole(plan, t))
                && Stream.concat(rule.onlyIf().stream(), rule.unless().stream()).allMatch(t -> whole(plan, t))
                && rule.then().stream().allMatch(a -> switch (a.kind()) {
                    case SET, LEVEL, PULSE -> a.all() != null || there(plan.devices(), a.device());
                    case TELL -> true;
                    case MODE -> there(plan.state().modes(), a.mode());
                    case RULE -> there(plan.rules(), a.rule());
                    case WAIT -> true;
                });
    }

    private static boolean whole(Plan plan, Trigger t) {
        return switch (t.kind()) {
            case BECOMES, VALUE, PRESSED, CODE, SILENT -> there(plan.devices(), t.device());
            case MODE -> there(plan.state().modes(), t.mode());
            case CLOCK, SUN, POWER_RETURNS, ARRIVES, LEAVES -> true;
        };
    }

    private static boolean whole(Plan plan, Term t) {
        return switch (t.kind()) {
            case IS, VALUE -> there(plan.devices(), t.device());
            case MODE -> there(plan.state().modes(), t.mode());
            case HOLDS -> there(plan.rules(), t.rule());
            case BETWEEN, DARK, HOME -> true;
        };
    }

    private static boolean there(Map<String, ?> map, @Nullable String id) {
        return id != null && map.containsKey(id);
    }

    /** They, by id. */
    public SortedMap<String, Rule> rules() {
        return rules;
    }

    /** Triggers about a device. */
    List<Interpreter.Ref> about(String device) {
        return about.getOrDefault(device, List.of());
    }

    /** Triggers of a kind. */
    List<Interpreter.Ref> of(Trigger.Kind kind) {
        return byKind.getOrDefault(kind, List.of());
    }

    /** Triggers of the clock and the sun. */
    List<Interpreter.Ref> timed() {
        return timed;
    }

    /** A trigger. */
    Trigger trigger(Interpreter.Ref ref) {
        return Objects.requireNonNull(rules.get(ref.rule())).when().get(ref.trigger());
    }
}
