package org.skelto.core.plan.radio;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;

/**
 * What readings along a radio path taught.
 *
 * @param used whether predictions use it
 * @param offsetDb how much more arrives than predicted, dB; negative when it is less
 * @param sigmaDb spread of the readings about the corrected prediction, dB, never under 3
 * @param readings how many it was learned from
 * @param at when, as an ISO instant
 */
public record PathLearned(
        boolean used,
        @Within(least = -100, most = 100, unit = "dB") double offsetDb,
        @Within(least = 3, most = 40, unit = "dB") double sigmaDb,
        @Within(least = 1, most = 1e6) int readings,
        @Nullable @Words(most = Limits.NAME_LENGTH) String at) {
    public PathLearned used(boolean now) {
        return new PathLearned(now, offsetDb, sigmaDb, readings, at);
    }
}
