package org.skelto.core.plan.site;

import java.util.List;

/** A rectangle along the axes, metres. */
public record Bounds(double westM, double southM, double eastM, double northM) {
    /** The smallest one around these corners, of which there is at least one. */
    public static Bounds of(List<Corner> corners) {
        double west = Double.POSITIVE_INFINITY;
        double south = Double.POSITIVE_INFINITY;
        double east = Double.NEGATIVE_INFINITY;
        double north = Double.NEGATIVE_INFINITY;
        for (Corner corner : corners) {
            west = Math.min(west, corner.xM());
            south = Math.min(south, corner.yM());
            east = Math.max(east, corner.xM());
            north = Math.max(north, corner.yM());
        }
        return new Bounds(west, south, east, north);
    }

    public double widthM() {
        return eastM - westM;
    }

    public double depthM() {
        return northM - southM;
    }

    /** The smallest one around both. */
    public Bounds and(Bounds other) {
        return new Bounds(
                Math.min(westM, other.westM),
                Math.min(southM, other.southM),
                Math.max(eastM, other.eastM),
                Math.max(northM, other.northM));
    }

    /** This one, wider by so much on all sides. */
    public Bounds wider(double byM) {
        return new Bounds(westM - byM, southM - byM, eastM + byM, northM + byM);
    }

    public boolean meets(Bounds other) {
        return westM <= other.eastM && other.westM <= eastM && southM <= other.northM && other.southM <= northM;
    }
}
