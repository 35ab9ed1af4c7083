package org.skelto.core.plan.radio;

/** Bands within which a wall's loss is taken as one figure when it is measured or learned. */
public enum RadioBand {
    /** 433 MHz and its neighbours. */
    BELOW_600_MHZ,
    SUB_GHZ,
    AROUND_2_4_GHZ,
    AROUND_5_GHZ;

    /** The band that a frequency belongs to. */
    public static RadioBand of(double frequencyMHz) {
        if (frequencyMHz < 600) {
            return BELOW_600_MHZ;
        }
        if (frequencyMHz < 1500) {
            return SUB_GHZ;
        }
        return frequencyMHz < 4000 ? AROUND_2_4_GHZ : AROUND_5_GHZ;
    }
}
