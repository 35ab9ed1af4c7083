package org.skelto.core.site;

/**
 * Where a straight ray goes through a wall or a slab.
 *
 * @param construction id of what it goes through
 * @param what name for the person: the construction, and the floor of a slab
 * @param share how far along the ray, 0 to 1
 * @param cosIncidence cosine of the angle between the ray and the normal, 0 to 1
 */
public record Crossing(String construction, String what, double share, double cosIncidence) {
    /** Angle between the ray and the normal, 0 to 90 degrees. */
    public double incidenceDeg() {
        return Math.toDegrees(Math.acos(Math.min(1, cosIncidence)));
    }
}
