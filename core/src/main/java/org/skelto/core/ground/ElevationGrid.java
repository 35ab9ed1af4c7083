package org.skelto.core.ground;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import org.skelto.core.plan.radio.GroundPoint;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.work.ComputingBudget;

/**
 * Heights of the ground at the nodes of a grid on the site, metres.
 *
 * @param columns west to east, 2 to {@value #MOST_SIDE}
 * @param rows south to north, likewise
 * @param westM of the first column on the site
 * @param southM of the first row
 * @param eastStepM from column to column, above 0
 * @param northStepM from row to row, above 0
 * @param heightM row by row from the south, each from the west
 */
@RecordBuilder
public record ElevationGrid(
        int columns, int rows, double westM, double southM, double eastStepM, double northStepM, float[] heightM)
        implements ElevationGridBuilder.With {
    public static final int MOST_SIDE = 1201;

    public ElevationGrid {
        if (columns < 2 || rows < 2 || columns > MOST_SIDE || rows > MOST_SIDE || heightM.length != columns * rows) {
            throw new IllegalArgumentException("a grid has 2 to " + MOST_SIDE + " columns and rows");
        }
    }

    /** Column of a point of the site, a fraction between two. */
    public double column(double xM) {
        return (xM - westM) / eastStepM;
    }

    public double row(double yM) {
        return (yM - southM) / northStepM;
    }

    public double x(double column) {
        return westM + column * eastStepM;
    }

    public double y(double row) {
        return southM + row * northStepM;
    }

    /** Whether a point of the site lies on the grid. */
    public boolean holds(double xM, double yM) {
        double c = column(xM);
        double r = row(yM);
        return c >= 0 && c <= columns - 1 && r >= 0 && r <= rows - 1;
    }

    /** Height at a point of the site on the grid, between four nodes. */
    public double at(double xM, double yM) {
        return between(column(xM), row(yM));
    }

    private double between(double c, double r) {
        int c0 = Math.max(0, Math.min(columns - 2, (int) c));
        int r0 = Math.max(0, Math.min(rows - 2, (int) r));
        double fc = c - c0;
        double fr = r - r0;
        int at = r0 * columns + c0;
        double south = heightM[at] + fc * (heightM[at + 1] - heightM[at]);
        double north = heightM[at + columns] + fc * (heightM[at + columns + 1] - heightM[at + columns]);
        return south + fr * (north - south);
    }

    /** The ground along the straight way between two points of the site on the grid, every half step. */
    public List<GroundPoint> profile(double fromXM, double fromYM, double toXM, double toYM) {
        ComputingBudget.step();
        double length = Math.hypot(toXM - fromXM, toYM - fromYM);
        double step = Math.min(eastStepM, northStepM) / 2;
        int pieces = (int) Math.max(2, Math.min(RadioPath.MOST_POINTS - 1, Math.ceil(length / step)));
        List<GroundPoint> points = new ArrayList<>();
        for (int i = 0; i <= pieces; i++) {
            double share = (double) i / pieces;
            double height = at(fromXM + share * (toXM - fromXM), fromYM + share * (toYM - fromYM));
            points.add(new GroundPoint(Math.round(share * length * 100) / 100.0, Math.round(height * 100) / 100.0));
        }
        return points;
    }
}
