package org.skelto.core.plan.site;

import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Within;

/**
 * A rectangular opening in the slab under a floor.
 *
 * @param floor id of the floor whose slab it is in
 * @param xM metres east of the building's corner
 * @param widthM 0.1 to 200
 */
public record Stairwell(
        @IdOf(value = "floors", what = "a floor") String floor,

        @Within(least = -Limits.LOCAL_M, most = Limits.LOCAL_M, unit = "m")
        double xM,

        @Within(least = -Limits.LOCAL_M, most = Limits.LOCAL_M, unit = "m")
        double yM,

        @Within(least = 0.1, most = Limits.ROOM_MOST_M, unit = "m")
        double widthM,

        @Within(least = 0.1, most = Limits.ROOM_MOST_M, unit = "m")
        double depthM) {}
