package org.skelto.core.site;

/** A point on the site in metres: x east, y north, z up from the site's datum. */
public record Point(double xM, double yM, double zM) {
    /** Straight distance in metres. */
    public double distanceM(Point other) {
        return Math.sqrt(square(other.xM - xM) + square(other.yM - yM) + square(other.zM - zM));
    }

    private static double square(double value) {
        return value * value;
    }
}
