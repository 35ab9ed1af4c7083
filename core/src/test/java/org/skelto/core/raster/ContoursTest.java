package org.skelto.core.raster;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ContoursTest {
    private static final double CELL_M = 0.25;

    private final Grid grid = GridBuilder.builder()
            .floor("ground")
            .westM(3)
            .southM(-2)
            .cellM(CELL_M)
            .columns(48)
            .rows(36)
            .zM(1)
            .build();

    /** A landscape of some hills, so that lines close, end at the border, and meet saddles. */
    private float[] hills(Random random) {
        double[][] hills = new double[7][];
        for (int i = 0; i < hills.length; i++) {
            hills[i] = new double[] {
                3 + random.nextDouble() * 12,
                -2 + random.nextDouble() * 9,
                0.6 + random.nextDouble() * 2.5,
                random.nextDouble() * 50 - 15
            };
        }
        float[] level = new float[grid.cells()];
        for (int row = 0; row < grid.rows(); row++) {
            for (int column = 0; column < grid.columns(); column++) {
                double sum = -80;
                for (double[] h : hills) {
                    double off = Math.hypot(grid.x(column) - h[0], grid.y(row) - h[1]) / h[2];
                    sum += h[3] * Math.exp(-off * off);
                }
                level[row * grid.columns() + column] = (float) sum;
            }
        }
        return level;
    }

    private double between(float[] level, double x, double y) {
        double across = (x - grid.x(0)) / CELL_M;
        double up = (y - grid.y(0)) / CELL_M;
        int column = (int) Math.max(0, Math.min(grid.columns() - 2, Math.floor(across)));
        int row = (int) Math.max(0, Math.min(grid.rows() - 2, Math.floor(up)));
        double u = across - column;
        double v = up - row;
        int at = row * grid.columns() + column;
        return (level[at] * (1 - u) + level[at + 1] * u) * (1 - v)
                + (level[at + grid.columns()] * (1 - u) + level[at + grid.columns() + 1] * u) * v;
    }

    private static double toSegment(double x, double y, double ax, double ay, double bx, double by) {
        double length = (bx - ax) * (bx - ax) + (by - ay) * (by - ay);
        double share =
                length == 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length));
        return Math.hypot(x - ax - share * (bx - ax), y - ay - share * (by - ay));
    }

    private static double toLines(List<double[]> lines, double x, double y) {
        double least = Double.POSITIVE_INFINITY;
        for (double[] line : lines) {
            for (int i = 0; i + 3 < line.length; i += 2) {
                least = Math.min(least, toSegment(x, y, line[i], line[i + 1], line[i + 2], line[i + 3]));
            }
        }
        return least;
    }

    private static int crossed(List<double[]> lines, double ax, double ay, double bx, double by) {
        int count = 0;
        for (double[] line : lines) {
            for (int i = 0; i + 3 < line.length; i += 2) {
                double one = (bx - ax) * (line[i + 1] - ay) - (by - ay) * (line[i] - ax);
                double other = (bx - ax) * (line[i + 3] - ay) - (by - ay) * (line[i + 2] - ax);
                double dx = line[i + 2] - line[i];
                double dy = line[i + 3] - line[i + 1];
                double from = dx * (ay - line[i + 1]) - dy * (ax - line[i]);
                double to = dx * (by - line[i + 1]) - dy * (bx - line[i]);
                count += one > 0 != other > 0 && from > 0 != to > 0 ? 1 : 0;
            }
        }
        return count;
    }

    private int inner(Random random) {
        int column = 1 + random.nextInt(grid.columns() - 2);
        return (1 + random.nextInt(grid.rows() - 2)) * grid.columns() + column;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void whoeverWalksFromStrongToWeakCrossesTheLineAnOddNumberOfTimes(long seed) {
        Random random = new Random(seed);
        float[] level = hills(random);
        double at = -75 + random.nextInt(15);
        List<double[]> lines = Contours.of(grid, level, at);
        int walks = 0;
        while (walks < 300) {
            int a = inner(random);
            int b = inner(random);
            // the borders of the grid end lines, so both ends keep off them, and off the lines as far as those are
            // smoothed
            double ax = grid.x(a % grid.columns());
            double ay = grid.y(a / grid.columns());
            double bx = grid.x(b % grid.columns());
            double by = grid.y(b / grid.columns());
            if (toLines(lines, ax, ay) < 0.15 * CELL_M || toLines(lines, bx, by) < 0.15 * CELL_M) {
                continue;
            }
            walks++;
            assertEquals(
                    level[a] >= at != level[b] >= at,
                    crossed(lines, ax, ay, bx, by) % 2 == 1,
                    "from " + ax + ", " + ay + " to " + bx + ", " + by);
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void everyBendLiesOnTheLevelAndLinesEndOnlyAtTheBorder(long seed) {
        float[] level = hills(new Random(seed));
        for (double[] line : Contours.of(grid, level, -68)) {
            for (int i = 0; i < line.length; i += 2) {
                assertEquals(-68, between(level, line[i], line[i + 1]), 0.15);
            }
            boolean ring = line[0] == line[line.length - 2] && line[1] == line[line.length - 1];
            assertTrue(ring || border(line[0], line[1]) && border(line[line.length - 2], line[line.length - 1]));
        }
    }

    private boolean border(double x, double y) {
        double off = Math.min(
                Math.min(x - grid.x(0), grid.x(grid.columns() - 1) - x),
                Math.min(y - grid.y(0), grid.y(grid.rows() - 1) - y));
        return Math.abs(off) < 1e-3;
    }

    @Test
    void onASlopeTheLineIsStraightAndWhereItShouldBe() {
        float[] slope = new float[grid.cells()];
        for (int cell = 0; cell < slope.length; cell++) {
            slope[cell] = (float) (-40 - 4 * grid.x(cell % grid.columns()));
        }
        List<double[]> lines = Contours.of(grid, slope, -75);
        assertEquals(1, lines.size());
        for (int i = 0; i < lines.get(0).length; i += 2) {
            assertEquals(8.75, lines.get(0)[i], 1e-3);
        }
    }

    @Test
    void whereNothingIsHeardThereIsNoLineAndNoTrouble() {
        float[] none = new float[grid.cells()];
        java.util.Arrays.fill(none, Float.NEGATIVE_INFINITY);
        assertEquals(List.of(), Contours.of(grid, none, -75));
        none[grid.columns() + 5] = -50;
        assertEquals(1, Contours.of(grid, none, -75).size());
    }
}
