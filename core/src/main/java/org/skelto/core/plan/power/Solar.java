package org.skelto.core.plan.power;

import org.skelto.core.plan.format.Within;

/**
 * A panel that charges a unit's battery.
 *
 * @param panelW rated at full sun, 0.01 to 5000 W
 * @param tiltDeg from level, facing the equator, 0 to 90
 * @param openShare how much of the sky it sees, 0 to 1
 * @param sunShareSummer share of daylight hours with sun in the summer half of the year, 0 to 1
 * @param sunShareWinter the same in the winter half
 */
public record Solar(
        @Within(least = 0.01, most = 5000, unit = "W") double panelW,
        @Within(least = 0, most = 90, unit = "°") double tiltDeg,
        @Within(least = 0, most = 1) double openShare,
        @Within(least = 0, most = 1) double sunShareSummer,
        @Within(least = 0, most = 1) double sunShareWinter) {}
