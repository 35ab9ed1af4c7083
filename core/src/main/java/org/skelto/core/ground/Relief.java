package org.skelto.core.ground;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
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
        Bounds area = new Bounds(
                around.westM() - beyond, around.southM() - beyond, around.eastM() + beyond, around.northM() + beyond);
        Grid grid = Grid.over("site", area, 0, CELLS);
        float[] level = new float[grid.cells()];
        float low = Float.POSITIVE_INFINITY;
        float high = Float.NEGATIVE_INFINITY;
        for (int row = 0; row < grid.rows(); row++) {
            for (int column = 0; column < grid.columns(); column++) {
                double x = grid.x(column);
                double y = grid.y(row);
                float here = heights.holds(x, y) ? (float) heights.at(x, y) : Float.NaN;
                level[row * grid.columns() + column] = here;
                if (!Float.isNaN(here)) {
                    low = Math.min(low, here);
                    high = Math.max(high, here);
                }
            }
        }
        if (low > high) {
            return new Relief(STEPS_M[0], List.of());
        }
        // beyond the grid the ground is taken to go on as low as it gets: no line runs there
        for (int i = 0; i < level.length; i++) {
            level[i] = Float.isNaN(level[i]) ? low : level[i];
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

    private static double step(double range) {
        for (double step : STEPS_M) {
            if (range / step <= MOST_LEVELS) {
                return step;
            }
        }
        return STEPS_M[STEPS_M.length - 1];
    }
}
