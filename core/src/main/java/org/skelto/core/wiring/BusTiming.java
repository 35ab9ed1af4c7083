package org.skelto.core.wiring;

/** The formulas of the two-wire bus and of RS-485. */
public final class BusTiming {
    /** Fastest clock of ordinary boards, kHz. */
    public static final double FAST_K = 400;

    /** Up to this clock a line may rise in 1000 ns, kHz. */
    private static final double STANDARD_K = 100;

    /** What a board must be able to pull down, mA, and to which level, V. */
    private static final double SINK_MA = 3;

    private static final double LOW_V = 0.4;

    /** From 30 % to 70 % of the supply: ln(0.7 / 0.3) time constants. */
    private static final double RISE = 0.8473;

    private static final int CLOCKS_PER_BYTE = 9;
    private static final int START_AND_STOP = 2;
    private static final int BITS_PER_BYTE = 10;

    private BusTiming() {}

    /** Time in which a line must rise, ns: 1000 up to 100 kHz, 300 above. */
    public static double riseNs(double clockK) {
        return clockK <= STANDARD_K ? 1000 : 300;
    }

    /** Least pull-up that a driver of 3 mA pulls down to 0.4 V, Ω. */
    public static double leastPullUpOhm(double vdd) {
        return (vdd - LOW_V) / (SINK_MA / 1000);
    }

    /** Greatest pull-up with which a line of this capacitance rises in time, Ω. */
    public static double mostPullUpOhm(double capacitancePf, double clockK) {
        return riseNs(clockK) * 1e-9 / (RISE * capacitancePf * 1e-12);
    }

    /** Time to ask one board on the two-wire bus, ms. */
    public static double boardMs(int bytes, double clockK) {
        return (CLOCKS_PER_BYTE * bytes + START_AND_STOP) / clockK;
    }

    /** Time to ask one board on RS-485, ms: bytes of ten bits, and pauses counted in characters. */
    public static double lineMs(int bytes, double pauseCharacters, double rateK) {
        return BITS_PER_BYTE * (bytes + pauseCharacters) / rateK;
    }
}
