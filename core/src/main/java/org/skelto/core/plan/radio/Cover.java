package org.skelto.core.plan.radio;

/**
 * What stands on the ground along a part of a radio path.
 *
 * @param fromM distance from the path's first end, metres
 * @param toM where it ends, beyond {@code fromM}
 * @param heightM above the ground, 0 to 200 m; 0 for water
 */
public record Cover(Kind kind, double fromM, double toM, double heightM) {
    /** What it is. */
    public enum Kind {
        /** In leaf; a ray goes through with loss, or over. */
        TREES,
        /** A ray goes over it. */
        BUILDING,
        /** Nothing in the way, but it throws the wave back like a mirror. */
        WATER
    }
}
