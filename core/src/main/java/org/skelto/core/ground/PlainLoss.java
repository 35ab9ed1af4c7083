package org.skelto.core.ground;

import org.skelto.core.radio.Diffraction;
import org.skelto.core.radio.FreeSpace;
import org.skelto.core.radio.SmoothEarth;

/**
 * Loss from one antenna to any node of a grid: free space and diffraction over the profile along the straight way, with
 * a point wherever it crosses a column (or a row, when it runs more north than east). Trees and walls are not in it.
 */
public final class PlainLoss {
    private final ElevationGrid grid;
    private final LossMap.Ask ask;
    private final SmoothEarth earth;
    private final double column;
    private final double row;
    private final double[] d;
    private final double[] h;

    public PlainLoss(ElevationGrid grid, LossMap.Ask ask) {
        this.grid = grid;
        this.ask = ask;
        this.earth = new SmoothEarth(ask.frequencyMHz());
        this.column = LossMap.snapped(grid.column(ask.xM()));
        this.row = LossMap.snapped(grid.row(ask.yM()));
        int most = Math.max(grid.columns(), grid.rows()) + 2;
        this.d = new double[most];
        this.h = new double[most];
    }

    /** Loss to a node, dB. */
    public double lossDb(int toColumn, int toRow) {
        double dc = toColumn - column;
        double dr = toRow - row;
        boolean east = Math.abs(dc) >= Math.abs(dr);
        double run = east ? dc : dr;
        double eastM = dc * grid.eastStepM();
        double northM = dr * grid.northStepM();
        double lengthM = Math.hypot(eastM, northM);
        if (run == 0) {
            return FreeSpace.lossDb(ask.frequencyMHz(), Math.abs(ask.fromHeightM() - ask.toHeightM()));
        }
        double slope = (east ? dr : dc) / run;
        double perStepKm = lengthM / Math.abs(run) / 1000;
        d[0] = 0;
        h[0] = grid.at(grid.x(column), grid.y(row));
        int n = 1;
        int sign = run > 0 ? 1 : -1;
        int to = east ? toColumn : toRow;
        double start = east ? column : row;
        int first = sign > 0 ? (int) Math.floor(start) + 1 : (int) Math.ceil(start) - 1;
        for (int main = first; sign > 0 ? main <= to : main >= to; main += sign) {
            double u = main - start;
            double across = (east ? row : column) + slope * u;
            d[n] = Math.abs(u) * perStepKm;
            h[n] = east ? between(main, across, true) : between(main, across, false);
            n++;
        }
        double rise = h[n - 1] + ask.toHeightM() - h[0] - ask.fromHeightM();
        double free = FreeSpace.lossDb(ask.frequencyMHz(), Math.sqrt(lengthM * lengthM + rise * rise));
        if (n == 2) {
            // neighbours: nothing lies between
            return free;
        }
        return free
                + Diffraction.of(
                                earth,
                                ask.frequencyMHz(),
                                d,
                                h,
                                n,
                                ask.fromHeightM(),
                                ask.toHeightM(),
                                ask.earthFactor() * Diffraction.EARTH_KM)
                        .lossDb();
    }

    private double between(int main, double across, boolean east) {
        int side = east ? grid.rows() : grid.columns();
        int low = Math.max(0, Math.min(side - 2, (int) across));
        double share = across - low;
        float[] all = grid.heightM();
        int at = east ? low * grid.columns() + main : main * grid.columns() + low;
        int step = east ? grid.columns() : 1;
        return all[at] + share * (all[at + step] - all[at]);
    }
}
