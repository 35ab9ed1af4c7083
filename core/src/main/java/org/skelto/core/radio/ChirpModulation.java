package org.skelto.core.radio;

import org.skelto.core.plan.radio.Chirp;

/** Long-range chirp spread spectrum (CSS): receiver floor and time on air. */
public final class ChirpModulation {
    /** Noise figure unless the part states one, dB. */
    public static final double NOISE_FIGURE_DB = 6;

    /** Thermal noise at room temperature, dBm in one hertz. */
    private static final double THERMAL_DBM_HZ = -174;

    /** Symbols longer than this use low-data-rate optimisation, ms. */
    private static final double LONG_SYMBOL_MS = 16;

    /** Time on air in symbols. */
    public static final String AIRTIME_FORMULA =
            "(n + 4.25) Ts + (8 + max(⌈(8PL − 4SF + 28 + 16crc − 20implicit) / (4(SF − 2ldro))⌉ (CR + 4), 0)) Ts";

    /** Where {@link #AIRTIME_FORMULA} comes from. */
    public static final String AIRTIME_SOURCE = "chirp spread spectrum, Ts = 2^SF / B";

    private ChirpModulation() {}

    /**
     * What is sent.
     *
     * @param payloadBytes 0 to 255
     * @param preambleSymbols 6 to 65535
     */
    public record Frame(int payloadBytes, int preambleSymbols, boolean explicitHeader, boolean crc) {}

    /** Signal-to-noise ratio that demodulation needs, dB: −5 at SF6, 2.5 less for each step. */
    public static double leastSnrDb(int spreadingFactor) {
        return -5 - 2.5 * (spreadingFactor - 6);
    }

    /** Receiver floor {@code −174 + 10 log10(B) + NF + SNRmin} in dBm. */
    public static double sensitivityDbm(int spreadingFactor, double bandwidthKHz, double noiseFigureDb) {
        return THERMAL_DBM_HZ + 10 * Math.log10(bandwidthKHz * 1000) + noiseFigureDb + leastSnrDb(spreadingFactor);
    }

    /** Whether the settings can be used at all: spreading factor 6 works only with an implicit header. */
    public static boolean possible(Chirp chirp, Frame frame) {
        return chirp.spreadingFactor() != 6 || !frame.explicitHeader();
    }

    /**
     * Time on air in milliseconds.
     *
     * @throws IllegalArgumentException for spreading factor 6 with an explicit header
     */
    public static double airtimeMs(Chirp chirp, Frame frame) {
        if (!possible(chirp, frame)) {
            throw new IllegalArgumentException("spreading factor 6 works only with an implicit header");
        }
        int sf = chirp.spreadingFactor();
        double symbolMs = symbolMs(chirp);
        int optimised = optimised(chirp) ? 1 : 0;
        int bits = 8 * frame.payloadBytes() - 4 * sf + 28 + (frame.crc() ? 16 : 0) - (frame.explicitHeader() ? 0 : 20);
        double blocks = Math.ceil(bits / (4.0 * (sf - 2 * optimised)));
        double symbols = 8 + Math.max(blocks * chirp.codingRateDenominator(), 0);
        return (frame.preambleSymbols() + 4.25) * symbolMs + symbols * symbolMs;
    }

    /** Length of a symbol, ms. */
    public static double symbolMs(Chirp chirp) {
        return Math.pow(2, chirp.spreadingFactor()) / chirp.bandwidthKHz();
    }

    /** Whether symbols are so long that low-data-rate optimisation is on. */
    public static boolean optimised(Chirp chirp) {
        return symbolMs(chirp) > LONG_SYMBOL_MS;
    }
}
