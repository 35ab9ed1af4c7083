package org.skelto.core.power;

import java.util.List;
import java.util.Optional;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Route;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/** How long a cable becomes that follows routes, walls and floors rather than the crow. */
public final class CableRuns {
    /** Up or down to where cables run, at each end, metres. */
    private static final double DROP_M = 1.2;

    /** What is cut too long. */
    private static final double SPARE = 1.1;

    /** A route that is farther from an end than this is not its way, metres. */
    private static final double NEAR_M = 3;

    private CableRuns() {}

    /**
     * Length from one place to another, metres: along a drawn route of the floor that passes near both, otherwise the
     * legs east, north and up; with a drop at each end and a tenth to spare. Within 1 m it is 1 m.
     */
    public static Optional<Double> lengthM(SiteModel site, Place from, Place to) {
        ComputingBudget.step();
        Optional<Point> one = site.position(from);
        Optional<Point> other = site.position(to);
        if (one.isEmpty() || other.isEmpty()) {
            return Optional.empty();
        }
        Point a = one.get();
        Point b = other.get();
        double legs = Math.abs(a.xM() - b.xM()) + Math.abs(a.yM() - b.yM()) + Math.abs(a.zM() - b.zM());
        if (legs < 1) {
            return Optional.of(1.0);
        }
        double along = alongRoute(site, from, to, a, b).orElse(legs);
        return Optional.of(Math.ceil((along + 2 * DROP_M) * SPARE));
    }

    /** The shortest way over one of the floor's routes that passes near both ends. */
    private static Optional<Double> alongRoute(SiteModel site, Place from, Place to, Point a, Point b) {
        String floor = site.floorOf(from);
        if (floor == null
                || !floor.equals(site.floorOf(to))
                || site.plan().routes().isEmpty()) {
            return Optional.empty();
        }
        double best = Double.POSITIVE_INFINITY;
        for (Route route : site.plan().routes().values()) {
            if (floor.equals(route.floor()) && route.points().size() > 1) {
                double[] enters = nearest(site, floor, route.points(), a);
                double[] leaves = nearest(site, floor, route.points(), b);
                if (enters[1] <= NEAR_M && leaves[1] <= NEAR_M) {
                    best = Math.min(best, enters[1] + leaves[1] + Math.abs(enters[0] - leaves[0]));
                }
            }
        }
        return Double.isInfinite(best) ? Optional.empty() : Optional.of(best);
    }

    /** How far along a route its point nearest to another point is, and how far apart they are seen from above. */
    private static double[] nearest(SiteModel site, String floor, List<Corner> corners, Point p) {
        double along = 0;
        double[] best = {0, Double.POSITIVE_INFINITY};
        for (int i = 0; i + 1 < corners.size(); i++) {
            Point c = site.pointAt(floor, corners.get(i).xM(), corners.get(i).yM(), 0);
            Point d = site.pointAt(
                    floor, corners.get(i + 1).xM(), corners.get(i + 1).yM(), 0);
            double dx = d.xM() - c.xM();
            double dy = d.yM() - c.yM();
            double length = Math.hypot(dx, dy);
            double share = length == 0
                    ? 0
                    : Math.max(0, Math.min(1, ((p.xM() - c.xM()) * dx + (p.yM() - c.yM()) * dy) / (length * length)));
            double apart = Math.hypot(c.xM() + share * dx - p.xM(), c.yM() + share * dy - p.yM());
            if (apart < best[1]) {
                best = new double[] {along + share * length, apart};
            }
            along += length;
        }
        return best;
    }
}
