package org.skelto.core.plan;

import java.util.List;

/**
 * How a unit on a battery spends its time.
 *
 * @param sleepUa current while it sleeps, 0 to 1e7 µA
 * @param cycleS seconds from one waking to the next, 0.01 to 31 557 600
 * @param pulses states of each waking, at most 12
 * @param wishYears how long its battery should last, 0 to 100 years, or null when nobody said
 */
public record Duty(double sleepUa, double cycleS, List<Pulse> pulses, Double wishYears) {
    public Duty {
        pulses = pulses == null ? List.of() : Copies.list(pulses);
    }
}
