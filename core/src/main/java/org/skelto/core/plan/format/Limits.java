package org.skelto.core.plan.format;

/** How large a plan may be: far above any house, far below what would harm the machine. */
public final class Limits {
    public static final int NAME_LENGTH = 120;
    public static final int TEXT_LENGTH = 1000;
    public static final int ID_LENGTH = 64;
    public static final int BUILDINGS = 60;
    public static final int FLOORS = 100;
    public static final int ROOMS = 500;
    public static final int SPOTS = 300;
    public static final int CIRCUITS = 200;
    public static final int SERVICES = 100;
    public static final int UNITS = 1500;
    public static final int DEVICES = 3000;
    public static final int LINKS = 3000;
    public static final int ACCEPTED = 3000;
    public static final int RADIOS = 8;
    public static final int CORNERS = 60;
    public static final int CONSTRUCTIONS = 200;
    public static final int LAYERS = 20;
    public static final int OPENINGS = 3000;
    public static final int STAIRWELLS = 300;
    public static final int FITTINGS = 3000;
    public static final int CABLES = 3000;
    public static final int ROUTES = 500;
    public static final int OWNED = 1000;
    public static final int DEMANDS = 500;
    public static final int FAMILIES = 50;

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

    /** Boards beside a controller's main one. */
    public static final int BOARDS = 40;

    public static final int HOUSINGS = 1000;

    public static final int PATHS = 100;

    /** What stands along one path. */
    public static final int COVERS = 60;

    /** Pulses of a unit on a battery. */
    public static final int PULSES = 12;

    /** Terminals of one device. */
    public static final int TERMINALS = 12;
}
