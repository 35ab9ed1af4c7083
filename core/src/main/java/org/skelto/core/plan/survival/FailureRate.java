package org.skelto.core.plan.survival;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Within;

/**
 * How often something fails, and for how long.
 *
 * @param perYear failures a year, 0 to 10 000
 * @param repairH mean hours until it works again, 0 to 8784
 * @param testDays of faults that nobody sees: days from one test to the next, 1 to 3660; null means half a year
 */
public record FailureRate(
        @Within(least = 0, most = 10_000, unit = "a year") double perYear,
        @Within(least = 0, most = 8784, unit = "h") double repairH,

        @Nullable @Within(least = 1, most = 3660, unit = "d")
        Double testDays) {}
