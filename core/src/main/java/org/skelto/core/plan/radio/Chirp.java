package org.skelto.core.plan.radio;

/**
 * Settings of a long-range chirp radio; both ends of a link must agree.
 *
 * @param spreadingFactor 6 to 12
 * @param bandwidthKHz 7.8 to 500
 * @param codingRateDenominator 5 to 8, for the rates 4/5 to 4/8
 */
public record Chirp(int spreadingFactor, double bandwidthKHz, int codingRateDenominator) {}
