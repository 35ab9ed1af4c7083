package org.skelto.core.plan.validation;

import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.Duty;
import org.skelto.core.plan.power.Pulse;

/** Nothing feeds itself, and a waking ends before the next one begins. */
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
            feeder(at + "/power", id, unit);
            if (unit.duty() != null) {
                duty(at + "/duty", unit.duty());
            }
        });
    }

    private void feeder(String at, String id, Unit unit) {
        String from = unit.power().from();
        for (int steps = 0; from != null && steps <= plan.units().size(); steps++) {
            if (from.equals(id)) {
                found.add(at + "/from", "is fed by itself, directly or through others");
                return;
            }
            Unit feeder = plan.units().get(from);
            from = feeder == null ? null : feeder.power().from();
        }
    }

    private void duty(String at, Duty duty) {
        double awakeMs = duty.pulses().stream().mapToDouble(Pulse::durationMs).sum();
        if (awakeMs > duty.cycleS() * 1000) {
            found.add(at + "/pulses", "take longer than the cycle");
        }
    }
}
