package org.skelto.core.rules;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.skelto.core.house.RuleReach;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;

/** What each rule that can fire needs so as to work its devices, for the model of the house. */
public final class RuleReaches {
    private RuleReaches() {}

    /** Those of a plan, of rules that work a device and have a place to run. */
    public static List<RuleReach> of(Plan plan) {
        List<RuleReach> all = new ArrayList<>();
        for (Rule rule : LiveRules.of(plan).rules().values()) {
            String host = rule.host();
            List<String> worked = RuleHost.done(plan, rule);
            boolean there = host != null
                    && (plan.units().containsKey(host) || plan.services().containsKey(host));
            if (there && !worked.isEmpty()) {
                List<String> triggers = rule.when().stream()
                        .map(Trigger::device)
                        .filter(Objects::nonNull)
                        .distinct()
                        .toList();
                boolean byItself = rule.when().isEmpty() || rule.when().stream().anyMatch(t -> t.device() == null);
                List<String> asked = Stream.concat(rule.onlyIf().stream(), rule.unless().stream())
                        .map(Term::device)
                        .filter(Objects::nonNull)
                        .distinct()
                        .toList();
                all.add(new RuleReach(host, byItself, triggers, asked, Set.copyOf(worked)));
            }
        }
        return List.copyOf(all);
    }
}
