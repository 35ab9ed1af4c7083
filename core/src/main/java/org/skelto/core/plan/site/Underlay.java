package org.skelto.core.plan.site;

import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Within;

/**
 * A picture of a floor plan under the drawing.
 *
 * @param picture id of the stored picture
 * @param xM where its south-west corner lies, metres east of the building's corner
 * @param metresPerPixel its scale, 0.0005 to 1
 * @param fade share of the picture that shows, 0 to 1
 */
public record Underlay(
        @Matches(value = "[0-9a-f]{64}", says = "is not the id of a stored picture")
        String picture,

        @Within(least = -Limits.LOCAL_M, most = Limits.LOCAL_M, unit = "m")
        double xM,

        @Within(least = -Limits.LOCAL_M, most = Limits.LOCAL_M, unit = "m")
        double yM,

        @Within(least = 0.0001, most = 10, unit = "m") double metresPerPixel,
        @Within(least = 0, most = 1) double fade) {}
