package org.skelto.core.plan.radio;

/**
 * What readings along a radio path taught.
 *
 * @param used whether predictions use it
 * @param offsetDb how much more arrives than predicted, dB; negative when it is less
 * @param sigmaDb spread of the readings about the corrected prediction, dB, never under 3
 * @param readings how many it was learned from
 * @param at when, as an ISO instant
 */
public record PathLearned(boolean used, double offsetDb, double sigmaDb, int readings, String at) {
    public PathLearned used(boolean now) {
        return new PathLearned(now, offsetDb, sigmaDb, readings, at);
    }
}
