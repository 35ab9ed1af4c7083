package org.skelto.core.radio;

/**
 * Diffraction over a smooth round earth, Recommendation ITU-R P.526-15 (2019), §3.1: land, vertical polarisation. What depends on the
 * frequency alone is worked out once.
 */
public final class SmoothEarth {
    /** Of land, relative to vacuum. */
    private static final double PERMITTIVITY = 22;

    /** Of land, S/m. */
    private static final double CONDUCTIVITY = 0.003;

    /** Decibels of a neper of power. */
    private static final double DB = 10 / Math.log(10);

    private final double wavelengthM;

    /** The surface's normalised admittance times the cube root of the radius in km. */
    private final double admittance;

    private final double frequencyRoot;

    /**
     * @param frequencyMHz above 0
     */
    public SmoothEarth(double frequencyMHz) {
        wavelengthM = FreeSpace.SPEED_OF_LIGHT / (frequencyMHz * 1e6);
        double lossy = 18_000 * CONDUCTIVITY / frequencyMHz;
        double horizontal =
                0.36 * Math.pow(frequencyMHz, -1.0 / 3) * Math.pow(square(PERMITTIVITY - 1) + square(lossy), -0.25);
        admittance = horizontal * Math.sqrt(square(PERMITTIVITY) + square(lossy));
        frequencyRoot = Math.cbrt(frequencyMHz);
    }

    private static double square(double x) {
        return x * x;
    }

    /**
     * Loss beyond free space, dB, not negative.
     *
     * @param totalKm between the ends, above 0
     * @param hteM height of one antenna above the smooth surface, metres; below 0 counts as 0; likewise {@code hreM}
     * @param radiusKm effective radius of the earth
     */
    public double lossDb(double totalKm, double hteM, double hreM, double radiusKm) {
        double hte = Math.max(hteM, 0);
        double hre = Math.max(hreM, 0);
        double roots = Math.sqrt(hte) + Math.sqrt(hre);
        // heights in metres and radius in km: √(2 a h) comes out in km with a factor √(1/1000)
        double horizonKm = Math.sqrt(2 * radiusKm / 1000) * roots;
        if (totalKm >= horizonKm) {
            return Math.max(0, firstTerm(totalKm, hte, hre, radiusKm));
        }
        double sum = hte + hre;
        double c = (hte - hre) / sum;
        double m = 250 * totalKm * totalKm / (radiusKm * sum);
        double b = 0;
        if (c != 0) {
            double cos = 1.5 * c * Math.sqrt(3 * m / ((m + 1) * (m + 1) * (m + 1)));
            b = 2
                    * Math.sqrt((m + 1) / (3 * m))
                    * Math.cos(Math.PI / 3 + Math.acos(Math.max(-1, Math.min(1, cos))) / 3);
        }
        double d1 = totalKm / 2 * (1 + b);
        double d2 = totalKm - d1;
        double least = ((hte - 500 * d1 * d1 / radiusKm) * d2 + (hre - 500 * d2 * d2 / radiusKm) * d1) / totalKm;
        double wanted = 17.456 * Math.sqrt(d1 * d2 * wavelengthM / totalKm);
        if (least > wanted) {
            return 0;
        }
        double modified = 500 * square(totalKm / roots);
        double first = firstTerm(totalKm, hte, hre, modified);
        return first < 0 ? 0 : (1 - least / wanted) * first;
    }

    /** The first term of the residue series, P.526 §3.1.1. */
    private double firstTerm(double totalKm, double hte, double hre, double radiusKm) {
        double root = Math.cbrt(radiusKm);
        double k = admittance / root;
        double k2 = k * k;
        double beta = (1 + 1.6 * k2 + 0.67 * k2 * k2) / (1 + 4.5 * k2 + 1.53 * k2 * k2);
        double x = 2.188 * beta * frequencyRoot / (root * root) * totalKm;
        double perMetre = 9.575e-3 * beta * beta * frequencyRoot * frequencyRoot / root;
        double log = Math.log(x);
        double distance = x >= 1.6 ? 11 + DB * log - 17.6 * x : -2 * DB * log - 5.6488 * Math.exp(1.425 * log);
        double least = 2 + 2 * DB * Math.log(k);
        return -distance - height(perMetre * hte, least) - height(perMetre * hre, least);
    }

    private static double height(double b, double least) {
        double gain = b > 2
                ? 17.6 * Math.sqrt(b - 1.1) - 0.5 * DB * Math.log(b - 1.1) - 8
                : 2 * DB * Math.log(b + 0.1 * b * b * b);
        return Math.max(gain, least);
    }
}
