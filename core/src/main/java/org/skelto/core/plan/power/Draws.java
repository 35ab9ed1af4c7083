package org.skelto.core.plan.power;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Within;

/**
 * What a unit takes, measured or from its sheet; it wins over the figures of its parts.
 *
 * @param volts nominal voltage at its input, 1 to 480 V
 * @param leastV least voltage at which it works, or null when not known
 * @param typicalA most of the time, 0 to 100 A
 * @param worstA with everything on, 0 to 500 A
 */
public record Draws(
        @Within(least = 1, most = 480, unit = "V") double volts,

        @Nullable @Within(least = 0.5, most = 480, unit = "V")
        Double leastV,

        @Within(least = 0, most = 100, unit = "A") double typicalA,
        @Within(least = 0, most = 500, unit = "A") double worstA) {}
