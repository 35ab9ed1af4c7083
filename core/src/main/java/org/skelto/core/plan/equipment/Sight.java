package org.skelto.core.plan.equipment;

import org.skelto.core.plan.format.Within;

/**
 * What a motion sensor, beam or camera sees: a sector of a circle, cut by walls.
 *
 * @param rangeM how far, 0.1 to 200
 * @param angleDeg how wide, 1 to 360
 * @param towardsDeg where its middle looks, clockwise from the top of the drawing, 0 to 360
 */
public record Sight(
        @Within(least = 0.1, most = 200, unit = "m") double rangeM,
        @Within(least = 1, most = 360, unit = "°") double angleDeg,
        @Within(least = 0, most = 360, unit = "°") double towardsDeg) {}
