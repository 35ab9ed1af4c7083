package org.skelto.core.radio;

/** Free-space basic transmission loss, Recommendation ITU-R P.525-4 (2019), equation 4. */
public final class FreeSpace {
    /** Speed of light in vacuum, m/s. */
    public static final double SPEED_OF_LIGHT = 299_792_458.0;

    /** Distances below this one count as this one, metres. */
    public static final double LEAST_M = 1.0;

    private FreeSpace() {}

    /**
     * {@code L = 20 log10(4πdf/c)} in dB.
     *
     * @param frequencyMHz above 0
     * @param distanceM not negative; below 1 m the loss at 1 m
     */
    public static double lossDb(double frequencyMHz, double distanceM) {
        double distance = Math.max(distanceM, LEAST_M);
        return 20 * Math.log10(4 * Math.PI * distance * frequencyMHz * 1e6 / SPEED_OF_LIGHT);
    }
}
