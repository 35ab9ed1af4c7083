package org.skelto.core.plan.site;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Otherwise;
import org.skelto.core.plan.format.Within;

/**
 * An outdoor place.
 *
 * @param xM metres east of the site's origin
 * @param yM metres north
 * @param zM height of the ground above the site's datum, metres
 * @param exposure what it does to what is mounted there
 */
@RecordBuilder
public record Spot(
        @Name String name,

        @Within(least = -Limits.SITE_M, most = Limits.SITE_M, unit = "m")
        double xM,

        @Within(least = -Limits.SITE_M, most = Limits.SITE_M, unit = "m")
        double yM,

        @Within(least = -1000, most = 9000, unit = "m") double zM,
        @Otherwise("OUTDOOR") Exposure exposure)
        implements SpotBuilder.With {
    public Spot {
        exposure = exposure == null ? Exposure.OUTDOOR : exposure;
    }

    public Spot(String name, double xM, double yM, double zM) {
        this(name, xM, yM, zM, Exposure.OUTDOOR);
    }
}
