package org.skelto.core.ground;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.Cover;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;

/** Profiles that were cut out of the grid of heights go along when one of their ends moves. */
public final class GridPaths {
    private static final double LEAST_M = 1;

    private GridPaths() {}

    /** The paths over the grid of which an end stands elsewhere than before and whose profile was not changed itself. */
    public static List<String> moved(Plan before, Plan after) {
        return after.paths().entrySet().stream()
                .filter(e -> RadioPath.GRID.equals(e.getValue().source()))
                .filter(e -> moved(before, after, before.paths().get(e.getKey()), e.getValue()))
                .map(Map.Entry::getKey)
                .toList();
    }

    private static boolean moved(Plan before, Plan after, RadioPath old, RadioPath path) {
        return old != null
                && old.from().equals(path.from())
                && old.to().equals(path.to())
                && old.profile().equals(path.profile())
                && (moved(at(before, path.from()), at(after, path.from()))
                        || moved(at(before, path.to()), at(after, path.to())));
    }

    /** Along the ground; a unit that is only hung higher keeps its ground. */
    private static boolean moved(Optional<Point> before, Optional<Point> after) {
        return before.isPresent() != after.isPresent() || before.isPresent() && apartM(before.get(), after.get()) > 0;
    }

    private static Optional<Point> at(Plan plan, String unit) {
        return plan.units().containsKey(unit)
                ? SiteModel.position(plan, plan.units().get(unit).place())
                : Optional.empty();
    }

    /**
     * The plan with these paths cut out anew; a path with an end off the grid keeps its profile.
     *
     * @param before where the ends stood until now
     */
    public static Plan anew(Plan before, Plan plan, List<String> ids, ElevationGrid grid) {
        Map<String, RadioPath> paths = new TreeMap<>(plan.paths());
        for (String id : ids) {
            RadioPath path = paths.get(id);
            between(plan, path.from(), path.to(), grid)
                    .ifPresent(cut -> paths.put(
                            id,
                            path.over(
                                    cut.profile(),
                                    standing(path.covers(), Line.of(before, path), Line.of(plan, path)),
                                    RadioPath.GRID)));
        }
        return plan.withPaths(paths);
    }

    /** The straight line of a path on the site; distances from its first end. */
    private record Line(double xM, double yM, double east, double north) {
        /** Null when an end has no place, or both stand on one spot. */
        static Line of(Plan plan, RadioPath path) {
            Point a = at(plan, path.from()).orElse(null);
            Point b = at(plan, path.to()).orElse(null);
            if (a == null || b == null || apartM(a, b) < LEAST_M) {
                return null;
            }
            double length = apartM(a, b);
            return new Line(a.xM(), a.yM(), (b.xM() - a.xM()) / length, (b.yM() - a.yM()) / length);
        }

        /** The distance on this line beside a distance on another. */
        double beside(Line other, double distanceM) {
            double x = other.xM + distanceM * other.east;
            double y = other.yM + distanceM * other.north;
            return Math.round(((x - xM) * east + (y - yM) * north) * 100) / 100.0;
        }
    }

    /** What was marked along a line stays where it is on the site when the line moves. */
    private static List<Cover> standing(List<Cover> covers, Line old, Line now) {
        if (old == null || now == null) {
            return covers;
        }
        List<Cover> kept = new ArrayList<>();
        for (Cover c : covers) {
            double one = now.beside(old, c.fromM());
            double other = now.beside(old, c.toM());
            double from = Math.max(0, Math.min(one, other));
            double to = Math.max(one, other);
            if (to > from) {
                kept.add(new Cover(c.kind(), from, to, c.heightM()));
            }
        }
        return kept;
    }

    /**
     * The ground between two units as the grid knows it.
     *
     * @return empty when one has no place on the grid, or both stand on one spot
     */
    public static Optional<RadioPath> between(Plan plan, String from, String to, ElevationGrid grid) {
        Optional<Point> a = at(plan, from).filter(p -> grid.holds(p.xM(), p.yM()));
        Optional<Point> b = at(plan, to).filter(p -> grid.holds(p.xM(), p.yM()));
        if (a.isEmpty() || b.isEmpty() || apartM(a.get(), b.get()) < LEAST_M) {
            return Optional.empty();
        }
        Point one = a.get();
        Point other = b.get();
        return Optional.of(RadioPath.overGround(
                from, to, grid.profile(one.xM(), one.yM(), other.xM(), other.yM()), RadioPath.GRID));
    }

    private static double apartM(Point a, Point b) {
        return Math.hypot(a.xM() - b.xM(), a.yM() - b.yM());
    }
}
