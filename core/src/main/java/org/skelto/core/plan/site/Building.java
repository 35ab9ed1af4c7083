package org.skelto.core.plan.site;

/**
 * A building on the site.
 *
 * @param xM metres east of the site's origin to the building's south-west corner
 * @param yM metres north
 * @param zM height of its ground above the site's datum in metres
 */
public record Building(String name, double xM, double yM, double zM) {}
