package org.skelto.core.power;

import java.util.Optional;
import org.skelto.core.plan.Place;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;

/** How long a cable becomes that follows walls and floors rather than the crow. */
public final class CableRuns {
    /** Up or down to where cables run, at each end, metres. */
    private static final double DROP_M = 1.2;

    /** What is cut too long. */
    private static final double SPARE = 1.1;

    private CableRuns() {}

    /**
     * Length along walls from one place to another, metres: the legs east, north and up, a drop at each end and a tenth
     * to spare. Within one room of less than 1 m it is 1 m.
     */
    public static Optional<Double> lengthM(SiteModel site, Place from, Place to) {
        Optional<Point> one = site.position(from);
        Optional<Point> other = site.position(to);
        if (one.isEmpty() || other.isEmpty()) {
            return Optional.empty();
        }
        Point a = one.get();
        Point b = other.get();
        double legs = Math.abs(a.xM() - b.xM()) + Math.abs(a.yM() - b.yM()) + Math.abs(a.zM() - b.zM());
        return Optional.of(legs < 1 ? 1 : Math.ceil((legs + 2 * DROP_M) * SPARE));
    }
}
