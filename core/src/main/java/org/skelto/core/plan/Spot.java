package org.skelto.core.plan;

/**
 * An outdoor place.
 *
 * @param xM metres east of the site's origin
 * @param yM metres north
 * @param zM height of the ground above the site's datum, metres
 */
public record Spot(String name, double xM, double yM, double zM) {}
