package org.skelto.core.plan.validation;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.HashSet;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;

/** The time zone is one, and the values of a mode are told apart. */
final class StateRules {
    private final Plan plan;
    private final ValidationErrors found;

    StateRules(Plan plan, ValidationErrors found) {
        this.plan = plan;
        this.found = found;
    }

    void all() {
        String zone = plan.state().zone();
        if (zone != null) {
            try {
                ZoneId.of(zone);
            } catch (DateTimeException e) {
                found.add("/state/zone", "is not a time zone such as Europe/Vienna");
            }
        }
        plan.state().modes().forEach((id, mode) -> {
            if (new HashSet<>(mode.values()).size() < mode.values().size()) {
                found.add(Pointers.of("state", "modes", id, "values"), "has a value twice");
            }
        });
    }
}
