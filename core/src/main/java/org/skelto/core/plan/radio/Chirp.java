package org.skelto.core.plan.radio;

import org.skelto.core.plan.format.Within;

/**
 * Settings of a long-range chirp radio; both ends of a link must agree.
 *
 * @param spreadingFactor 6 to 12
 * @param bandwidthKHz 7.8 to 500
 * @param codingRateDenominator 5 to 8, for the rates 4/5 to 4/8
 */
public record Chirp(
        @Within(least = 6, most = 12) int spreadingFactor,
        @Within(least = 7.8, most = 500, unit = "kHz") double bandwidthKHz,
        @Within(least = 5, most = 8) int codingRateDenominator) {}
