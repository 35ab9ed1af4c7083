package org.skelto.core.plan.site;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Collections;
import java.util.List;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Otherwise;

/**
 * A room of any simple outline; its edges are the centre lines of its walls.
 *
 * @param floor id of its floor
 * @param corners 3 to 60, in order around the room, either way round
 * @param walls construction of each wall: the first runs from the first corner to the second
 * @param use what it is for
 * @param exposure what it does to what is mounted there
 */
@RecordBuilder
public record Room(
        @IdOf(value = "floors", what = "a floor") String floor,
        @Name String name,

        @Count(least = 3, most = Limits.CORNERS, of = "corners")
        List<Corner> corners,

        List<@IdOf(value = "constructions", what = "a construction") String> walls,
        @Otherwise("FURNISHED") Clutter clutter,
        @Otherwise("LIVING") RoomUse use,
        @Otherwise("DRY") Exposure exposure)
        implements RoomBuilder.With {
    private static final String USUAL_WALL = "brick-110";

    public Room {
        corners = corners == null ? List.of() : Copies.list(corners);
        walls = walls == null ? Collections.nCopies(corners.size(), USUAL_WALL) : Copies.list(walls);
        clutter = clutter == null ? Clutter.FURNISHED : clutter;
        use = use == null ? RoomUse.LIVING : use;
        exposure = exposure == null ? Exposure.DRY : exposure;
    }

    /** A rectangular room from its south-west corner, with the same wall all round; its walls run south, east, north, west. */
    public static Room rectangle(
            String floor,
            String name,
            double xM,
            double yM,
            double widthM,
            double depthM,
            String wall,
            Clutter clutter) {
        double eastM = Corner.cm(xM + widthM);
        double northM = Corner.cm(yM + depthM);
        return RoomBuilder.builder()
                .floor(floor)
                .name(name)
                .corners(List.of(
                        new Corner(xM, yM), new Corner(eastM, yM), new Corner(eastM, northM), new Corner(xM, northM)))
                .walls(wall == null ? null : Collections.nCopies(4, wall))
                .clutter(clutter)
                .build();
    }

    /** Area in square metres. */
    public double areaM2() {
        return Math.abs(Polygon.signedAreaM2(corners));
    }

    /** Whether a point of its building lies in it; on its edge counts as in it. */
    public boolean contains(double xM, double yM) {
        return Polygon.contains(corners, xM, yM);
    }

    /** The smallest rectangle around it. */
    public Bounds bounds() {
        return Bounds.of(corners);
    }

    /** This room with other corners and walls. */
    public Room shaped(List<Corner> otherCorners, List<String> otherWalls) {
        return with(r -> r.corners(otherCorners).walls(otherWalls));
    }
}
