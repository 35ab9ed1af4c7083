package org.skelto.core.radio;

import org.apache.commons.numbers.gamma.Erfc;
import org.apache.commons.numbers.gamma.InverseErfc;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;

/** The chance that a link holds at a place and time: Φ(margin/σ), for slow fading only. */
public final class Chance {
    /** Spread of indoor predictions before calibration, dB. */
    public static final double INDOOR_SIGMA_DB = 8;

    /** Spread of outdoor predictions, dB. */
    public static final double OUTDOOR_SIGMA_DB = 6;

    private Chance() {}

    /** Φ(margin/σ), 0 to 1; σ above 0. */
    public static double of(double marginDb, double sigmaDb) {
        return 0.5 * Erfc.value(-marginDb / sigmaDb / Math.sqrt(2));
    }

    /** How the chance outdoors comes about; σ as it was chosen for the link. */
    public static Figure figure(double marginDb, double sigmaDb) {
        return Figure.of(
                "Φ(margin / σ): the confidence that it works at this place, no share of time; slow fading only, fast fading is not in "
                        + "it",
                "log-normal shadowing",
                false,
                "margin, worse direction",
                Text.db(marginDb),
                "σ",
                Text.db(sigmaDb));
    }

    /** The margin in dB at which the chance is reached; chance between 0 and 1. */
    public static double marginDb(double chance, double sigmaDb) {
        return -Math.sqrt(2) * sigmaDb * InverseErfc.value(2 * chance);
    }

    /** The chance that is aimed at: 90 % comfort, 95 % routine, 99 % protective and vital. */
    public static double target(Criticality criticality) {
        return switch (criticality) {
            case COMFORT -> 0.90;
            case ROUTINE -> 0.95;
            case PROTECTIVE, VITAL -> 0.99;
        };
    }
}
