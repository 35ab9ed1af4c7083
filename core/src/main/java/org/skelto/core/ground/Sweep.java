package org.skelto.core.ground;

import org.skelto.core.work.ComputingBudget;
import org.skelto.core.work.Progress;

/** One of the four sweeps of a {@link LossMap}: all rays to one edge of the grid, and the nodes between them. */
final class Sweep {
    private final LossMap.Sheet sheet;
    private final int sign;
    private final LossMap.Ask ask;
    private final float[] loss;

    /** The first main line beyond the antenna, and how many there are. */
    private final int first;

    private final int lines;

    /** Distance of the edge from the antenna, steps. */
    private final double reach;

    /** Where the first ray meets the edge's line. */
    private final int lowest;

    private final int gaps;

    Sweep(LossMap.Sheet sheet, int sign, LossMap.Ask ask, float[] loss) {
        this.sheet = sheet;
        this.sign = sign;
        this.ask = ask;
        this.loss = loss;
        this.first = sign > 0 ? (int) Math.floor(sheet.main()) + 1 : (int) Math.ceil(sheet.main()) - 1;
        this.lines = sign > 0 ? sheet.mains() - first : first + 1;
        this.reach = lines <= 0 ? 0 : Math.abs((sign > 0 ? sheet.mains() - 1 : 0) - sheet.main());
        this.lowest = (int) Math.floor(sheet.side() - reach);
        int highest = (int) Math.ceil(sheet.side() + reach);
        this.gaps = lines <= 0 ? 0 : (highest - lowest + LossMap.APART - 1) / LossMap.APART;
    }

    /** How many gaps between neighbouring rays there are. */
    int gaps() {
        return gaps;
    }

    /** Distance of a main line from the antenna, steps. */
    private double distance(int line) {
        return Math.abs(first + sign * line - sheet.main());
    }

    private double slope(int gap) {
        return (lowest + gap * LossMap.APART - sheet.side()) / reach;
    }

    void run(int fromGap, int toGap, Progress progress) {
        ComputingBudget.step();
        TerrainRadial low = new TerrainRadial(sheet, ask, first, sign, lines);
        TerrainRadial high = new TerrainRadial(sheet, ask, first, sign, lines);
        InterpolatedDiffraction between = new InterpolatedDiffraction(sheet, ask, first, sign, lines);
        boolean ready = false;
        for (int gap = fromGap; gap < toGap; gap++) {
            ComputingBudget.step();
            progress.check();
            if (!crosses(gap)) {
                ready = false;
                continue;
            }
            if (ready) {
                TerrainRadial spare = low;
                low = high;
                high = spare;
            } else {
                low.run(slope(gap), distance(0));
            }
            high.run(slope(gap + 1), distance(0));
            ready = true;
            nodes(gap, low, high, between);
        }
    }

    /** Whether there is any node of the grid in a gap. */
    private boolean crosses(int gap) {
        double top = sheet.side() + Math.max(0, slope(gap + 1)) * reach;
        double foot = sheet.side() + Math.min(0, slope(gap)) * reach;
        return top >= 0 && foot <= sheet.sides() - 1;
    }

    private void nodes(int gap, TerrainRadial low, TerrainRadial high, InterpolatedDiffraction between) {
        double below = slope(gap);
        double above = slope(gap + 1);
        boolean turned = sheet.turned();
        for (int line = 0; line < lines; line++) {
            double u = distance(line);
            int from = (int) Math.ceil(sheet.side() + below * u);
            double end = sheet.side() + above * u;
            for (int side = Math.max(0, from); side < end && side < sheet.sides(); side++) {
                double v = side - sheet.side();
                // what lies on a diagonal belongs to the sweeps along columns; the plain way splits it likewise
                boolean mine = turned ? Math.abs(v) < u : Math.abs(v) <= u;
                if (mine) {
                    store(line, side, u, v, (v / u - below) / (above - below), low, high, between);
                }
            }
            // the last ray's own nodes have no gap above them
            if (gap == gaps - 1 && end == Math.rint(end) && end >= 0 && end < sheet.sides()) {
                double v = end - sheet.side();
                if (turned ? Math.abs(v) < u : Math.abs(v) <= u) {
                    store(line, (int) end, u, v, 1, low, high, between);
                }
            }
        }
    }

    private void store(
            int line,
            int side,
            double u,
            double v,
            double share,
            TerrainRadial low,
            TerrainRadial high,
            InterpolatedDiffraction between) {
        int main = first + sign * line;
        loss[sheet.index(main, side)] = (float) between.lossDb(line, side, u, v / u, share, low, high);
    }
}
