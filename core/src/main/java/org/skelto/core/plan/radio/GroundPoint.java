package org.skelto.core.plan.radio;

import org.skelto.core.plan.format.Within;

/**
 * A point of the ground under a radio path.
 *
 * @param distanceM from the path's first end, 0 to 200 000 m
 * @param elevationM height of the ground, -500 to 9000 m above the sea or any other datum
 */
public record GroundPoint(
        @Within(least = 0, most = 200_000, unit = "m") double distanceM,
        @Within(least = -500, most = 9000, unit = "m") double elevationM) {}
