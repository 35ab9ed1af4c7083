package org.skelto.core.site;

import io.soabase.recordbuilder.core.RecordBuilder;

/**
 * A flat upright piece of one construction that a ray can go through: part of a wall, a door, a pane.
 *
 * <p>The rule for rays: a ray goes through a panel when it meets its plane strictly between its own two ends, at or after
 * the panel's first end and before its second, and at or above its foot and below its head. So a ray through a joint
 * of two panels in a line counts one of them, and walls are as thin as their centre lines: what stands inside a wall
 * is on that side of the line on which it stands.
 *
 * @param floor id of its floor
 * @param axM first end on the site, metres
 * @param bxM second end
 * @param fromZM its foot, metres above the site's datum
 * @param toZM its head
 * @param construction what it is made of
 */
@RecordBuilder
public record Panel(
        String floor, double axM, double ayM, double bxM, double byM, double fromZM, double toZM, String construction)
        implements PanelBuilder.With {

    /** Cross product that is positive to the left of the panel seen from its first end, zero on its line. */
    public double side(double xM, double yM) {
        return (bxM - axM) * (yM - ayM) - (byM - ayM) * (xM - axM);
    }

    /** Length in metres. */
    public double lengthM() {
        return Math.hypot(bxM - axM, byM - ayM);
    }

    /** Whether the straight ray between two points goes through it. */
    public boolean stops(double fx, double fy, double fz, double tx, double ty, double tz) {
        double from = side(fx, fy);
        double to = side(tx, ty);
        if (!(from > 0 && to < 0 || from < 0 && to > 0)) {
            return false;
        }
        double a = (tx - fx) * (ayM - fy) - (ty - fy) * (axM - fx);
        double b = (tx - fx) * (byM - fy) - (ty - fy) * (bxM - fx);
        boolean between = a > b ? a >= 0 && b < 0 : a <= 0 && b > 0;
        if (!between) {
            return false;
        }
        double z = fz + share(from, to) * (tz - fz);
        return z >= fromZM && z < toZM;
    }

    /** How far along a ray its plane lies, 0 to 1, from the two values of {@link #side}. */
    static double share(double from, double to) {
        return from / (from - to);
    }
}
