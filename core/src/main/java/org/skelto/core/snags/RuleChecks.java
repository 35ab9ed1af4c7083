package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.RULES;

import java.util.List;
import org.skelto.core.facts.PlanPart;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.rules.RuleSentence;
import org.skelto.core.snags.Check.Code;

/** U21, U22: rules that cannot be carried out as they stand. */
final class RuleChecks {
    static final Check CHECK = Check.reading(
            "snags of rules",
            List.of(
                    Code.of("U21", RULES, "rule names what is not in the plan", FIX),
                    Code.of("U22", RULES, "rule without a trigger, an action or a unit to run in", LOOK)),
            List.of(
                    PlanPart.RULES,
                    PlanPart.SERVICES,
                    PlanPart.UNIT_NAMES,
                    PlanPart.DEVICE_NAMES,
                    PlanPart.DEVICE_ROLES),
            List.of(),
            RuleChecks::run);

    private RuleChecks() {}

    static void run(CheckContext c) {
        c.plan.rules().forEach((id, rule) -> {
            if (rule.off()) {
                return;
            }
            Edit rest = Edit.replace(Pointers.of("rules", id, "off"), true);
            RuleSentence sentence = RuleSentence.of(c.plan, id, rule);
            if (!sentence.gone().isEmpty()) {
                c.snag("U21", FIX, RULES, "The rule \"" + rule.name() + "\" names what is not in the plan")
                        .figures(CheckContext.some(4, sentence.gone()))
                        .leadsTo("It does not fire as it stands, or does half of what it says.")
                        .at(Pointers.of("rules", id))
                        .fix("Let it rest until it is mended", rest)
                        .add();
            }
            String missing = rule.when().isEmpty()
                    ? "nothing lets it fire"
                    : rule.then().isEmpty()
                            ? "it does nothing"
                            : rule.host() == null ? "no unit is chosen for it to run in" : null;
            if (missing != null) {
                c.snag("U22", LOOK, RULES, "The rule \"" + rule.name() + "\" is not finished")
                        .figures(missing)
                        .leadsTo("It is a wish, not yet a rule.")
                        .at(Pointers.of("rules", id))
                        .fix("Let it rest until it is", rest)
                        .add();
            }
        });
    }
}
