package org.skelto.core.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Rule;

/**
 * What an action of a rule makes of a device.
 *
 * @param action its index in the rule
 * @param percent how far, or null for a plain on or off
 * @param afterS seconds after the rule fired
 * @param holdS seconds after which it goes back by itself, or null when it stays
 */
@RecordBuilder
record RuleEffect(
        String rule,
        int action,
        String device,
        Reading reading,
        @Nullable Double percent,
        int afterS,
        @Nullable Integer holdS)
        implements RuleEffectBuilder.With {

    private static final int DAY_S = 86_400;

    /** Those of a rule, in order. */
    static List<RuleEffect> of(Plan plan, String id, Rule rule) {
        List<RuleEffect> all = new ArrayList<>();
        int after = 0;
        for (int i = 0; i < rule.then().size(); i++) {
            Action a = rule.then().get(i);
            if (a.kind() == Action.Kind.WAIT) {
                after += a.forS() == null ? 0 : a.forS();
            }
            boolean level = a.kind() == Action.Kind.LEVEL;
            double percent = a.percent() == null ? 0 : a.percent();
            Reading reading = level
                    ? percent > 0 ? Reading.ACTIVE : Reading.IDLE
                    : a.kind() == Action.Kind.SET ? a.reading() : null;
            if (reading == null) {
                continue;
            }
            for (String device : RuleTargets.of(plan, a)) {
                all.add(RuleEffectBuilder.builder()
                        .rule(id)
                        .action(i)
                        .device(device)
                        .reading(reading)
                        .percent(level ? percent : null)
                        .afterS(after)
                        .holdS(hold(a))
                        .build());
            }
        }
        return all;
    }

    /** Seconds for which an action holds at most: one until a time of day holds for less than a day. */
    private static @Nullable Integer hold(Action a) {
        if (a.until() != null) {
            return DAY_S;
        }
        return a.forS() == null || a.forS() == 0 ? null : a.forS();
    }

    /** Whether two things cannot both be so. */
    boolean against(RuleEffect other) {
        return reading != other.reading || percent != null && other.percent != null && !percent.equals(other.percent);
    }
}
