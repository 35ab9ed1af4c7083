package org.skelto.core.plan.power;

/**
 * What a unit takes, measured or from its sheet; it wins over the figures of its parts.
 *
 * @param volts nominal voltage at its input, 1 to 480 V
 * @param leastV least voltage at which it works, or null when not known
 * @param typicalA most of the time, 0 to 100 A
 * @param worstA with everything on, 0 to 500 A
 */
public record Draws(double volts, Double leastV, double typicalA, double worstA) {}
