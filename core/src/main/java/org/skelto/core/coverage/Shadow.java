package org.skelto.core.coverage;

import org.skelto.core.radio.SlabTable;
import org.skelto.core.site.Panel;

/**
 * The cells that a panel hides from a source. Seen from above they make a convex figure: behind the panel's line, within
 * the wedge of its two ends, and within the strip in which the ray is neither over its head nor under its foot. Each of
 * these is a straight line, so each row of the grid has one interval of hidden cells, found in a few operations; the
 * cells at its ends are asked of the panel itself, so that the answer is exactly {@link Panel#stops} for every cell.
 */
final class Shadow {
    /** An interval is taken this much too wide, in cells, before its ends are asked. */
    private static final double SLACK = 1e-5;

    /** Lines this near to level with the row are asked cell by cell. */
    private static final double LEVEL = 1e-7;

    private final Panel panel;
    private final Grid grid;
    private final double sx;
    private final double sy;
    private final double sz;

    /** Value of the panel's line at the source, and its sign. */
    private final double side;

    private final double sign;

    /** Bounds on the distance behind the source along the panel's normal, in units of {@link Panel#side}. */
    private final double nearest;

    private final double farthest;

    /** Rows that may hold hidden cells; none when the first is beyond the last. */
    final int firstRow;

    final int lastRow;

    private double low;
    private double high;

    /** Whether a line ran level with the row so near that every cell must be asked. */
    private boolean unsure;

    /** First and last hidden column of the row asked for last; none when the first is beyond the last. */
    int first;

    int last;

    Shadow(Panel panel, Grid grid, double sx, double sy, double sz) {
        this.panel = panel;
        this.grid = grid;
        this.sx = sx;
        this.sy = sy;
        this.sz = sz;
        this.side = panel.side(sx, sy);
        this.sign = Math.signum(side);
        double run = grid.zM() - sz;
        double from = 0;
        double to = 1;
        if (run == 0) {
            boolean hit = sz >= panel.fromZM() && sz < panel.toZM();
            to = hit ? 1 : 0;
        } else {
            double one = (panel.fromZM() - sz) / run;
            double other = (panel.toZM() - sz) / run;
            from = Math.max(0, Math.min(one, other));
            to = Math.min(1, Math.max(one, other));
        }
        // share along the ray = side / distance, so bounds on the share turn into bounds on the distance
        this.nearest = to <= 0 ? Double.POSITIVE_INFINITY : Math.abs(side) / to;
        this.farthest = from <= 0 ? Double.POSITIVE_INFINITY : Math.abs(side) / from;
        int[] rows = side != 0 && nearest < farthest ? reach() : new int[] {0, -1};
        this.firstRow = rows[0];
        this.lastRow = rows[1];
    }

    /** Cuts the figure of hidden points out of the grid and gives the rows that it reaches. */
    private int[] reach() {
        double edge = grid.cellM();
        double west = grid.x(0) - edge;
        double east = grid.x(grid.columns() - 1) + edge;
        double south = grid.y(0) - edge;
        double north = grid.y(grid.rows() - 1) + edge;
        Clip clip = new Clip(west, south, east, north);
        double dx = panel.bxM() - panel.axM();
        double dy = panel.byM() - panel.ayM();
        // side(x, y) = dx · y − dy · x + rest
        double rest = dy * panel.axM() - dx * panel.ayM();
        clip.keep(sign * dy, -sign * dx, -sign * rest);
        double ax = panel.axM() - sx;
        double ay = panel.ayM() - sy;
        clip.keep(-sign * ay, sign * ax, sign * (sx * ay - sy * ax));
        double bx = panel.bxM() - sx;
        double by = panel.byM() - sy;
        clip.keep(sign * by, -sign * bx, -sign * (sx * by - sy * bx));
        double far = sign * (side - rest);
        if (nearest > Math.abs(side)) {
            clip.keep(sign * dy, -sign * dx, far - nearest);
        }
        if (farthest < Double.POSITIVE_INFINITY) {
            clip.keep(-sign * dy, sign * dx, farthest - far);
        }
        return new int[] {
            (int) Math.max(0, Math.ceil((clip.southM() - grid.y(0)) / edge - SLACK)),
            (int) Math.min(grid.rows() - 1, Math.floor((clip.northM() - grid.y(0)) / edge + SLACK))
        };
    }

    private Shadow(Shadow other) {
        this.panel = other.panel;
        this.grid = other.grid;
        this.sx = other.sx;
        this.sy = other.sy;
        this.sz = other.sz;
        this.side = other.side;
        this.sign = other.sign;
        this.nearest = other.nearest;
        this.farthest = other.farthest;
        this.firstRow = other.firstRow;
        this.lastRow = other.lastRow;
    }

    /** The same shadow for another thread: rows are found in place. */
    Shadow again() {
        return new Shadow(this);
    }

    /** Whether there may be any hidden cell at all. */
    boolean any() {
        return firstRow <= lastRow;
    }

    /** Finds the hidden cells of a row; they are between {@link #first} and {@link #last}. */
    void row(int row) {
        double y = grid.y(row);
        double dx = panel.bxM() - panel.axM();
        double dy = panel.byM() - panel.ayM();
        low = -0.5;
        high = grid.columns() - 0.5;
        unsure = false;
        double x0 = grid.x(0);
        double cell = grid.cellM();
        // all as f(column) = start + slope · column, hidden where not negative
        double sideStart = dx * (y - panel.ayM()) - dy * (x0 - panel.axM());
        double sideSlope = -dy * cell;
        keep(-sign * sideStart, -sign * sideSlope);
        double ax = panel.axM() - sx;
        double ay = panel.ayM() - sy;
        keep(-sign * ((x0 - sx) * ay - (y - sy) * ax), -sign * ay * cell);
        double bx = panel.bxM() - sx;
        double by = panel.byM() - sy;
        keep(sign * ((x0 - sx) * by - (y - sy) * bx), sign * by * cell);
        // distance = sign · (side of source − side of cell)
        double distance = sign * (side - sideStart);
        double slope = -sign * sideSlope;
        if (nearest > Math.abs(side)) {
            keep(distance - nearest, slope);
        }
        if (farthest < Double.POSITIVE_INFINITY) {
            keep(farthest - distance, -slope);
        }
        first = Math.max(0, (int) Math.ceil(low - SLACK));
        last = Math.min(grid.columns() - 1, (int) Math.floor(high + SLACK));
        if (!unsure) {
            while (first <= last && !hidden(first, y)) {
                first++;
            }
            while (last >= first && !hidden(last, y)) {
                last--;
            }
        }
    }

    private void keep(double start, double slope) {
        if (Math.abs(slope) > LEVEL) {
            double at = -start / slope;
            if (slope > 0) {
                low = Math.max(low, at);
            } else {
                high = Math.min(high, at);
            }
        } else if (start < -LEVEL * grid.columns() - LEVEL) {
            high = -2;
        } else if (start < LEVEL * grid.columns() + LEVEL) {
            unsure = true;
        }
    }

    boolean unsure() {
        return unsure;
    }

    boolean hidden(int column, double y) {
        return panel.stops(sx, sy, sz, grid.x(column), y, grid.zM());
    }

    /** Adds the panel's loss to the hidden cells of the row found last; its first cell is at the offset. */
    void add(int row, SlabTable table, float[] inverseDistance, float[] loss, int offset) {
        double y = grid.y(row);
        double dx = panel.bxM() - panel.axM();
        double dy = panel.byM() - panel.ayM();
        double length = panel.lengthM();
        double scale = sign / length;
        // distance between the ends along the normal, in metres, straight in the column
        double start = (side - dx * (y - panel.ayM()) + dy * (grid.x(0) - panel.axM())) * scale;
        double slope = dy * grid.cellM() * scale;
        for (int column = first; column <= last; column++) {
            if (unsure && !hidden(column, y)) {
                continue;
            }
            double cos = (start + slope * column) * inverseDistance[offset + column];
            loss[offset + column] += (float) table.lossDb(cos);
        }
    }
}
