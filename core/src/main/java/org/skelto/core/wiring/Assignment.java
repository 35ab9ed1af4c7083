package org.skelto.core.wiring;

import java.util.Arrays;
import org.skelto.core.work.ComputingBudget;

/**
 * The cheapest way to give each row a column of its own, by shortest augmenting paths with potentials (the Hungarian
 * method): rows² × columns steps.
 *
 * @see <a href="https://doi.org/10.1002/nav.3800020109">Kuhn, The Hungarian method for the assignment problem, 1955</a>
 */
final class Assignment {
    private Assignment() {}

    /**
     * Column of each row.
     *
     * @param cost of each row and column, finite; at least as many columns as rows
     */
    static int[] of(double[][] cost) {
        int rows = cost.length;
        int columns = rows == 0 ? 0 : cost[0].length;
        if (columns < rows) {
            throw new IllegalArgumentException("fewer columns than rows");
        }
        // row and column 0 stand for none
        double[] rowPrice = new double[rows + 1];
        double[] columnPrice = new double[columns + 1];
        int[] rowOf = new int[columns + 1];
        for (int row = 1; row <= rows; row++) {
            ComputingBudget.step();
            augment(cost, row, rowPrice, columnPrice, rowOf);
        }
        int[] columnOf = new int[rows];
        for (int column = 1; column <= columns; column++) {
            if (rowOf[column] > 0) {
                columnOf[rowOf[column] - 1] = column - 1;
            }
        }
        return columnOf;
    }

    private static void augment(double[][] cost, int row, double[] rowPrice, double[] columnPrice, int[] rowOf) {
        int columns = columnPrice.length - 1;
        double[] least = new double[columns + 1];
        Arrays.fill(least, Double.POSITIVE_INFINITY);
        boolean[] used = new boolean[columns + 1];
        int[] before = new int[columns + 1];
        rowOf[0] = row;
        int at = 0;
        do {
            ComputingBudget.step();
            used[at] = true;
            int here = rowOf[at];
            double step = Double.POSITIVE_INFINITY;
            int next = 0;
            for (int column = 1; column <= columns; column++) {
                if (!used[column]) {
                    double reduced = cost[here - 1][column - 1] - rowPrice[here] - columnPrice[column];
                    if (reduced < least[column]) {
                        least[column] = reduced;
                        before[column] = at;
                    }
                    if (least[column] < step) {
                        step = least[column];
                        next = column;
                    }
                }
            }
            for (int column = 0; column <= columns; column++) {
                if (used[column]) {
                    rowPrice[rowOf[column]] += step;
                    columnPrice[column] -= step;
                } else {
                    least[column] -= step;
                }
            }
            at = next;
        } while (rowOf[at] != 0);
        while (at != 0) {
            rowOf[at] = rowOf[before[at]];
            at = before[at];
        }
    }
}
