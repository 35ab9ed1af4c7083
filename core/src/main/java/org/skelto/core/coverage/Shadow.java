package org.skelto.core.coverage;

import org.skelto.core.radio.SlabTable;
import org.skelto.core.raster.Grid;
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

    /** The lines that bound the figure, shared by all copies. */
    private final Lines lines;

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
        this.lines = new Lines();
        int[] rows = side != 0 && nearest < farthest ? reach() : new int[] {0, -1};
        this.firstRow = rows[0];
        this.lastRow = rows[1];
        if (any()) {
            bound();
        }
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
        this.lines = other.lines;
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

    /**
     * The straight lines that bound the hidden cells, each as {@code start + rise · row + slope · column}, hidden where not
     * negative. Those that cross the rows give the column where they do as {@code at + shift · row}.
     */
    private static final class Lines {
        private final double[] lowAt = new double[5];
        private final double[] lowShift = new double[5];
        private int lows;
        private final double[] highAt = new double[5];
        private final double[] highShift = new double[5];
        private int highs;
        private final double[] levelStart = new double[5];
        private final double[] levelRise = new double[5];
        private int levels;

        /** Distance between the ends along the normal, metres: straight in row and column. */
        private double normalStart;

        private double normalRise;
        private double normalSlope;

        void keep(double start, double rise, double slope) {
            if (Math.abs(slope) <= LEVEL) {
                levelStart[levels] = start;
                levelRise[levels++] = rise;
            } else if (slope > 0) {
                lowAt[lows] = -start / slope;
                lowShift[lows++] = -rise / slope;
            } else {
                highAt[highs] = -start / slope;
                highShift[highs++] = -rise / slope;
            }
        }
    }

    /** Finds the lines: behind the panel, within the wedge of its ends, and neither over its head nor under its foot. */
    private void bound() {
        double dx = panel.bxM() - panel.axM();
        double dy = panel.byM() - panel.ayM();
        double x0 = grid.x(0);
        double y0 = grid.y(0);
        double cell = grid.cellM();
        double sideStart = dx * (y0 - panel.ayM()) - dy * (x0 - panel.axM());
        lines.keep(-sign * sideStart, -sign * dx * cell, sign * dy * cell);
        double ax = panel.axM() - sx;
        double ay = panel.ayM() - sy;
        lines.keep(-sign * ((x0 - sx) * ay - (y0 - sy) * ax), sign * ax * cell, -sign * ay * cell);
        double bx = panel.bxM() - sx;
        double by = panel.byM() - sy;
        lines.keep(sign * ((x0 - sx) * by - (y0 - sy) * bx), -sign * bx * cell, sign * by * cell);
        double scale = sign / panel.lengthM();
        lines.normalStart = (side - sideStart) * scale;
        lines.normalRise = -dx * cell * scale;
        lines.normalSlope = dy * cell * scale;
        // distance behind the source = sign · (side of source − side of cell)
        double distance = sign * (side - sideStart);
        double rise = -sign * dx * cell;
        double slope = sign * dy * cell;
        if (nearest > Math.abs(side)) {
            lines.keep(distance - nearest, rise, slope);
        }
        if (farthest < Double.POSITIVE_INFINITY) {
            lines.keep(farthest - distance, -rise, -slope);
        }
    }

    /** Finds the hidden cells of a row; they are between {@link #first} and {@link #last}. */
    void row(int row) {
        double low = -0.5;
        double high = grid.columns() - 0.5;
        Lines of = lines;
        for (int i = 0; i < of.lows; i++) {
            low = Math.max(low, of.lowAt[i] + of.lowShift[i] * row);
        }
        for (int i = 0; i < of.highs; i++) {
            high = Math.min(high, of.highAt[i] + of.highShift[i] * row);
        }
        unsure = false;
        double doubt = LEVEL * grid.columns() + LEVEL;
        for (int i = 0; i < of.levels; i++) {
            double start = of.levelStart[i] + of.levelRise[i] * row;
            if (start < -doubt) {
                high = -2;
            } else {
                unsure |= start < doubt;
            }
        }
        first = Math.max(0, (int) Math.ceil(low - SLACK));
        last = Math.min(grid.columns() - 1, (int) Math.floor(high + SLACK));
        if (!unsure && first <= last) {
            double y = grid.y(row);
            while (first <= last && !hidden(first, y)) {
                first++;
            }
            while (last >= first && !hidden(last, y)) {
                last--;
            }
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
        double start = lines.normalStart + lines.normalRise * row;
        double slope = lines.normalSlope;
        for (int column = first; column <= last; column++) {
            if (unsure && !hidden(column, y)) {
                continue;
            }
            double cos = (start + slope * column) * inverseDistance[offset + column];
            loss[offset + column] += (float) table.lossDb(cos);
        }
    }
}
