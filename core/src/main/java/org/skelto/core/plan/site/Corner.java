package org.skelto.core.plan.site;

import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Within;

/**
 * A corner of a room or a bend of a route.
 *
 * @param xM metres east of the building's corner
 * @param yM metres north
 */
public record Corner(
        @Within(least = -Limits.LOCAL_M, most = Limits.LOCAL_M, unit = "m")
        double xM,

        @Within(least = -Limits.LOCAL_M, most = Limits.LOCAL_M, unit = "m")
        double yM) {
    /** Metres to the centimetre, as drawings are kept. */
    public static double cm(double metres) {
        return Math.round(metres * 100) / 100.0;
    }
}
