package org.skelto.core.plan;

/** A side of a rectangular room. */
public enum Side {
    NORTH,
    EAST,
    SOUTH,
    WEST
}
