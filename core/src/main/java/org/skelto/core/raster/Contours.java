package org.skelto.core.raster;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.skelto.core.work.ComputingBudget;

/**
 * Lines of equal level on a grid, by marching squares between the centres of cells; along a side the level is taken to run
 * straight. Where a saddle leaves two readings, the mean of its four corners decides.
 */
public final class Contours {
    /** Points nearer than this to the straight line of their neighbours are left out, in cells. */
    private static final double STRAIGHT = 0.12;

    private final Grid grid;
    private final float[] level;
    private final double at;
    private final Map<Integer, int[]> next = new HashMap<>();
    private final Map<Integer, double[]> points = new HashMap<>();

    private Contours(Grid grid, float[] level, double at) {
        this.grid = grid;
        this.level = level;
        this.at = at;
    }

    /**
     * The lines at a level, each as x, y, x, y… in metres on the site; closed ones end where they began.
     *
     * @param level of each cell, dBm
     */
    public static List<double[]> of(Grid grid, float[] level, double at) {
        Contours contours = new Contours(grid, level, at);
        contours.march();
        return contours.lines();
    }

    private float here(int column, int row) {
        float value = level[row * grid.columns() + column];
        return Float.isInfinite(value) ? -300 : value;
    }

    private void march() {
        for (int row = 0; row + 1 < grid.rows(); row++) {
            ComputingBudget.step();
            for (int column = 0; column + 1 < grid.columns(); column++) {
                square(column, row);
            }
        }
    }

    /** Sides are numbered by the cell at their western or southern end: even ones run east, odd ones north. */
    private int side(int column, int row, boolean north) {
        return 2 * (row * grid.columns() + column) + (north ? 1 : 0);
    }

    private void square(int column, int row) {
        float sw = here(column, row);
        float se = here(column + 1, row);
        float ne = here(column + 1, row + 1);
        float nw = here(column, row + 1);
        int kind = (sw >= at ? 1 : 0) | (se >= at ? 2 : 0) | (ne >= at ? 4 : 0) | (nw >= at ? 8 : 0);
        if (kind == 0 || kind == 15) {
            return;
        }
        int south = side(column, row, false);
        int east = side(column + 1, row, true);
        int north = side(column, row + 1, false);
        int west = side(column, row, true);
        put(south, column, row, sw, se, true);
        put(east, column + 1, row, se, ne, false);
        put(north, column, row + 1, nw, ne, true);
        put(west, column, row, sw, nw, false);
        boolean high = (sw + se + ne + nw) / 4 >= at;
        switch (kind) {
            case 1, 14 -> join(west, south);
            case 2, 13 -> join(south, east);
            case 4, 11 -> join(east, north);
            case 8, 7 -> join(north, west);
            case 3, 12 -> join(west, east);
            case 6, 9 -> join(south, north);
            case 5 -> both(high, west, north, south, east);
            default -> both(high, west, south, north, east);
        }
    }

    private void both(boolean high, int west, int one, int other, int east) {
        if (high) {
            join(west, one);
            join(other, east);
        } else {
            join(west, other);
            join(one, east);
        }
    }

    private void put(int side, int column, int row, float from, float to, boolean eastward) {
        if (from >= at == to >= at) {
            return;
        }
        double share = (at - from) / (to - from);
        points.putIfAbsent(side, new double[] {
            grid.x(column) + (eastward ? share * grid.cellM() : 0), grid.y(row) + (eastward ? 0 : share * grid.cellM())
        });
    }

    private void join(int one, int other) {
        link(one, other);
        link(other, one);
    }

    private void link(int from, int to) {
        int[] known = next.get(from);
        next.put(from, known == null ? new int[] {to} : new int[] {known[0], to});
    }

    private List<double[]> lines() {
        List<double[]> lines = new ArrayList<>();
        List<Integer> starts = new ArrayList<>();
        next.forEach((side, ends) -> {
            if (ends.length == 1) {
                starts.add(side);
            }
        });
        starts.sort(null);
        starts.forEach(start -> follow(start, lines));
        List<Integer> rings = new ArrayList<>(next.keySet());
        rings.sort(null);
        rings.forEach(start -> follow(start, lines));
        return lines;
    }

    private void follow(int start, List<double[]> lines) {
        ComputingBudget.step();
        if (!next.containsKey(start)) {
            return;
        }
        Deque<double[]> line = new ArrayDeque<>();
        int at = start;
        int from = -1;
        boolean ring = false;
        while (true) {
            line.add(points.get(at));
            int[] ends = next.remove(at);
            int to = -1;
            for (int end : ends) {
                if (end != from && next.containsKey(end)) {
                    to = end;
                }
                ring |= end == start && from != start && line.size() > 2;
            }
            if (to < 0) {
                break;
            }
            from = at;
            at = to;
        }
        if (ring) {
            line.add(line.getFirst());
        }
        if (line.size() > 1) {
            lines.add(simple(List.copyOf(line)));
        }
    }

    /** Leaves out points that lie on the way between their neighbours. */
    private double[] simple(List<double[]> line) {
        List<double[]> kept = new ArrayList<>();
        kept.add(line.get(0));
        int anchor = 0;
        for (int i = 1; i + 1 < line.size(); i++) {
            if (bends(line, anchor, i + 1)) {
                kept.add(line.get(i));
                anchor = i;
            }
        }
        kept.add(line.get(line.size() - 1));
        double[] flat = new double[2 * kept.size()];
        for (int i = 0; i < kept.size(); i++) {
            flat[2 * i] = tidy(kept.get(i)[0]);
            flat[2 * i + 1] = tidy(kept.get(i)[1]);
        }
        return flat;
    }

    private boolean bends(List<double[]> line, int from, int to) {
        double[] a = line.get(from);
        double[] b = line.get(to);
        double length = Math.hypot(b[0] - a[0], b[1] - a[1]);
        if (to - from > 40 || length == 0) {
            return true;
        }
        for (int i = from + 1; i < to; i++) {
            double[] p = line.get(i);
            double off = Math.abs((b[0] - a[0]) * (p[1] - a[1]) - (b[1] - a[1]) * (p[0] - a[0])) / length;
            if (off > STRAIGHT * grid.cellM()) {
                return true;
            }
        }
        return false;
    }

    private static double tidy(double metres) {
        return Math.round(metres * 1000) / 1000.0;
    }
}
