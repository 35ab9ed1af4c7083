package org.skelto.core.ground;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.raster.Contours;
import org.skelto.core.raster.Grid;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;

/**
 * Lines of equal height around a site, out of a grid of heights.
 *
 * @param stepM between neighbouring lines, metres: 0.5, 1, 2, 5, 10, 20 or 50
 * @param lines from the lowest up
 */
public record Relief(double stepM, List<ReliefLine> lines) {
    private static final double[] STEPS_M = {0.5, 1, 2, 5, 10, 20, 50};
    private static final int MOST_LEVELS = 16;
    private static final int CELLS = 20_000;
    private static final double BEYOND = 0.25;
    private static final double LEAST_BEYOND_M = 30;

    /**
     * One line.
     *
     * @param heightM above the zero of the grid's heights, metres
     * @param points x, y, x, y… in metres on the site
     */
    public record ReliefLine(double heightM, List<Double> points) {}

    /** The lines around what stands on the site, a quarter of its width beyond it. */
    public static Relief of(SiteModel site, ElevationGrid heights) {
        List<Point> things = site.plan().units().values().stream()
                .map(site::position)
                .flatMap(Optional::stream)
                .toList();
        return of(site.plan(), heights, things);
    }

    static Relief of(Plan plan, ElevationGrid heights, List<Point> things) {
        List<Corner> marks = Stream.concat(
                        plan.buildings().values().stream().map(b -> new Corner(b.xM(), b.yM())),
                        things.stream().map(p -> new Corner(p.xM(), p.yM())))
                .toList();
        if (marks.isEmpty()) {
            return new Relief(STEPS_M[0], List.of());
        }
        Bounds around = Bounds.of(marks);
        double beyond = Math.max(LEAST_BEYOND_M, BEYOND * Math.max(around.widthM(), around.depthM()));
        Bounds area = known(around.wider(beyond), heights);
        if (area == null) {
            return new Relief(STEPS_M[0], List.of());
        }
        Grid grid = Grid.over("site", area, 0, CELLS);
        float[] level = new float[grid.cells()];
        float low = Float.POSITIVE_INFINITY;
        float high = Float.NEGATIVE_INFINITY;
        for (int row = 0; row < grid.rows(); row++) {
            for (int column = 0; column < grid.columns(); column++) {
                float here = (float) heights.at(grid.x(column), grid.y(row));
                level[row * grid.columns() + column] = here;
                low = Math.min(low, here);
                high = Math.max(high, here);
            }
        }
        double step = step(high - low);
        List<ReliefLine> lines = new ArrayList<>();
        for (double at = Math.ceil(low / step) * step; at <= high; at += step) {
            for (double[] line : Contours.of(grid, level, at)) {
                List<Double> points = new ArrayList<>(line.length);
                for (double value : line) {
                    points.add(Math.round(value * 10) / 10.0);
                }
                lines.add(new ReliefLine(at, points));
            }
        }
        return new Relief(step, lines);
    }

    /** What of an area the grid of heights holds; null for nothing. */
    private static @Nullable Bounds known(Bounds area, ElevationGrid heights) {
        Bounds held = new Bounds(
                Math.max(area.westM(), heights.x(0)),
                Math.max(area.southM(), heights.y(0)),
                Math.min(area.eastM(), heights.x(heights.columns() - 1)),
                Math.min(area.northM(), heights.y(heights.rows() - 1)));
        return held.widthM() > 0 && held.depthM() > 0 ? held : null;
    }

    private static double step(double range) {
        for (double step : STEPS_M) {
            if (range / step <= MOST_LEVELS) {
                return step;
            }
        }
        return STEPS_M[STEPS_M.length - 1];
    }
}
