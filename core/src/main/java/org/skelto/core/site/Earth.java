package org.skelto.core.site;

import org.skelto.core.plan.site.GeoPoint;

/** Between degrees and metres of a site, on a sphere; good to a few centimetres per kilometre at the size of a site. */
public final class Earth {
    private static final double RADIUS_M = 6_371_000;

    private Earth() {}

    /**
     * Metres east and north of the origin.
     *
     * @param origin where the site's origin lies
     */
    public static double[] metres(GeoPoint origin, GeoPoint point) {
        double north = Math.toRadians(point.latitudeDeg() - origin.latitudeDeg()) * RADIUS_M;
        double east = Math.toRadians(point.longitudeDeg() - origin.longitudeDeg())
                * RADIUS_M
                * Math.cos(Math.toRadians(origin.latitudeDeg()));
        return new double[] {east, north};
    }

    /** The place on earth of a point of the site. */
    public static GeoPoint degrees(GeoPoint origin, double xM, double yM) {
        double latitude = origin.latitudeDeg() + Math.toDegrees(yM / RADIUS_M);
        double longitude =
                origin.longitudeDeg() + Math.toDegrees(xM / RADIUS_M / Math.cos(Math.toRadians(origin.latitudeDeg())));
        return new GeoPoint(latitude, longitude);
    }
}
