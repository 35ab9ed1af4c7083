package org.skelto.core.radio;

import org.skelto.core.work.ComputingBudget;

/**
 * Diffraction over ground, the complete delta-Bullington method of Recommendation ITU-R P.526-15 (2019), §4.5: the Bullington
 * construction over the real profile, and what a smooth earth under it adds. Vertical polarisation over land.
 */
public final class Diffraction {
    /** Radius of the earth, km. */
    public static final double EARTH_KM = 6371;

    /** Median refraction makes the earth look larger by this factor. */
    public static final double USUAL_FACTOR = 4.0 / 3;

    /** Below this parameter an edge takes nothing. */
    public static final double LEAST_V = -0.78;

    /** Slopes that differ by less than this share are the same. */
    private static final double GRAZING = 1e-12;

    private Diffraction() {}

    /**
     * Loss by diffraction.
     *
     * @param bullingtonDb of the Bullington construction alone
     * @param lossDb with what the smooth earth adds; never less
     */
    public record Loss(double bullingtonDb, double lossDb) {}

    /**
     * Loss over a profile, beyond free space.
     *
     * @param frequencyMHz above 0; the recommendation is meant for 30 MHz upwards
     * @param txHeightM of the first antenna above the ground there, metres; likewise {@code rxHeightM} of the last
     * @param factor effective earth radius over the real one, above 0; 4/3 is usual
     */
    public static Loss of(double frequencyMHz, Terrain profile, double txHeightM, double rxHeightM, double factor) {
        ComputingBudget.step();
        Terrain t = profile.filled();
        int n = t.size();
        double[] d = new double[n];
        for (int i = 0; i < n; i++) {
            d[i] = (t.distancesM()[i] - t.distancesM()[0]) / 1000;
        }
        return of(frequencyMHz, d, t.heightsM(), n, txHeightM, rxHeightM, factor * EARTH_KM);
    }

    /** The same over the first {@code n} of distances in km from 0, which are not checked. */
    public static Loss of(
            double frequencyMHz,
            double[] dKm,
            double[] hM,
            int n,
            double txHeightM,
            double rxHeightM,
            double radiusKm) {
        ComputingBudget.step();
        return of(new SmoothEarth(frequencyMHz), frequencyMHz, dKm, hM, n, txHeightM, rxHeightM, radiusKm);
    }

    /** The same with what depends on the frequency alone. */
    public static Loss of(
            SmoothEarth earth,
            double frequencyMHz,
            double[] dKm,
            double[] hM,
            int n,
            double txHeightM,
            double rxHeightM,
            double radiusKm) {
        ComputingBudget.step();
        double wavelengthM = FreeSpace.SPEED_OF_LIGHT / (frequencyMHz * 1e6);
        double hts = hM[0] + txHeightM;
        double hrs = hM[n - 1] + rxHeightM;
        double bullington = bullington(dKm, hM, n, hts, hrs, wavelengthM, radiusKm);
        double[] smooth = effectiveHeights(dKm, hM, n, hts, hrs);
        double total = dKm[n - 1];
        double sphere = earth.lossDb(total, smooth[0], smooth[1], radiusKm);
        if (sphere <= 0) {
            return new Loss(bullington, bullington);
        }
        double flat = bullington(dKm, null, n, smooth[0], smooth[1], wavelengthM, radiusKm);
        return new Loss(bullington, bullington + Math.max(sphere - flat, 0));
    }

    /** Single knife-edge loss {@code J(v)}, dB; ITU-R P.526-15 (2019), equation 31. */
    public static double edgeDb(double v) {
        if (v <= LEAST_V) {
            return 0;
        }
        double w = v - 0.1;
        return 6.9 + 20 * Math.log10(Math.sqrt(w * w + 1) + w);
    }

    /** An edge's loss with the correction for what else lies along the way. */
    public static double corrected(double edgeDb, double totalKm) {
        return edgeDb + (1 - Math.exp(-edgeDb / 6)) * (10 + 0.02 * totalKm);
    }

    /** The Bullington construction; without heights the ground is the smooth earth at height 0. */
    private static double bullington(
            double[] d, double[] h, int n, double hts, double hrs, double wavelengthM, double radiusKm) {
        double total = d[n - 1];
        double bulge = 500 / radiusKm;
        double ahead = Double.NEGATIVE_INFINITY;
        double back = Double.NEGATIVE_INFINITY;
        for (int i = 1; i < n - 1; i++) {
            double rest = total - d[i];
            double top = (h == null ? 0 : h[i]) + bulge * d[i] * rest;
            ahead = Math.max(ahead, (top - hts) / d[i]);
            back = Math.max(back, (top - hrs) / rest);
        }
        double direct = (hrs - hts) / total;
        double corner = corner(hts, hrs, ahead, back, total);
        if (ahead < direct || corner < 0) {
            return corrected(edgeDb(greatestV(d, h, n, hts, hrs, wavelengthM, bulge)), total);
        }
        double over = hts + ahead * corner - (hts * (total - corner) + hrs * corner) / total;
        double v = over * Math.sqrt(0.002 * total / (wavelengthM * corner * (total - corner)));
        return corrected(edgeDb(v), total);
    }

    /**
     * Where the horizons of both ends meet, km, or negative when they do not: a ray that just grazes its edge has slopes
     * that cancel.
     */
    public static double corner(double hts, double hrs, double ahead, double back, double total) {
        double sum = ahead + back;
        if (!(sum > GRAZING * (Math.abs(ahead) + Math.abs(back)))) {
            return -1;
        }
        double at = (hrs - hts + back * total) / sum;
        return at > 0 && at < total ? at : -1;
    }

    private static double greatestV(
            double[] d, double[] h, int n, double hts, double hrs, double wavelengthM, double bulge) {
        double total = d[n - 1];
        double greatest = Double.NEGATIVE_INFINITY;
        for (int i = 1; i < n - 1; i++) {
            double rest = total - d[i];
            double over = (h == null ? 0 : h[i]) + bulge * d[i] * rest - (hts * rest + hrs * d[i]) / total;
            greatest = Math.max(greatest, over * Math.sqrt(0.002 * total / (wavelengthM * d[i] * rest)));
        }
        return greatest;
    }

    /** Heights of the antennas above the smooth surface that fits the profile best, P.526 §4.5.3, metres. */
    private static double[] effectiveHeights(double[] d, double[] h, int n, double hts, double hrs) {
        double v1 = 0;
        double v2 = 0;
        double over = Double.NEGATIVE_INFINITY;
        double ahead = Double.NEGATIVE_INFINITY;
        double back = Double.NEGATIVE_INFINITY;
        double total = d[n - 1];
        for (int i = 1; i < n; i++) {
            double step = d[i] - d[i - 1];
            v1 += step * (h[i] + h[i - 1]);
            v2 += step * (h[i] * (2 * d[i] + d[i - 1]) + h[i - 1] * (d[i] + 2 * d[i - 1]));
            if (i < n - 1) {
                double rest = total - d[i];
                double above = h[i] - (hts * rest + hrs * d[i]) / total;
                over = Math.max(over, above);
                ahead = Math.max(ahead, above / d[i]);
                back = Math.max(back, above / rest);
            }
        }
        double[] surface = surface(v1, v2, total, over, ahead, back);
        return new double[] {hts - Math.min(surface[0], h[0]), hrs - Math.min(surface[1], h[n - 1])};
    }

    /** Heights of the smooth surface at both ends from the sums over the profile and its greatest obstruction. */
    public static double[] surface(double v1, double v2, double total, double over, double ahead, double back) {
        double atStart = (2 * v1 * total - v2) / (total * total);
        double atEnd = (v2 - v1 * total) / (total * total);
        if (over <= 0) {
            return new double[] {atStart, atEnd};
        }
        double share = ahead / (ahead + back);
        return new double[] {atStart - over * share, atEnd - over * (1 - share)};
    }
}
