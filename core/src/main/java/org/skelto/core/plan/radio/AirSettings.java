package org.skelto.core.plan.radio;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Within;

/**
 * What a long-range or sub-GHz radio is set to besides its modulation. Never a key.
 *
 * @param mastM height of its antenna above the ground outside, 0 to 100 m, or null when it is at the unit
 * @param networkId 0 to 65535; both ends must agree; null when nobody chose one
 * @param keyChanged whether a key of one's own was set, or null when nobody said
 * @param knownOnly whether it takes in only what it was taught, or null when nobody said
 * @param hopChannels over how many frequency channels it hops, 2 to 100, or null when it stays on one
 * @param noiseFigureDb of its receiver, 0 to 30 dB, or null for the usual 6
 */
public record AirSettings(
        @Nullable @Within(least = 0, most = 100, unit = "m") Double mastM,
        @Nullable @Within(least = 0, most = 65_535) Integer networkId,
        @Nullable Boolean keyChanged,
        @Nullable Boolean knownOnly,
        @Nullable @Within(least = 2, most = 100) Integer hopChannels,
        @Nullable @Within(least = 0, most = 30, unit = "dB") Double noiseFigureDb) {
    /** Nothing said. */
    public static final AirSettings NONE = new AirSettings(null, null, null, null, null, null);

    public AirSettings mast(Double otherM) {
        return new AirSettings(otherM, networkId, keyChanged, knownOnly, hopChannels, noiseFigureDb);
    }

    /** These settings in another network; {@code ownKey} says whether a key of one's own is set, or null. */
    public AirSettings network(int otherId, Boolean ownKey) {
        return new AirSettings(mastM, otherId, ownKey, knownOnly, hopChannels, noiseFigureDb);
    }

    /** These settings, taking in only what was taught. */
    public AirSettings taught() {
        return new AirSettings(mastM, networkId, keyChanged, true, hopChannels, noiseFigureDb);
    }
}
