package org.skelto.core.plan.site;

import org.skelto.core.plan.format.Within;

/**
 * A place on earth, WGS 84.
 *
 * @param latitudeDeg -90 to 90
 * @param longitudeDeg -180 to 180
 */
public record GeoPoint(
        @Within(least = -90, most = 90, unit = "°") double latitudeDeg,
        @Within(least = -180, most = 180, unit = "°") double longitudeDeg) {}
