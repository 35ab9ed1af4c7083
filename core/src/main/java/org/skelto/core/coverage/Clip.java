package org.skelto.core.coverage;

/** A rectangle that half-planes are cut from, one after the other; what is left is convex. */
final class Clip {
    /** A point this far outside a half-plane still counts as in it: the figure may only come out too large. */
    private static final double SLACK = 1e-9;

    private double[] x;
    private double[] y;
    private double[] otherX = new double[12];
    private double[] otherY = new double[12];
    private int size = 4;

    Clip(double west, double south, double east, double north) {
        x = new double[] {west, east, east, west, 0, 0, 0, 0, 0, 0, 0, 0};
        y = new double[] {south, south, north, north, 0, 0, 0, 0, 0, 0, 0, 0};
    }

    /** Keeps the points where a·x + b·y + c is not negative. */
    void keep(double a, double b, double c) {
        int kept = 0;
        for (int i = 0; i < size; i++) {
            int j = i + 1 == size ? 0 : i + 1;
            double here = a * x[i] + b * y[i] + c + SLACK;
            double next = a * x[j] + b * y[j] + c + SLACK;
            if (here >= 0) {
                otherX[kept] = x[i];
                otherY[kept++] = y[i];
            }
            if (here >= 0 != next >= 0) {
                double share = here / (here - next);
                otherX[kept] = x[i] + share * (x[j] - x[i]);
                otherY[kept++] = y[i] + share * (y[j] - y[i]);
            }
        }
        double[] swap = x;
        x = otherX;
        otherX = swap;
        swap = y;
        y = otherY;
        otherY = swap;
        size = kept;
    }

    /** Least y that is left; positive infinity when nothing is. */
    double southM() {
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i < size; i++) {
            least = Math.min(least, y[i]);
        }
        return least;
    }

    /** Greatest y that is left; negative infinity when nothing is. */
    double northM() {
        double most = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < size; i++) {
            most = Math.max(most, y[i]);
        }
        return most;
    }
}
