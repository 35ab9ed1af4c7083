package org.skelto.core.plan.site;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Within;

/**
 * A building on the site.
 *
 * @param xM metres east of the site's origin to the building's south-west corner
 * @param yM metres north
 * @param zM height of its ground above the site's datum in metres
 */
@RecordBuilder
public record Building(
        @Name String name,

        @Within(least = -Limits.SITE_M, most = Limits.SITE_M, unit = "m")
        double xM,

        @Within(least = -Limits.SITE_M, most = Limits.SITE_M, unit = "m")
        double yM,

        @Within(least = -1000, most = 9000, unit = "m") double zM)
        implements BuildingBuilder.With {}
