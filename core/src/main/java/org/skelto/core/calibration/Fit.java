package org.skelto.core.calibration;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.skelto.core.plan.radio.Calibration;
import org.skelto.core.plan.radio.RadioBand;

/**
 * What a calibration found.
 *
 * @param readings how many it was given, of which these were held back
 * @param heldBack every fifth, in the order of time
 * @param beforeDb root mean square error of the tables on the held-back readings, dB
 * @param afterDb the same after learning from the others, dB
 * @param better whether it predicts the held-back readings better
 * @param walls what moved
 * @param offsets what was learned of each transmitter
 * @param compared every reading beside both predictions
 * @param calibration ready to be stored in the plan
 */
@RecordBuilder
public record Fit(
        int readings,
        int heldBack,
        double beforeDb,
        double afterDb,
        boolean better,
        List<Wall> walls,
        List<Offset> offsets,
        List<Compared> compared,
        Calibration calibration)
        implements FitBuilder.With {
    /** A construction: its loss by the tables, averaged over the rays that crossed it, and learned. */
    public record Wall(
            String construction, String name, RadioBand band, double tableDb, double learnedDb, int crossings) {}

    /** A transmitter. */
    public record Offset(String unit, String name, RadioBand band, double offsetDb, int readings) {}

    /**
     * A reading.
     *
     * @param fits whether it lies within 2.5 σ of the calibrated prediction
     */
    public record Compared(Reading reading, double byTablesDbm, double calibratedDbm, boolean heldBack, boolean fits) {}
}
