package org.skelto.core.site;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.skelto.core.plan.Building;
import org.skelto.core.plan.Device;
import org.skelto.core.plan.Floor;
import org.skelto.core.plan.Place;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Room;
import org.skelto.core.plan.Spot;
import org.skelto.core.plan.Unit;
import org.skelto.core.plan.UnitKind;

/**
 * The geometry of a plan. Crossings are found by trying every piece: a house has a few hundred at most.
 *
 * <p>A ray that passes exactly through the end of a piece counts the piece that begins there; a ray that starts or
 * ends on a wall's centre line does not cross it.
 */
public final class SiteModel {
    /** Rooms under a slab end at most this far below it, metres. */
    private static final double SLAB_GAP_M = 0.6;

    private record SlabArea(double westM, double southM, double eastM, double northM) {
        boolean contains(double xM, double yM) {
            return xM >= westM && xM <= eastM && yM >= southM && yM <= northM;
        }
    }

    private record Slab(Floor floor, double zM, List<SlabArea> areas) {}

    private final Plan plan;
    private final List<WallPiece> walls;
    private final List<Slab> slabs;

    private SiteModel(Plan plan, List<WallPiece> walls, List<Slab> slabs) {
        this.plan = plan;
        this.walls = walls;
        this.slabs = slabs;
    }

    /** The geometry of a valid plan. */
    public static SiteModel of(Plan plan) {
        List<WallPiece> walls = new ArrayList<>();
        List<Slab> slabs = new ArrayList<>();
        plan.floors().forEach((id, floor) -> {
            Building building = plan.buildings().get(floor.building());
            walls.addAll(WallPieces.of(id, floor, building, roomsOn(plan, id)));
            List<SlabArea> areas = plan.rooms().values().stream()
                    .filter(room -> touches(plan.floors().get(room.floor()), floor))
                    .map(room -> area(room, building))
                    .toList();
            slabs.add(new Slab(floor, building.zM() + floor.baseM(), areas));
        });
        return new SiteModel(plan, List.copyOf(walls), List.copyOf(slabs));
    }

    private static boolean touches(Floor rooms, Floor floor) {
        double topM = rooms.baseM() + rooms.heightM();
        return rooms.building().equals(floor.building())
                && (rooms.equals(floor) || Math.abs(topM - floor.baseM()) <= SLAB_GAP_M);
    }

    private static SlabArea area(Room room, Building building) {
        double west = building.xM() + room.xM();
        double south = building.yM() + room.yM();
        return new SlabArea(west, south, west + room.widthM(), south + room.depthM());
    }

    private static Map<String, Room> roomsOn(Plan plan, String floor) {
        return plan.rooms().entrySet().stream()
                .filter(e -> e.getValue().floor().equals(floor))
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** All pieces of wall. */
    public List<WallPiece> walls() {
        return walls;
    }

    /** Where a place is, unless it names neither room nor spot. */
    public Optional<Point> position(Place place) {
        if (place == null) {
            return Optional.empty();
        }
        if (place.room() != null) {
            Floor floor = plan.floors().get(plan.rooms().get(place.room()).floor());
            Building building = plan.buildings().get(floor.building());
            return Optional.of(new Point(
                    building.xM() + place.xM(),
                    building.yM() + place.yM(),
                    building.zM() + floor.baseM() + place.heightM()));
        }
        if (place.spot() != null) {
            Spot spot = plan.spots().get(place.spot());
            return Optional.of(new Point(spot.xM() + place.xM(), spot.yM() + place.yM(), spot.zM() + place.heightM()));
        }
        return Optional.empty();
    }

    /** Where a unit stands. */
    public Optional<Point> position(Unit unit) {
        return position(unit.place());
    }

    /** The place of a device: its own, or that of the self-contained unit it is. */
    public static Place placeOf(Plan plan, Device device) {
        if (device.place() != null || device.unit() == null) {
            return device.place();
        }
        Unit unit = plan.units().get(device.unit());
        return unit.kind() == UnitKind.SELF_CONTAINED ? unit.place() : null;
    }

    /** The building that a place is in, or null outdoors. */
    public String buildingOf(Place place) {
        return place == null || place.room() == null
                ? null
                : plan.floors().get(plan.rooms().get(place.room()).floor()).building();
    }

    /** The floor that a place is on, or null outdoors. */
    public String floorOf(Place place) {
        return place == null || place.room() == null
                ? null
                : plan.rooms().get(place.room()).floor();
    }

    /** Everything that the straight ray between two points goes through, in order from the first. */
    public List<Crossing> crossings(Point from, Point to) {
        List<Crossing> found = new ArrayList<>();
        double length = from.distanceM(to);
        if (length == 0) {
            return found;
        }
        for (WallPiece wall : walls) {
            Crossing crossing = through(wall, from, to, length);
            if (crossing != null) {
                found.add(crossing);
            }
        }
        for (Slab slab : slabs) {
            Crossing crossing = through(slab, from, to, length);
            if (crossing != null) {
                found.add(crossing);
            }
        }
        found.sort(Comparator.comparingDouble(Crossing::share).thenComparing(Crossing::construction));
        return found;
    }

    private static Crossing through(WallPiece wall, Point from, Point to, double length) {
        Construction construction = Constructions.of(wall.construction());
        if (construction.layers().isEmpty()) {
            return null;
        }
        boolean alongX = wall.alongX();
        double start = alongX ? from.yM() : from.xM();
        double run = (alongX ? to.yM() : to.xM()) - start;
        double share = ((alongX ? wall.ayM() : wall.axM()) - start) / run;
        if (run == 0 || share <= 0 || share >= 1) {
            return null;
        }
        double along = alongX ? at(from.xM(), to.xM(), share) : at(from.yM(), to.yM(), share);
        double low = alongX ? wall.axM() : wall.ayM();
        double high = alongX ? wall.bxM() : wall.byM();
        double z = at(from.zM(), to.zM(), share);
        if (along < low || along >= high || z < wall.fromZM() || z >= wall.toZM()) {
            return null;
        }
        return new Crossing(wall.construction(), construction.name(), share, incidence(run, length));
    }

    private static Crossing through(Slab slab, Point from, Point to, double length) {
        Construction construction = Constructions.of(slab.floor().slab());
        double run = to.zM() - from.zM();
        double share = (slab.zM() - from.zM()) / run;
        if (construction.layers().isEmpty() || run == 0 || share <= 0 || share >= 1) {
            return null;
        }
        double x = at(from.xM(), to.xM(), share);
        double y = at(from.yM(), to.yM(), share);
        if (slab.areas().stream().noneMatch(area -> area.contains(x, y))) {
            return null;
        }
        String what = construction.name() + " under " + slab.floor().name();
        return new Crossing(slab.floor().slab(), what, share, incidence(run, length));
    }

    private static double at(double from, double to, double share) {
        return from + (to - from) * share;
    }

    private static double incidence(double run, double length) {
        return Math.toDegrees(Math.acos(Math.min(1, Math.abs(run) / length)));
    }
}
