package org.skelto.core.plan.site;

/**
 * A place on earth, WGS 84.
 *
 * @param latitudeDeg -90 to 90
 * @param longitudeDeg -180 to 180
 */
public record GeoPoint(double latitudeDeg, double longitudeDeg) {}
