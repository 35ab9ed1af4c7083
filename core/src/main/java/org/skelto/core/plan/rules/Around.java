package org.skelto.core.plan.rules;

import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Within;

/**
 * A circle that was drawn on a floor.
 *
 * @param xM its middle, metres from the corner of the building
 * @param radiusM 0.1 to 500
 */
public record Around(
        @Within(least = -Limits.LOCAL_M, most = Limits.LOCAL_M, unit = "m")
        double xM,

        @Within(least = -Limits.LOCAL_M, most = Limits.LOCAL_M, unit = "m")
        double yM,

        @Within(least = 0.1, most = 500, unit = "m") double radiusM) {}
