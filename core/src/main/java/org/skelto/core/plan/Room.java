package org.skelto.core.plan;

/**
 * A rectangular room; its edges are the centre lines of its walls.
 *
 * @param floor id of its floor
 * @param xM metres east from the building's corner to the room's south-west corner
 * @param yM metres north
 * @param widthM west to east, 0.3 to 200
 * @param depthM south to north, 0.3 to 200
 */
public record Room(
        String floor, String name, double xM, double yM, double widthM, double depthM, Walls walls, Clutter clutter) {
    public Room {
        walls = walls == null ? Walls.all("brick-110") : walls;
        clutter = clutter == null ? Clutter.FURNISHED : clutter;
    }

    /** Area in square metres. */
    public double areaM2() {
        return widthM * depthM;
    }
}
