package org.skelto.core.plan.power;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Within;

/**
 * How a unit on a battery spends its time.
 *
 * @param sleepUa current while it sleeps, 0 to 1e7 µA
 * @param cycleS seconds from one waking to the next, 0.01 to 31 557 600
 * @param pulses states of each waking, at most 12
 * @param wishYears how long its battery should last, 0 to 100 years, or null when nobody said
 * @param coldestC the coldest that its battery gets, -60 to 40 °C, or null to take it from its place
 * @param regulation what lies between battery and electronics, or null when currents are those at the battery
 */
public record Duty(
        @Within(least = 0, most = 1e7, unit = "µA") double sleepUa,
        @Within(least = 0.01, most = 31_557_600, unit = "s") double cycleS,
        @Count(most = 12, of = "states") List<Pulse> pulses,

        @Nullable @Within(least = 0, most = 100, unit = "years")
        Double wishYears,

        @Nullable @Within(least = -60, most = 40, unit = "°C")
        Double coldestC,

        @Nullable Regulation regulation) {
    public Duty {
        pulses = pulses == null ? List.of() : Copies.list(pulses);
    }

    /** A duty with currents measured at the battery. */
    public Duty(double sleepUa, double cycleS, List<Pulse> pulses, Double wishYears) {
        this(sleepUa, cycleS, pulses, wishYears, null, null);
    }

    /** The same with other states in another cycle. */
    public Duty with(double otherCycleS, List<Pulse> otherPulses) {
        return new Duty(sleepUa, otherCycleS, otherPulses, wishYears, coldestC, regulation);
    }
}
