package org.skelto.core.radio;

/** Sums about the air that several senders share. */
public final class Air {
    private Air() {}

    /** Share of time on air, 0 upwards; the interval in seconds is above 0. */
    public static double duty(double airtimeMs, double intervalS) {
        return airtimeMs / 1000 / intervalS;
    }

    /** The shortest interval in seconds that keeps a limit, in percent above 0. */
    public static double leastIntervalS(double airtimeMs, double limitPercent) {
        return airtimeMs / 1000 / (limitPercent / 100);
    }

    /**
     * Chance that a frame meets no other one, senders not knowing of each other: {@code e^(−2(N−1)T/I)}.
     *
     * @param transmitters all of them, the asking one too, at least 1
     */
    public static double frameSuccess(int transmitters, double airtimeMs, double intervalS) {
        return Math.exp(-2.0 * (transmitters - 1) * airtimeMs / 1000 / intervalS);
    }

    /** Chance that one of so many tries comes through when each does with this chance. */
    public static double delivery(double frameSuccess, int tries) {
        return 1 - Math.pow(1 - frameSuccess, tries);
    }
}
