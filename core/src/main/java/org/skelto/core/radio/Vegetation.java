package org.skelto.core.radio;

/** Loss in trees, modified exponential decay: {@code 1.33 f^0.284 d^0.588} above 14 m, else {@code 0.45 f^0.284 d}. */
public final class Vegetation {
    /** Deeper trees lie outside what was measured, metres. */
    public static final double MOST_M = 400;

    private static final double SHALLOW_M = 14;

    private Vegetation() {}

    /**
     * Loss in dB.
     *
     * @param frequencyMHz 230 to 95 000 within the source's range
     * @param depthM of trees in leaf along the ray, not negative; beyond {@value #MOST_M} extrapolated
     */
    public static double lossDb(double frequencyMHz, double depthM) {
        double f = Math.pow(frequencyMHz / 1000, 0.284);
        return depthM > SHALLOW_M ? 1.33 * f * Math.pow(depthM, 0.588) : 0.45 * f * depthM;
    }

    public static boolean extrapolated(double frequencyMHz, double depthM) {
        return depthM > MOST_M || frequencyMHz < 230 || frequencyMHz > 95_000;
    }
}
