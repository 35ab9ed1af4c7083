package org.skelto.core.radio;

import org.skelto.core.plan.radio.IndoorModel;
import org.skelto.core.site.SiteModel;

/** The model of loss that a plan asks for. */
public final class Indoors {
    private Indoors() {}

    /** By walls or by distance exponent, as the plan says; between buildings and outdoors always by walls. */
    public static LossModel of(SiteModel site, SlabTables tables) {
        MultiWall walls = new MultiWall(site, tables);
        return site.plan().indoorModel() == IndoorModel.EXPONENT ? new DistanceExponent(site, walls) : walls;
    }
}
