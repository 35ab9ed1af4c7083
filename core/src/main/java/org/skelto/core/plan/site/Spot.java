package org.skelto.core.plan.site;

/**
 * An outdoor place.
 *
 * @param xM metres east of the site's origin
 * @param yM metres north
 * @param zM height of the ground above the site's datum, metres
 * @param exposure what it does to what is mounted there
 */
public record Spot(String name, double xM, double yM, double zM, Exposure exposure) {
    public Spot {
        exposure = exposure == null ? Exposure.OUTDOOR : exposure;
    }

    public Spot(String name, double xM, double yM, double zM) {
        this(name, xM, yM, zM, null);
    }
}
