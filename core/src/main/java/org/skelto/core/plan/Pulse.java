package org.skelto.core.plan;

/**
 * A state that a sleeping unit goes through in each cycle.
 *
 * @param name in words
 * @param currentMa 0 to 50 000 mA
 * @param durationMs 0 to 86 400 000 ms
 */
public record Pulse(String name, double currentMa, double durationMs) {}
