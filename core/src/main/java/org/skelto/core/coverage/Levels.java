package org.skelto.core.coverage;

import org.skelto.core.plan.Plan;
import org.skelto.core.plan.site.Clutter;
import org.skelto.core.radio.DistanceExponent;
import org.skelto.core.radio.FreeSpace;
import org.skelto.core.radio.SlabTable;
import org.skelto.core.raster.Grid;
import org.skelto.core.site.Point;
import org.skelto.core.site.SlabArea;
import org.skelto.core.work.ComputingBudget;

/**
 * The level of one source in every cell of a grid: free space, every panel and slab on the straight ray, and the clutter
 * term, as {@link org.skelto.core.radio.MultiWall} has it for one ray; or the distance exponent where the plan asks for it.
 *
 * <p>Instead of asking each cell what lies on its ray, each panel is asked which cells it hides: work grows with the walls
 * that are really crossed. The result is the same for every cell.
 */
final class Levels {
    private final LossTerms terms;
    private final Grid grid;
    private final Source source;
    private final LossTerms.Losses losses;
    private final short[] roomOfCells;
    private final float[] clutterOfRooms;
    private final float clutterOutside;
    private final Shadow[] shadows;
    private final SlabTable[] shadowTables;
    private final float[] level;

    /** @param roomOfCells from {@link LossTerms#roomOfCells} */
    Levels(LossTerms terms, Grid grid, Source source, short[] roomOfCells) {
        this.terms = terms;
        this.grid = grid;
        this.source = source;
        this.losses = terms.at(source.frequencyMHz());
        this.roomOfCells = roomOfCells;
        Clutter own = clutterOf(terms.site.plan(), source);
        this.clutterOutside = own == null ? 0 : (float) own.lossDb();
        this.clutterOfRooms = terms.clutterWith(clutterOutside);
        this.level = new float[grid.cells()];
        Shadow[] all = new Shadow[terms.panels.length];
        SlabTable[] tables = new SlabTable[terms.panels.length];
        int count = 0;
        for (int i = 0; i < all.length; i++) {
            Shadow shadow = new Shadow(
                    terms.panels[i],
                    grid,
                    source.at().xM(),
                    source.at().yM(),
                    source.at().zM());
            if (shadow.any()) {
                all[count] = shadow;
                tables[count++] = losses.panels()[i];
            }
        }
        this.shadows = java.util.Arrays.copyOf(all, count);
        this.shadowTables = tables;
    }

    private static Clutter clutterOf(Plan plan, Source source) {
        return source.place() == null || source.place().room() == null
                ? null
                : plan.rooms().get(source.place().room()).clutter();
    }

    /** Levels in dBm, filled where {@link #rows} has been. */
    float[] dbm() {
        return level;
    }

    /** Works out the rows from the first to before the last. Different rows may be worked out at the same time. */
    void rows(int from, int to) {
        new Strip(from, to).run();
    }

    /** A few rows, small enough to stay in the processor's nearest memory while every panel is added. */
    private final class Strip {
        private final int from;
        private final int to;
        private final int offset;
        private final float[] inverseDistance;
        private final float[] loss;

        Strip(int from, int to) {
            this.from = from;
            this.to = to;
            this.offset = from * grid.columns();
            this.inverseDistance = new float[(to - from) * grid.columns()];
            this.loss = new float[inverseDistance.length];
        }

        void run() {
            ComputingBudget.step();
            distances();
            for (int i = 0; i < shadows.length; i++) {
                if (shadows[i].firstRow < to && shadows[i].lastRow >= from) {
                    panel(shadows[i], shadowTables[i]);
                }
            }
            for (int i = 0; i < terms.slabs.length; i++) {
                slab(terms.slabs[i], losses.slabs()[i]);
            }
            double constant = source.levelDbm() - FreeSpace.lossDb(source.frequencyMHz(), 1);
            for (int i = 0; i < loss.length; i++) {
                int room = roomOfCells[offset + i];
                float clutter = room < 0 ? clutterOutside : clutterOfRooms[room];
                double spread = inverseDistance[i] >= 1 ? 0 : -2 * Decibels.of(inverseDistance[i]);
                level[offset + i] = (float) (constant - spread - loss[i] - clutter);
            }
            if (!terms.byWalls()) {
                byExponent();
            }
            if (source.pattern() != null) {
                besideBeam();
            }
        }

        private void besideBeam() {
            for (int row = from, cell = offset; row < to; row++) {
                for (int column = 0; column < grid.columns(); column++, cell++) {
                    level[cell] -= (float) source.besideDb(new Point(grid.x(column), grid.y(row), grid.zM()));
                }
            }
        }

        private void distances() {
            double dz = grid.zM() - source.at().zM();
            int cell = 0;
            for (int row = from; row < to; row++) {
                double dy = grid.y(row) - source.at().yM();
                double flat = dy * dy + dz * dz;
                for (int column = 0; column < grid.columns(); column++, cell++) {
                    double dx = grid.x(column) - source.at().xM();
                    inverseDistance[cell] = (float) (1 / Math.sqrt(dx * dx + flat));
                }
            }
        }

        private void panel(Shadow shared, SlabTable table) {
            ComputingBudget.step();
            Shadow shadow = shared.again();
            int last = Math.min(to - 1, shared.lastRow);
            for (int row = Math.max(from, shared.firstRow); row <= last; row++) {
                shadow.row(row);
                if (shadow.first <= shadow.last) {
                    shadow.add(row, table, inverseDistance, loss, (row - from) * grid.columns());
                }
            }
        }

        private void slab(SlabArea slab, SlabTable table) {
            ComputingBudget.step();
            double run = grid.zM() - source.at().zM();
            double share = (slab.zM() - source.at().zM()) / run;
            if (run == 0 || !(share > 0 && share < 1)) {
                return;
            }
            double height = Math.abs(run);
            double sx = source.at().xM();
            double sy = source.at().yM();
            for (int row = from; row < to; row++) {
                double[] spans = slab.spans(sy + share * (grid.y(row) - sy));
                int start = (row - from) * grid.columns();
                for (int s = 0; s < spans.length; s += 2) {
                    int first = Math.max(0, column(sx + (spans[s] - sx) / share) - 1);
                    int last = Math.min(grid.columns() - 1, column(sx + (spans[s + 1] - sx) / share) + 1);
                    while (first <= last && !(meets(first, sx, share) >= spans[s])) {
                        first++;
                    }
                    while (last >= first && !(meets(last, sx, share) < spans[s + 1])) {
                        last--;
                    }
                    for (int column = first; column <= last; column++) {
                        loss[start + column] += (float) table.lossDb(height * inverseDistance[start + column]);
                    }
                }
            }
        }

        /** Within the source's own building the distance exponent says the loss. */
        private void byExponent() {
            String own = terms.site.buildingOf(source.place());
            Plan plan = terms.site.plan();
            if (own == null || !own.equals(plan.floors().get(grid.floor()).building())) {
                return;
            }
            double floors = terms.site.floorsBetween(source.at().zM(), grid.zM(), own)
                    * DistanceExponent.floorDb(source.frequencyMHz());
            for (int i = 0; i < loss.length; i++) {
                if (roomOfCells[offset + i] >= 0) {
                    double lossDb = DistanceExponent.lossDb(source.frequencyMHz(), 1 / inverseDistance[i]) + floors;
                    level[offset + i] = (float) (source.levelDbm() - lossDb);
                }
            }
        }
    }

    private int column(double xM) {
        double at = Math.floor((xM - grid.westM()) / grid.cellM());
        return (int) Math.max(-2, Math.min(grid.columns() + 2.0, at));
    }

    private double meets(int column, double sx, double share) {
        return sx + share * (grid.x(column) - sx);
    }
}
