package org.skelto.core.plan.radio;

import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;

/**
 * What walk-test readings taught about this house.
 *
 * @param used whether predictions use it
 * @param wallDb learned loss of a construction in a band, at no particular angle, dB
 * @param offsetDb learned offset of a unit's radio in a band, by unit id, dB
 * @param sigmaDb spread of the held-out readings in a band, dB, never under 3
 * @param readings how many readings it was learned from
 * @param at when, as an ISO instant
 */
public record Calibration(
        boolean used,
        Map<
                        @IdOf(value = "constructions", what = "a construction") String,
                        Map<RadioBand, @Within(least = 0, most = 100, unit = "dB") Double>>
                wallDb,
        Map<String, Map<RadioBand, @Within(least = -60, most = 60, unit = "dB") Double>> offsetDb,
        Map<RadioBand, @Within(least = 3, most = 30, unit = "dB") Double> sigmaDb,
        @Within(least = 0, most = 100_000) int readings,
        @Nullable @Words(most = Limits.NAME_LENGTH) String at) {
    public Calibration {
        wallDb = Copies.sortedTwice(wallDb);
        offsetDb = Copies.sortedTwice(offsetDb);
        sigmaDb = Copies.sorted(sigmaDb);
    }

    public Calibration used(boolean now) {
        return new Calibration(now, wallDb, offsetDb, sigmaDb, readings, at);
    }
}
