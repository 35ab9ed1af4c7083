package org.skelto.core.plan.radio;

/**
 * A point of the ground under a radio path.
 *
 * @param distanceM from the path's first end, 0 to 200 000 m
 * @param elevationM height of the ground, -500 to 9000 m above the sea or any other datum
 */
public record GroundPoint(double distanceM, double elevationM) {}
