package org.skelto.core.plan.format;

/** Bounds that several places need: far above any house, far below what would harm the machine. */
public final class Limits {
    public static final int NAME_LENGTH = 120;
    public static final int TEXT_LENGTH = 1000;
    public static final int ID_LENGTH = 64;
    public static final int ROOMS = 500;
    public static final int SPOTS = 300;
    public static final int UNITS = 1500;
    public static final int CORNERS = 60;
    public static final int CONSTRUCTIONS = 200;

    /** The farthest that anything may lie from the site's origin, metres. */
    public static final double SITE_M = 100_000;

    /** The shortest wall, metres. */
    public static final double WALL_LEAST_M = 0.05;

    /** Least and greatest width and depth of a room, metres. */
    public static final double ROOM_LEAST_M = 0.3;

    public static final double ROOM_MOST_M = 200;

    /** The farthest that anything may lie from its building's corner or its spot, metres. */
    public static final double LOCAL_M = 1000;

    private Limits() {}
}
