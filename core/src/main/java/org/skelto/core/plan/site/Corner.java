package org.skelto.core.plan.site;

/**
 * A corner of a room or a bend of a route.
 *
 * @param xM metres east of the building's corner
 * @param yM metres north
 */
public record Corner(double xM, double yM) {
    /** Metres to the centimetre, as drawings are kept. */
    public static double cm(double metres) {
        return Math.round(metres * 100) / 100.0;
    }
}
