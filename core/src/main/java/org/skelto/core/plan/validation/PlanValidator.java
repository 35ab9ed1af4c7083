package org.skelto.core.plan.validation;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;

/**
 * Says whether a document is a well-formed plan. First everything that its records declare: what must be there, bounds,
 * sizes, forms, ids that exist. Only when all of that holds, the rules that tie several values together, which may then rely
 * on it. What a real house can be in, such as overlapping rooms or duplicate addresses, is not its business.
 *
 * @see <a href="https://www.rfc-editor.org/rfc/rfc6901">RFC 6901 for the pointers</a>
 */
public final class PlanValidator {
    private PlanValidator() {}

    /** The problems of a plan, none when it is well-formed. */
    public static List<Problem> problems(Plan plan) {
        return problems(plan, null);
    }

    /**
     * The problems of a plan that was made of another one.
     *
     * @param before well-formed; what is the very same in both is not looked at again; or null
     */
    public static List<Problem> problems(Plan plan, @Nullable Plan before) {
        ValidationErrors found = new ValidationErrors();
        new DeclaredBounds(plan, before, found).all();
        if (found.none()) {
            new SiteRules(plan, found).all();
            new EquipmentRules(plan, found).all();
            new PowerRules(plan, found).all();
            new RadioRules(plan, found).all();
            new StateRules(plan, found).all();
        }
        return found.problems();
    }
}
