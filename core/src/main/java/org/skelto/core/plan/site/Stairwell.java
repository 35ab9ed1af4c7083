package org.skelto.core.plan.site;

/**
 * A rectangular opening in the slab under a floor.
 *
 * @param floor id of the floor whose slab it is in
 * @param xM metres east of the building's corner
 * @param widthM 0.1 to 200
 */
public record Stairwell(String floor, double xM, double yM, double widthM, double depthM) {}
