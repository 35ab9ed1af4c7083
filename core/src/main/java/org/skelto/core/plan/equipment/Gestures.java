package org.skelto.core.plan.equipment;

import org.skelto.core.plan.format.Within;

/**
 * When a press counts as what.
 *
 * @param longMs a press of at least so many milliseconds is long, 200 to 5000
 * @param doubleMs two short presses within so many milliseconds are a double one, 100 to 2000
 */
public record Gestures(
        @Within(least = 200, most = 5000, unit = "ms") double longMs,
        @Within(least = 100, most = 2000, unit = "ms") double doubleMs) {}
