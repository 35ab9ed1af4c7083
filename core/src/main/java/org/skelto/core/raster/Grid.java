package org.skelto.core.raster;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.skelto.core.plan.site.Bounds;

/**
 * Square cells at one height. Cell (0, 0) is the south-west one; cells are numbered west to east, then south to north.
 *
 * @param floor id of the floor it belongs to
 * @param westM western edge on the site, metres
 * @param southM southern edge
 * @param cellM side of a cell, 0.05 to 2
 * @param columns cells from west to east, at least 1
 * @param rows cells from south to north, at least 1
 * @param zM height above the site's datum at which levels are asked for, metres
 */
@RecordBuilder
public record Grid(String floor, double westM, double southM, double cellM, int columns, int rows, double zM)
        implements GridBuilder.With {
    private static final double[] SIDES_M = {0.1, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5, 0.75, 1, 1.5, 2, 3, 4, 5};

    /** The finest grid over an area that has at most so many cells, from 10 cm up. */
    public static Grid over(String floor, Bounds area, double zM, int mostCells) {
        for (double side : SIDES_M) {
            Grid grid = over(floor, area, zM, side);
            if ((long) grid.columns * grid.rows <= mostCells) {
                return grid;
            }
        }
        return over(floor, area, zM, Math.sqrt(area.widthM() * area.depthM() / mostCells) * 1.1);
    }

    /** A grid of this cell size over an area. */
    public static Grid over(String floor, Bounds area, double zM, double cellM) {
        return GridBuilder.builder()
                .floor(floor)
                .westM(area.westM())
                .southM(area.southM())
                .cellM(cellM)
                .columns(Math.max(1, (int) Math.ceil(area.widthM() / cellM - 1e-6)))
                .rows(Math.max(1, (int) Math.ceil(area.depthM() / cellM - 1e-6)))
                .zM(zM)
                .build();
    }

    public int cells() {
        return columns * rows;
    }

    /** Centre of a column, metres on the site. */
    public double x(int column) {
        return westM + (column + 0.5) * cellM;
    }

    /** Centre of a row, metres on the site. */
    public double y(int row) {
        return southM + (row + 0.5) * cellM;
    }

    /** The cell that holds a point, or -1 when it lies outside. */
    public int cell(double xM, double yM) {
        int column = (int) Math.floor((xM - westM) / cellM);
        int row = (int) Math.floor((yM - southM) / cellM);
        return column < 0 || row < 0 || column >= columns || row >= rows ? -1 : row * columns + column;
    }
}
