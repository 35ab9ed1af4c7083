package org.skelto.core.plan.validation;

import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.power.Duty;
import org.skelto.core.plan.power.Pulse;

/** A waking ends before the next one begins. */
final class PowerRules {
    private final Plan plan;
    private final ValidationErrors found;

    PowerRules(Plan plan, ValidationErrors found) {
        this.plan = plan;
        this.found = found;
    }

    void all() {
        plan.units().forEach((id, unit) -> {
            String at = Pointers.of("units", id);
            if (unit.duty() != null) {
                duty(at + "/duty", unit.duty());
            }
        });
    }

    private void duty(String at, Duty duty) {
        double awakeMs = duty.pulses().stream().mapToDouble(Pulse::durationMs).sum();
        if (awakeMs > duty.cycleS() * 1000) {
            found.add(at + "/pulses", "take longer than the cycle");
        }
    }
}
