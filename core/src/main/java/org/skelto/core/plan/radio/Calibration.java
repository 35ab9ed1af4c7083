package org.skelto.core.plan.radio;

import java.util.Map;
import org.skelto.core.plan.format.Copies;

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
        Map<String, Map<RadioBand, Double>> wallDb,
        Map<String, Map<RadioBand, Double>> offsetDb,
        Map<RadioBand, Double> sigmaDb,
        int readings,
        String at) {
    public Calibration {
        wallDb = Copies.sortedTwice(wallDb);
        offsetDb = Copies.sortedTwice(offsetDb);
        sigmaDb = Copies.sorted(sigmaDb);
    }

    public Calibration used(boolean now) {
        return new Calibration(now, wallDb, offsetDb, sigmaDb, readings, at);
    }
}
