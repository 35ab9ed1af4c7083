package org.skelto.core.ground;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.RadioPath;
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
                && (!Objects.equals(at(before, path.from()), at(after, path.from()))
                        || !Objects.equals(at(before, path.to()), at(after, path.to())));
    }

    private static Optional<Point> at(Plan plan, String unit) {
        return plan.units().containsKey(unit)
                ? SiteModel.position(plan, plan.units().get(unit).place())
                : Optional.empty();
    }

    /** The plan with these paths cut out anew; a path with an end off the grid keeps its profile. */
    public static Plan anew(Plan plan, List<String> ids, ElevationGrid grid) {
        Map<String, RadioPath> paths = new TreeMap<>(plan.paths());
        for (String id : ids) {
            RadioPath path = paths.get(id);
            between(plan, path.from(), path.to(), grid)
                    .ifPresent(cut -> paths.put(id, path.over(cut.profile(), RadioPath.GRID)));
        }
        return plan.withPaths(paths);
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
        return Optional.of(
                new RadioPath(from, to, grid.profile(one.xM(), one.yM(), other.xM(), other.yM()), RadioPath.GRID));
    }

    private static double apartM(Point a, Point b) {
        return Math.hypot(a.xM() - b.xM(), a.yM() - b.yM());
    }
}
