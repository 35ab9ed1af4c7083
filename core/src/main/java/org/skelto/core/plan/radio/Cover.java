package org.skelto.core.plan.radio;

import org.skelto.core.plan.format.Within;

/**
 * What stands on the ground along a part of a radio path.
 *
 * @param fromM distance from the path's first end, metres
 * @param toM where it ends, beyond {@code fromM}
 * @param heightM above the ground, 0 to 200 m; 0 for water
 */
public record Cover(
        Kind kind,
        @Within(least = 0, most = 200_000, unit = "m") double fromM,
        @Within(least = 0, most = 200_000, unit = "m") double toM,
        @Within(least = 0, most = 200, unit = "m") double heightM) {
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
