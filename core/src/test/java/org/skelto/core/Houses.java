package org.skelto.core;

import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.IndoorModel;
import org.skelto.core.plan.radio.RadioBand;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.site.Clutter;
import org.skelto.core.plan.site.Construction;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.Opening;
import org.skelto.core.plan.site.OpeningBuilder;
import org.skelto.core.plan.site.OpeningKind;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.RoomBuilder;
import org.skelto.core.plan.site.Stairwell;

/** Houses for geometry: rows of rooms, and random ones with slanted walls, openings and stairwells. */
public final class Houses {
    private Houses() {}

    /** Rooms r0, r1… of 4 x 4 m in a row from west to east, brick walls, empty. */
    public static Plan row(int count) {
        Map<String, Room> rooms = new TreeMap<>();
        for (int i = 0; i < count; i++) {
            rooms.put("r" + i, Room.rectangle("ground", "Room " + i, 4 * i, 0, 4, 4, "brick-110", Clutter.EMPTY));
        }
        return plan(Plans.sound().floors(), rooms, Map.of(), Map.of(), Map.of());
    }

    /** The same plan without any wall. */
    public static Plan open(Plan plan) {
        Map<String, Room> rooms = new TreeMap<>(plan.rooms());
        rooms.replaceAll(
                (id, r) -> r.shaped(r.corners(), Collections.nCopies(r.corners().size(), "open")));
        return plan(plan.floors(), rooms, Map.of(), Map.of(), Map.of());
    }

    /** Two floors of three rooms each that share a slanted wall, with an opening here and there. */
    public static Plan random(Random random) {
        Map<String, Floor> floors = new TreeMap<>();
        floors.put("ground", new Floor("house", "Ground", 0, 2.5, "concrete-slab"));
        floors.put("upper", new Floor("house", "Upper", 2.7, 2.4, "timber-floor"));
        Map<String, Room> rooms = new TreeMap<>();
        Map<String, Opening> openings = new TreeMap<>();
        List<String> walls = List.of("brick-110", "stone-450", "board-100", "foil-board-100", "open", "concrete-150");
        for (String floor : floors.keySet()) {
            double lean = random.nextInt(300) / 100.0;
            Corner a = new Corner(3 + lean / 2, 0);
            Corner b = new Corner(5 - lean / 2, 6);
            Corner c = new Corner(8, 2 + random.nextInt(200) / 100.0);
            Corner middle =
                    new Corner(Math.round((a.xM() + b.xM()) * 50) / 100.0, Math.round((a.yM() + b.yM()) * 50) / 100.0);
            room(rooms, random, walls, floor, "w", new Corner(0, 0), a, middle, b, new Corner(0, 6));
            room(rooms, random, walls, floor, "s", a, new Corner(8, 0), c, middle);
            room(rooms, random, walls, floor, "n", middle, c, new Corner(8, 6), b);
            for (int i = 0; i < 4; i++) {
                String in = floor + "-" + "wsn".charAt(random.nextInt(3));
                double sill = random.nextInt(3) * 0.4;
                openings.put(
                        "o-" + floor + i,
                        OpeningBuilder.builder()
                                .room(in)
                                .wall(random.nextInt(4))
                                .kind(OpeningKind.DOOR)
                                .atM(random.nextInt(30) / 10.0 - 0.3)
                                .widthM(0.5 + random.nextInt(20) / 10.0)
                                .sillM(sill)
                                .headM(sill + 0.5 + random.nextInt(25) / 10.0)
                                .construction(
                                        List.of("door-wood", "glass-24", "open").get(random.nextInt(3)))
                                .build());
            }
        }
        Map<String, Stairwell> wells = Map.of("stairs", new Stairwell("upper", 1, 1.2, 2.3, 0.9));
        Construction measured = new Construction(
                "Measured wall", List.of(), 0, Construction.Hatch.BOARD, false, Map.of(RadioBand.AROUND_2_4_GHZ, 7.5));
        return plan(floors, rooms, openings, wells, Map.of("board-100", measured));
    }

    private static void room(
            Map<String, Room> rooms, Random random, List<String> walls, String floor, String id, Corner... corners) {
        List<String> made = java.util.stream.IntStream.range(0, corners.length)
                .mapToObj(i -> walls.get(random.nextInt(walls.size())))
                .toList();
        Clutter clutter = Clutter.values()[random.nextInt(3)];
        rooms.put(
                floor + "-" + id,
                RoomBuilder.builder()
                        .floor(floor)
                        .name(id)
                        .corners(List.of(corners))
                        .walls(made)
                        .clutter(clutter)
                        .build());
    }

    /** The plan with another model of indoor loss. */
    public static Plan with(Plan p, IndoorModel model) {
        return copy(p, p.floors(), p.rooms(), p.openings(), p.stairwells(), p.constructions(), model);
    }

    /** The plan with other rooms and openings. */
    public static Plan with(Plan p, Map<String, Room> rooms, Map<String, Opening> openings) {
        return copy(p, p.floors(), rooms, openings, p.stairwells(), p.constructions(), p.indoorModel());
    }

    private static Plan plan(
            Map<String, Floor> floors,
            Map<String, Room> rooms,
            Map<String, Opening> openings,
            Map<String, Stairwell> stairwells,
            Map<String, Construction> constructions) {
        Plan fresh = Plan.fresh("Geometry", Region.EU, 230.0, null);
        return copy(fresh, floors, rooms, openings, stairwells, constructions, IndoorModel.WALLS);
    }

    private static Plan copy(
            Plan p,
            Map<String, Floor> floors,
            Map<String, Room> rooms,
            Map<String, Opening> openings,
            Map<String, Stairwell> stairwells,
            Map<String, Construction> constructions,
            IndoorModel model) {
        return p.with(b -> b.cautionsRead(true)
                .floors(floors)
                .rooms(rooms)
                .constructions(constructions)
                .openings(openings)
                .stairwells(stairwells)
                .indoorModel(model));
    }
}
