package org.skelto.core.radio;

import org.skelto.core.plan.site.Construction;
import org.skelto.core.plan.site.Material;

/** Loss of a wave through a single homogeneous slab, Recommendation ITU-R P.2040. */
public final class Slab {
    /** The raw formula's answer is capped here, dB. */
    static final double MOST_DB = 100;

    /** Foil and metal in a building leak round their edges: no more than this counts in a plan, dB. */
    private static final double METAL_MOST_DB = 40;

    /** A plan's rays count as no flatter than this, degrees from the normal. */
    static final double FLATTEST_DEG = 75;

    /** Thickness of real walls varies: |T|² is averaged over this share to either side. */
    private static final double THICKNESS_SPREAD = 0.1;

    private static final int THICKNESS_SAMPLES = 21;

    private Slab() {}

    private record Complex(double re, double im) {
        static Complex real(double re) {
            return new Complex(re, 0);
        }

        Complex plus(Complex o) {
            return new Complex(re + o.re, im + o.im);
        }

        Complex minus(Complex o) {
            return new Complex(re - o.re, im - o.im);
        }

        Complex times(Complex o) {
            return new Complex(re * o.re - im * o.im, re * o.im + im * o.re);
        }

        Complex over(Complex o) {
            double scale = o.re * o.re + o.im * o.im;
            return new Complex((re * o.re + im * o.im) / scale, (im * o.re - re * o.im) / scale);
        }

        Complex sqrt() {
            double size = Math.hypot(re, im);
            double root = Math.sqrt((size + Math.abs(re)) / 2);
            if (root == 0) {
                return this;
            }
            double other = im / (2 * root);
            return re >= 0 ? new Complex(root, other) : new Complex(Math.abs(other), Math.copySign(root, im));
        }

        Complex exp() {
            double size = Math.exp(re);
            return new Complex(size * Math.cos(im), size * Math.sin(im));
        }

        double power() {
            return re * re + im * im;
        }
    }

    /**
     * Raw loss in dB: −10 log10 of the mean of |T|² for both polarisations, at most {@value #MOST_DB} dB.
     *
     * @param thicknessMm above 0
     * @param incidenceDeg from the normal, 0 to 85
     */
    public static double lossDb(Material material, double thicknessMm, double frequencyMHz, double incidenceDeg) {
        return decibels(Face.of(material, frequencyMHz, incidenceDeg).transmittance(thicknessMm));
    }

    /** Loss of a construction as a plan counts it: layers summed, thickness spread, flat rays and metal capped. */
    public static double constructionLossDb(Construction construction, double frequencyMHz, double incidenceDeg) {
        double angle = Math.min(incidenceDeg, FLATTEST_DEG);
        double loss = construction.extraDb();
        for (Construction.Layer layer : construction.layers()) {
            if (layer.material() != Material.AIR) {
                loss += layerLossDb(layer, frequencyMHz, angle);
            }
        }
        return loss;
    }

    /** Whether a layer's constants were published for another range of frequencies. */
    public static boolean extrapolated(Construction construction, double frequencyMHz) {
        return construction.layers().stream().anyMatch(l -> l.material().extrapolatedAt(frequencyMHz / 1000));
    }

    private static double layerLossDb(Construction.Layer layer, double frequencyMHz, double angle) {
        Face face = Face.of(layer.material(), frequencyMHz, angle);
        double sum = 0;
        for (int i = 0; i < THICKNESS_SAMPLES; i++) {
            double share = 1 + THICKNESS_SPREAD * (2.0 * i / (THICKNESS_SAMPLES - 1) - 1);
            sum += face.transmittance(layer.thicknessMm() * share);
        }
        double loss = decibels(sum / THICKNESS_SAMPLES);
        return layer.material() == Material.METAL ? Math.min(loss, METAL_MOST_DB) : loss;
    }

    private static double decibels(double transmittance) {
        return Math.min(MOST_DB, -10 * Math.log10(Math.max(transmittance, 1e-30)));
    }

    /**
     * What a wave meets at the face of a slab, whatever the slab's thickness; ITU-R P.2040 single slab.
     *
     * @param s √(η − sin²θ)
     * @param te square of the reflection for the electric field across the plane of incidence
     * @param tm square of the reflection for the field within it
     */
    private record Face(Complex s, Complex te, Complex tm, double wavelengthM) {
        static Face of(Material material, double frequencyMHz, double incidenceDeg) {
            double frequencyGHz = frequencyMHz / 1000;
            double angle = Math.toRadians(incidenceDeg);
            Complex cos = Complex.real(Math.cos(angle));
            double sin = Math.sin(angle);
            Complex eta = new Complex(
                    material.permittivity(frequencyGHz), -17.98 * material.conductivity(frequencyGHz) / frequencyGHz);
            Complex s = eta.minus(Complex.real(sin * sin)).sqrt();
            Complex te = cos.minus(s).over(cos.plus(s));
            Complex tm = eta.times(cos).minus(s).over(eta.times(cos).plus(s));
            return new Face(s, te.times(te), tm.times(tm), FreeSpace.SPEED_OF_LIGHT / (frequencyMHz * 1e6));
        }

        /** Mean of |T|² over both polarisations. */
        double transmittance(double thicknessMm) {
            double turns = 2 * Math.PI * thicknessMm / 1000 / wavelengthM;
            // e^(−jq) with q = 2πt·s/λ
            Complex once = new Complex(turns * s.im(), -turns * s.re()).exp();
            Complex twice = once.times(once);
            return (transmission(te, once, twice).power()
                            + transmission(tm, once, twice).power())
                    / 2;
        }

        private static Complex transmission(Complex squared, Complex once, Complex twice) {
            Complex one = Complex.real(1);
            return one.minus(squared).times(once).over(one.minus(squared.times(twice)));
        }
    }
}
