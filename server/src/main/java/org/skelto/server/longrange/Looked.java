package org.skelto.server.longrange;

import java.util.List;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.validation.Problem;
import org.skelto.server.problems.Refusal;
import org.springframework.http.HttpStatus;

/** Looks up what a request names, and refuses it when the plan has no such thing. */
final class Looked {
    private Looked() {}

    static void path(Plan plan, String path) {
        if (!plan.paths().containsKey(path)) {
            throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such path in the plan.");
        }
    }

    static Unit unit(Plan plan, String unit, String at) {
        Unit u = plan.units().get(unit);
        if (u == null) {
            if (at.isEmpty()) {
                throw Refusal.of(HttpStatus.NOT_FOUND, "There is no such unit in the plan.");
            }
            throw Refusal.invalid("Which unit?", List.of(new Problem(at, "names no unit of the plan")));
        }
        return u;
    }
}
