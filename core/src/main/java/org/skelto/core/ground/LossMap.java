package org.skelto.core.ground;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.skelto.core.work.ComputingBudget;
import org.skelto.core.work.Progress;

/**
 * Loss from one antenna to every node of a grid, as {@link PlainLoss} has it for one node, for all of them at once.
 *
 * <p>From the antenna rays are sent to the edge of the grid, in four sweeps (east, west, north, south) that each step from
 * column to column or row to row. Along a ray the profile of one node is the beginning of the next one's, so that sums and
 * horizons are carried on, see {@link TerrainRadial}. A node between two rays takes from both where its obstacles are, and looks at
 * the ground there on its own straight way, see {@link InterpolatedDiffraction}. Where an obstacle of the node's way stands out from those of both rays, the
 * map is off by what it adds.
 */
public final class LossMap {
    /** Rays leave the grid so many nodes apart. */
    static final int APART = 1;

    private static final int CHUNK = 24;
    private static final double SNAP = 0.02;

    private LossMap() {}

    /**
     * What is asked.
     *
     * @param xM of the antenna on the site, on the grid; likewise {@code yM}
     * @param fromHeightM above the ground there
     * @param toHeightM of the other antenna above the ground wherever it stands
     * @param earthFactor effective radius of the earth over the real one
     */
    public record Ask(
            double xM, double yM, double fromHeightM, double toHeightM, double frequencyMHz, double earthFactor) {}

    /** An antenna this near a column or row stands on it: nothing can be told apart within a fiftieth of a step. */
    static double snapped(double at) {
        return Math.abs(at - Math.rint(at)) < SNAP ? Math.rint(at) : at;
    }

    /**
     * Loss to every node in the order of the grid, dB.
     *
     * @param threads that work on it, at least 1
     * @throws IllegalArgumentException when the antenna is not on the grid
     * @throws Progress.Cancelled when it was cancelled meanwhile
     */
    public static float[] lossDb(ElevationGrid grid, Ask ask, Progress progress, int threads) {
        if (!grid.holds(ask.xM(), ask.yM())) {
            throw new IllegalArgumentException("the antenna is not on the grid");
        }
        float[] loss = new float[grid.heightM().length];
        Sheet level = Sheet.of(grid, ask, false);
        Sheet turned = Sheet.of(grid, ask, true);
        List<Runnable> pieces = new ArrayList<>();
        AtomicInteger done = new AtomicInteger();
        for (Sheet sheet : List.of(level, turned)) {
            for (int sign : new int[] {1, -1}) {
                Sweep sweep = new Sweep(sheet, sign, ask, loss);
                for (int first = 0; first < sweep.gaps(); first += CHUNK) {
                    int from = first;
                    int to = Math.min(sweep.gaps(), first + CHUNK);
                    pieces.add(() -> sweep.run(from, to, progress));
                }
            }
        }
        run(pieces, done, progress, threads);
        PlainLoss plain = new PlainLoss(grid, ask);
        double c = snapped(grid.column(ask.xM()));
        double r = snapped(grid.row(ask.yM()));
        if (c == Math.rint(c) && r == Math.rint(r)) {
            loss[(int) r * grid.columns() + (int) c] = (float) plain.lossDb((int) c, (int) r);
        }
        return loss;
    }

    private static void run(List<Runnable> pieces, AtomicInteger done, Progress progress, int threads) {
        ExecutorService executor = Executors.newFixedThreadPool(threads, work -> {
            Thread thread = new Thread(work, "loss-map");
            thread.setDaemon(true);
            return thread;
        });
        try {
            List<Future<?>> running = new ArrayList<>();
            for (Runnable piece : pieces) {
                running.add(executor.submit(ComputingBudget.carried(() -> {
                    piece.run();
                    progress.at((double) done.incrementAndGet() / pieces.size(), "following rays over the ground");
                })));
            }
            for (Future<?> future : running) {
                future.get();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Progress.Cancelled();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof Progress.Cancelled) {
                throw new Progress.Cancelled();
            }
            if (e.getCause() instanceof ComputingBudget.Exhausted) {
                throw new ComputingBudget.Exhausted();
            }
            throw new IllegalStateException(e.getCause());
        } finally {
            executor.shutdownNow();
        }
    }

    /** The grid as a sweep sees it: rays run along {@code main}, and lie side by side across it. */
    @RecordBuilder
    record Sheet(
            float[] heightM,
            int mains,
            int sides,
            double main,
            double side,
            double mainStepM,
            double sideStepM,
            boolean turned,
            double groundM)
            implements LossMapSheetBuilder.With {
        static Sheet of(ElevationGrid grid, Ask ask, boolean turned) {
            double c = snapped(grid.column(ask.xM()));
            double r = snapped(grid.row(ask.yM()));
            double ground = grid.at(grid.x(c), grid.y(r));
            int columns = grid.columns();
            int rows = grid.rows();
            if (!turned) {
                return LossMapSheetBuilder.builder()
                        .heightM(grid.heightM())
                        .mains(columns)
                        .sides(rows)
                        .main(c)
                        .side(r)
                        .mainStepM(grid.eastStepM())
                        .sideStepM(grid.northStepM())
                        .turned(false)
                        .groundM(ground)
                        .build();
            }
            float[] other = new float[columns * rows];
            for (int row = 0; row < rows; row++) {
                for (int column = 0; column < columns; column++) {
                    other[column * rows + row] = grid.heightM()[row * columns + column];
                }
            }
            return LossMapSheetBuilder.builder()
                    .heightM(other)
                    .mains(rows)
                    .sides(columns)
                    .main(r)
                    .side(c)
                    .mainStepM(grid.northStepM())
                    .sideStepM(grid.eastStepM())
                    .turned(true)
                    .groundM(ground)
                    .build();
        }

        /** Height where a way crosses a main line, linear between its two nodes; the outermost beyond the grid. */
        double height(int atMain, double across) {
            int low = (int) across;
            if (low >= sides - 1) {
                low = sides - 2;
            } else if (low < 0) {
                low = 0;
            }
            int at = low * mains + atMain;
            double a = heightM[at];
            return a + (across - low) * (heightM[at + mains] - a);
        }

        int index(int atMain, int atSide) {
            return turned ? atMain * sides + atSide : atSide * mains + atMain;
        }
    }
}
