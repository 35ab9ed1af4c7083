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
            Optional<Point> a = at(plan, path.from()).filter(p -> grid.holds(p.xM(), p.yM()));
            Optional<Point> b = at(plan, path.to()).filter(p -> grid.holds(p.xM(), p.yM()));
            if (a.isPresent() && b.isPresent() && apartM(a.get(), b.get()) >= LEAST_M) {
                paths.put(
                        id,
                        path.over(
                                grid.profile(
                                        a.get().xM(),
                                        a.get().yM(),
                                        b.get().xM(),
                                        b.get().yM()),
                                RadioPath.GRID));
            }
        }
        return plan.withPaths(paths);
    }

    private static double apartM(Point a, Point b) {
        return Math.hypot(a.xM() - b.xM(), a.yM() - b.yM());
    }
}
