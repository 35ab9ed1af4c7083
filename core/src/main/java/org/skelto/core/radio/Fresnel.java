package org.skelto.core.radio;

/** The first Fresnel zone, Recommendation ITU-R P.526-15 (2019), equation 2 with n = 1. */
public final class Fresnel {
    private Fresnel() {}

    /**
     * Radius {@code √(λ d1 d2 / (d1 + d2))} of the first zone in metres.
     *
     * @param d1M distance to one end, above 0
     * @param d2M distance to the other end, above 0
     */
    public static double radiusM(double frequencyMHz, double d1M, double d2M) {
        double wavelengthM = FreeSpace.SPEED_OF_LIGHT / (frequencyMHz * 1e6);
        return Math.sqrt(wavelengthM * d1M * d2M / (d1M + d2M));
    }
}
