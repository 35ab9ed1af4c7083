package org.skelto.core.plan.equipment;

/**
 * When a press counts as what.
 *
 * @param longMs a press of at least so many milliseconds is long, 200 to 5000
 * @param doubleMs two short presses within so many milliseconds are a double one, 100 to 2000
 */
public record Gestures(double longMs, double doubleMs) {}
