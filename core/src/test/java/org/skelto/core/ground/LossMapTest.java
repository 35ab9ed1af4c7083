package org.skelto.core.ground;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.sample.Hills;
import org.skelto.core.work.Progress;

/** The map of all nodes at once against the plain way for each of them. */
class LossMapTest {
    private static float[] plain(ElevationGrid grid, LossMap.Ask ask) {
        PlainLoss plain = new PlainLoss(grid, ask);
        float[] all = new float[grid.heightM().length];
        for (int r = 0; r < grid.rows(); r++) {
            for (int c = 0; c < grid.columns(); c++) {
                all[r * grid.columns() + c] = (float) plain.lossDb(c, r);
            }
        }
        return all;
    }

    private static double share(float[] one, float[] other, double withinDb) {
        int near = 0;
        for (int i = 0; i < one.length; i++) {
            if (Math.abs(one[i] - other[i]) <= withinDb) {
                near++;
            }
        }
        return (double) near / one.length;
    }

    @ParameterizedTest
    @CsvSource({
        // side, step, relief, roughness, gateway column and row, heights, MHz
        "257, 30, 60, 0.52, 128, 128, 5, 2, 868.3",
        "257, 30, 60, 0.52, 31.37, 200.6, 12, 1.5, 868.3",
        "257, 90, 250, 0.5, 0, 0, 20, 2, 433.92",
        "257, 20, 15, 0.48, 256, 77.5, 2, 2, 915",
        "129, 25, 0, 0.5, 64.25, 10, 3, 2, 868.3",
    })
    void isWhatThePlainWaySays(
            int side,
            double step,
            double relief,
            double roughness,
            double c,
            double r,
            double from,
            double to,
            double f) {
        ElevationGrid grid = Hills.grid(side, step, relief, roughness, 11);
        LossMap.Ask ask = new LossMap.Ask(grid.x(c), grid.y(r), from, to, f, 4.0 / 3);

        float[] fast = LossMap.lossDb(grid, ask, Progress.NONE, 2);
        float[] plain = plain(grid, ask);

        double tenth = share(fast, plain, 0.1);
        double half = share(fast, plain, 0.5);
        assertTrue(tenth >= 0.95 && half >= 0.99, "within 0.1 dB " + tenth + ", within 0.5 dB " + half);
    }

    @Test
    void overlooksNoNode() {
        ElevationGrid grid = Hills.grid(65, 30, 40, 0.5, 3);
        for (double[] at : new double[][] {{0, 0}, {64, 64}, {32, 0}, {17.5, 40.01}, {63.99, 5}}) {
            float[] loss = LossMap.lossDb(
                    grid, new LossMap.Ask(grid.x(at[0]), grid.y(at[1]), 4, 2, 868, 4.0 / 3), Progress.NONE, 1);
            long none = 0;
            for (float l : loss) {
                none += l < 20 ? 1 : 0;
            }
            assertEquals(0, none, Arrays.toString(at));
        }
    }

    @Test
    void stopsWhenItIsCancelledAndRefusesAnAntennaBesideTheGrid() {
        ElevationGrid grid = Hills.grid(65, 30, 40, 0.5, 3);
        LossMap.Ask ask = new LossMap.Ask(30, 30, 4, 2, 868, 4.0 / 3);
        Progress cancelled = new Progress() {
            @Override
            public void at(double share, String doing) {}

            @Override
            public boolean cancelled() {
                return true;
            }
        };
        assertThrows(Progress.Cancelled.class, () -> LossMap.lossDb(grid, ask, cancelled, 2));
        assertThrows(
                IllegalArgumentException.class,
                () -> LossMap.lossDb(grid, new LossMap.Ask(-31, 0, 4, 2, 868, 1), Progress.NONE, 1));
    }
}
