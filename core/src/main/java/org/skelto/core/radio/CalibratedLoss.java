package org.skelto.core.radio;

import java.util.Map;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.Calibration;
import org.skelto.core.plan.radio.RadioBand;

/** What a plan's calibration says, while it is used. */
public final class CalibratedLoss {
    private CalibratedLoss() {}

    public static boolean used(Plan plan) {
        return plan.calibration() != null && plan.calibration().used();
    }

    /** Loss of a construction in a band, dB, or null when nothing was learned. */
    static Double wallDb(Plan plan, String construction, RadioBand band) {
        return used(plan)
                ? plan.calibration()
                        .wallDb()
                        .getOrDefault(construction, Map.of())
                        .get(band)
                : null;
    }

    /** Offset of a unit's radio, dB; 0 when nothing was learned. */
    public static double offsetDb(Plan plan, String unit, double frequencyMHz) {
        Calibration calibration = plan.calibration();
        return !used(plan) || unit == null
                ? 0
                : calibration.offsetDb().getOrDefault(unit, Map.of()).getOrDefault(RadioBand.of(frequencyMHz), 0.0);
    }

    /** Spread of predictions in a building, dB: 8 before calibration, then that of held-out readings. */
    public static double sigmaDb(Plan plan, double frequencyMHz) {
        return used(plan)
                ? plan.calibration().sigmaDb().getOrDefault(RadioBand.of(frequencyMHz), Chance.INDOOR_SIGMA_DB)
                : Chance.INDOOR_SIGMA_DB;
    }
}
