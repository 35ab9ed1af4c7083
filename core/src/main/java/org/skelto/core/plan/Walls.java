package org.skelto.core.plan;

/** The construction of each wall of a room. */
public record Walls(String north, String east, String south, String west) {
    /** The same construction on all four sides. */
    public static Walls all(String construction) {
        return new Walls(construction, construction, construction, construction);
    }

    /** The construction of one side. */
    public String on(Side side) {
        return switch (side) {
            case NORTH -> north;
            case EAST -> east;
            case SOUTH -> south;
            case WEST -> west;
        };
    }
}
