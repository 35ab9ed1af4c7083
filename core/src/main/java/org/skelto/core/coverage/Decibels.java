package org.skelto.core.coverage;

/**
 * Decibels of a ratio, quicker than a logarithm: the exponent of the number, and its mantissa read from a table with
 * straight pieces between {@value #NODES} nodes. The largest error is 1e-6 dB.
 */
final class Decibels {
    private static final int BITS = 10;
    private static final int NODES = (1 << BITS) + 1;
    private static final int MANTISSA_BITS = 23;
    private static final int REST_BITS = MANTISSA_BITS - BITS;
    private static final int REST = (1 << REST_BITS) - 1;
    private static final double PER_OCTAVE = 10 * Math.log10(2);
    private static final double[] MANTISSA = new double[NODES];

    static {
        for (int i = 0; i < NODES; i++) {
            MANTISSA[i] = 10 * Math.log10(1 + (double) i / (NODES - 1));
        }
    }

    private Decibels() {}

    /** {@code 10 log10(ratio)} of a normal positive number. */
    static double of(float ratio) {
        int bits = Float.floatToRawIntBits(ratio);
        int node = bits >> REST_BITS & (NODES - 2);
        double share = (bits & REST) * (1.0 / (REST + 1));
        double low = MANTISSA[node];
        return PER_OCTAVE * ((bits >> MANTISSA_BITS) - 127) + low + share * (MANTISSA[node + 1] - low);
    }
}
