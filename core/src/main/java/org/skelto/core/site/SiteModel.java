package org.skelto.core.site;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.site.Building;
import org.skelto.core.plan.site.Construction;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.Spot;
import org.skelto.core.work.ComputingBudget;

/**
 * The geometry of a plan. Crossings of one ray are found by trying every panel and slab: a house has a few hundred at
 * most. The rules for rays are those of {@link Panel} and {@link SlabArea}.
 */
public final class SiteModel {
    /** Rooms under a slab end at most this far below it, metres. */
    private static final double SLAB_GAP_M = 0.6;

    private final Plan plan;
    private final List<WallPiece> walls;
    private final List<Panel> panels;
    private final List<WallGap> gaps;
    private final List<SlabArea> slabs;

    private SiteModel(Plan plan, List<WallPiece> walls, List<Panel> panels, List<WallGap> gaps, List<SlabArea> slabs) {
        this.plan = plan;
        this.walls = walls;
        this.panels = panels;
        this.gaps = gaps;
        this.slabs = slabs;
    }

    /** The geometry of a valid plan. */
    public static SiteModel of(Plan plan) {
        Map<String, Map<String, Room>> rooms = new HashMap<>();
        plan.rooms()
                .forEach((id, room) -> rooms.computeIfAbsent(room.floor(), f -> new TreeMap<>())
                        .put(id, room));
        Map<String, List<String>> openings = plan.openings().entrySet().stream()
                .collect(Collectors.groupingBy(
                        e -> plan.rooms().get(e.getValue().room()).floor(),
                        Collectors.mapping(Map.Entry::getKey, Collectors.toList())));
        List<WallPiece> walls = new ArrayList<>();
        List<Panel> panels = new ArrayList<>();
        List<WallGap> gaps = new ArrayList<>();
        List<SlabArea> slabs = new ArrayList<>();
        plan.floors().forEach((id, floor) -> {
            Building building = plan.buildings().get(floor.building());
            WallPieces cut = WallPieces.of(
                    plan, id, floor, building, rooms.getOrDefault(id, Map.of()), openings.getOrDefault(id, List.of()));
            walls.addAll(cut.pieces());
            panels.addAll(cut.panels());
            gaps.addAll(cut.gaps());
            Construction slab = plan.construction(floor.slab());
            if (!slab.open()) {
                slabs.add(slab(plan, id, floor, building, slab));
            }
        });
        return new SiteModel(plan, List.copyOf(walls), List.copyOf(panels), List.copyOf(gaps), List.copyOf(slabs));
    }

    /** The same walls around the units and devices of another plan, whose site is the same. */
    public SiteModel around(Plan other) {
        return new SiteModel(other, walls, panels, gaps, slabs);
    }

    private static SlabArea slab(Plan plan, String id, Floor floor, Building building, Construction slab) {
        ComputingBudget.step();
        List<double[]> outlines = plan.rooms().values().stream()
                .filter(room -> touches(plan.floors().get(room.floor()), floor))
                .map(room -> ring(room.corners(), building))
                .toList();
        List<double[]> stairwells = plan.stairwells().values().stream()
                .filter(s -> s.floor().equals(id))
                .map(s -> ring(
                        List.of(
                                new Corner(s.xM(), s.yM()),
                                new Corner(s.xM() + s.widthM(), s.yM()),
                                new Corner(s.xM() + s.widthM(), s.yM() + s.depthM()),
                                new Corner(s.xM(), s.yM() + s.depthM())),
                        building))
                .toList();
        return new SlabArea(
                id,
                slab.name() + " under " + floor.name(),
                building.zM() + floor.baseM(),
                floor.slab(),
                outlines,
                stairwells);
    }

    private static double[] ring(List<Corner> corners, Building building) {
        double[] ring = new double[2 * corners.size()];
        for (int i = 0; i < corners.size(); i++) {
            ring[2 * i] = building.xM() + corners.get(i).xM();
            ring[2 * i + 1] = building.yM() + corners.get(i).yM();
        }
        return ring;
    }

    private static boolean touches(Floor rooms, Floor floor) {
        double topM = rooms.baseM() + rooms.heightM();
        return rooms.building().equals(floor.building())
                && (rooms.equals(floor) || Math.abs(topM - floor.baseM()) <= SLAB_GAP_M);
    }

    public Plan plan() {
        return plan;
    }

    /** All upright panels. */
    public List<Panel> panels() {
        return panels;
    }

    /** All doors, windows and gaps where they are. */
    public List<WallGap> gaps() {
        return gaps;
    }

    /** All slabs that a wave would notice. */
    public List<SlabArea> slabs() {
        return slabs;
    }

    /** All pieces of wall. */
    public List<WallPiece> walls() {
        return walls;
    }

    /** Where a place is, unless it names neither room nor spot. */
    public Optional<Point> position(Place place) {
        return position(plan, place);
    }

    /** The same, for those who need nothing else of a site. */
    public static Optional<Point> position(Plan plan, Place place) {
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
        return unit.kind().alone() ? unit.place() : null;
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

    /** Id of the room of a floor that holds a point of the site, or null; where rooms overlap the later one counts. */
    public String roomAt(String floor, double xM, double yM) {
        ComputingBudget.step();
        Building building = plan.buildings().get(plan.floors().get(floor).building());
        String found = null;
        for (Map.Entry<String, Room> room : plan.rooms().entrySet()) {
            if (room.getValue().floor().equals(floor)
                    && room.getValue().contains(xM - building.xM(), yM - building.yM())) {
                found = room.getKey();
            }
        }
        return found;
    }

    /** The place of a point of the site above a floor: in the room that holds it, or outdoors. */
    public Place placeAt(String floor, double xM, double yM, double heightM) {
        Building building = plan.buildings().get(plan.floors().get(floor).building());
        return new Place(roomAt(floor, xM, yM), null, xM - building.xM(), yM - building.yM(), heightM);
    }

    /** A point of the site at a height above a floor, metres. */
    public Point pointAt(String floor, double xM, double yM, double heightM) {
        Floor f = plan.floors().get(floor);
        return new Point(xM, yM, plan.buildings().get(f.building()).zM() + f.baseM() + heightM);
    }

    /** How many walking surfaces of a building lie between two heights. */
    public int floorsBetween(double oneZM, double otherZM, String building) {
        double low = Math.min(oneZM, otherZM);
        double high = Math.max(oneZM, otherZM);
        Building b = plan.buildings().get(building);
        return (int) plan.floors().values().stream()
                .filter(f -> f.building().equals(building))
                .mapToDouble(f -> b.zM() + f.baseM())
                .filter(z -> z > low && z < high)
                .count();
    }

    /** Everything that the straight ray between two points goes through, in order from the first. */
    public List<Crossing> crossings(Point from, Point to) {
        ComputingBudget.step();
        List<Crossing> found = new ArrayList<>();
        double length = from.distanceM(to);
        if (length == 0) {
            return found;
        }
        for (Panel panel : panels) {
            if (panel.stops(from.xM(), from.yM(), from.zM(), to.xM(), to.yM(), to.zM())) {
                found.add(through(panel, from, to, length));
            }
        }
        for (SlabArea slab : slabs) {
            double run = to.zM() - from.zM();
            double share = (slab.zM() - from.zM()) / run;
            if (run != 0
                    && share > 0
                    && share < 1
                    && slab.covers(at(from.xM(), to.xM(), share), at(from.yM(), to.yM(), share))) {
                found.add(new Crossing(slab.construction(), slab.what(), share, Math.abs(run) / length));
            }
        }
        found.sort(Comparator.comparingDouble(Crossing::share).thenComparing(Crossing::construction));
        return found;
    }

    private Crossing through(Panel panel, Point from, Point to, double length) {
        double start = panel.side(from.xM(), from.yM());
        double end = panel.side(to.xM(), to.yM());
        return new Crossing(
                panel.construction(),
                plan.construction(panel.construction()).name(),
                Panel.share(start, end),
                Math.min(1, Math.abs(start - end) / panel.lengthM() / length));
    }

    private static double at(double from, double to, double share) {
        return from + share * (to - from);
    }
}
