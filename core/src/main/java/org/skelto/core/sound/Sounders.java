package org.skelto.core.sound;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.TreeMap;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Sound;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Building;
import org.skelto.core.plan.site.Construction;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.OpeningKind;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.RoomUse;
import org.skelto.core.plan.site.Stairwell;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.site.Overlap;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.site.WallPiece;
import org.skelto.core.work.ComputingBudget;

/**
 * Level of sounders from room to room: the rated level, less 20 log10 of the distance, less what lies on the quietest way
 * through neighbouring rooms: 25 dB for a closed door or an inner wall, 40 dB for masonry, 30 dB for a floor, nothing for
 * a gap or a stairwell. An estimate only.
 */
public final class Sounders {
    /** Level at the pillow that an alarm should have, dB(A). */
    public static final double PILLOW_DB = 75;

    /** A chime should be this much over the room's noise, dB. */
    public static final double OVER_NOISE_DB = 10;

    private static final double INNER_DB = 25;
    private static final double MASONRY_DB = 40;
    private static final double FLOOR_DB = 30;
    private static final Sound USUAL = new Sound(85, 3);

    private record Way(String to, double lossDb, String through) {}

    private final Plan plan;
    private final SiteModel site;
    private final Map<String, List<Way>> ways = new HashMap<>();

    Sounders(SiteModel site) {
        this.plan = site.plan();
        this.site = site;
        site.walls().forEach(this::wall);
        floors();
    }

    /** Every placed sounder of the plan, by id. */
    public static Map<String, SoundReport> of(SiteModel site) {
        ComputingBudget.step();
        Map<String, SoundReport> reports = new TreeMap<>();
        boolean any = site.plan().devices().values().stream().anyMatch(Sounders::sounds);
        if (any) {
            Sounders sounders = new Sounders(site);
            site.plan().devices().forEach((id, device) -> {
                Place place = SiteModel.placeOf(site.plan(), device);
                if (sounds(device) && place != null && place.room() != null) {
                    reports.put(id, sounders.report(id, device, place));
                }
            });
        }
        return reports;
    }

    private static boolean sounds(Device device) {
        return device.kind() != null && device.kind().family() == DeviceKind.Family.SOUNDER;
    }

    private void join(String one, String other, double lossDb, String through) {
        ways.computeIfAbsent(one, k -> new ArrayList<>()).add(new Way(other, lossDb, through));
        ways.computeIfAbsent(other, k -> new ArrayList<>()).add(new Way(one, lossDb, through));
    }

    private void wall(WallPiece wall) {
        ComputingBudget.step();
        List<String> rooms = wall.owners().stream()
                .map(owner -> owner.split("/")[2])
                .distinct()
                .toList();
        if (rooms.size() != 2) {
            return;
        }
        Construction made = plan.construction(wall.construction());
        if (made.open()) {
            join(rooms.get(0), rooms.get(1), 0, "an opening");
            return;
        }
        boolean heavy = switch (made.hatch()) {
            case MASONRY, STONE, CONCRETE -> true;
            default -> false;
        };
        // a brick wall of half a brick between rooms is an inner wall; what is thicker is masonry
        boolean masonry = heavy && made.thicknessM() > 0.15;
        join(rooms.get(0), rooms.get(1), masonry ? MASONRY_DB : INNER_DB, made.name());
        plan.openings().values().forEach(opening -> {
            String owner = Pointers.of("rooms", opening.room(), "walls", Integer.toString(opening.wall()));
            if (wall.owners().contains(owner) && opening.kind() != OpeningKind.WINDOW) {
                boolean gap = opening.kind() == OpeningKind.GAP;
                join(rooms.get(0), rooms.get(1), gap ? 0 : INNER_DB, gap ? "an opening" : "a closed door");
            }
        });
    }

    /** Rooms above each other hear each other through the floor, or freely up a stairwell. */
    private void floors() {
        List<String> ids = List.copyOf(plan.rooms().keySet());
        for (String upper : ids) {
            Floor above = plan.floors().get(plan.rooms().get(upper).floor());
            for (String lower : ids) {
                Floor below = plan.floors().get(plan.rooms().get(lower).floor());
                boolean stacked = above.building().equals(below.building())
                        && above.baseM() > below.baseM()
                        && above.baseM() - below.baseM() - below.heightM() < 0.6;
                if (stacked
                        && Overlap.areaM2(plan.rooms().get(upper), plan.rooms().get(lower), 0.1) > 0) {
                    boolean stairs = plan.stairwells().values().stream()
                            .anyMatch(s -> plan.floors().get(s.floor()).equals(above)
                                    && in(s, plan.rooms().get(upper))
                                    && in(s, plan.rooms().get(lower)));
                    join(upper, lower, stairs ? 0 : FLOOR_DB, stairs ? "a stairwell" : "the floor of " + above.name());
                }
            }
        }
    }

    private static boolean in(Stairwell stairs, Room room) {
        return room.contains(stairs.xM() + stairs.widthM() / 2, stairs.yM() + stairs.depthM() / 2);
    }

    /** Least loss to a room, with what is on the way. */
    record Path(String room, double lossDb, List<String> through) {}

    Map<String, Path> quietest(String from) {
        Map<String, Path> done = new HashMap<>();
        PriorityQueue<Path> open = new PriorityQueue<>(Comparator.comparingDouble(Path::lossDb)
                .thenComparingInt(p -> p.through.size())
                .thenComparing(Path::room));
        open.add(new Path(from, 0, List.of()));
        while (!open.isEmpty()) {
            ComputingBudget.step();
            Path path = open.remove();
            if (done.putIfAbsent(path.room, path) != null) {
                continue;
            }
            for (Way way : ways.getOrDefault(path.room, List.of())) {
                List<String> through = new ArrayList<>(path.through);
                through.add(way.through);
                open.add(new Path(way.to, path.lossDb + way.lossDb, List.copyOf(through)));
            }
        }
        return done;
    }

    private SoundReport report(String id, Device device, Place place) {
        Sound sound = device.sound() == null ? USUAL : device.sound();
        double atOneMetre = sound.levelDb() + 20 * Math.log10(sound.atM());
        Point at = site.position(place).orElseThrow();
        List<SoundReport.RoomSound> rooms = new ArrayList<>();
        quietest(place.room()).forEach((room, path) -> rooms.add(room(device, atOneMetre, at, place, path)));
        rooms.sort(Comparator.comparingDouble((SoundReport.RoomSound r) -> -r.levelDb())
                .thenComparing(SoundReport.RoomSound::room));
        return new SoundReport(id, atOneMetre, device.sound() == null, rooms);
    }

    /** From a point to a head in the middle of a room, at least 1 m. */
    double fromTheMiddleM(Point at, String id) {
        Room room = plan.rooms().get(id);
        Floor floor = plan.floors().get(room.floor());
        Building building = plan.buildings().get(floor.building());
        Bounds bounds = room.bounds();
        Point middle = new Point(
                building.xM() + (bounds.westM() + bounds.eastM()) / 2,
                building.yM() + (bounds.southM() + bounds.northM()) / 2,
                building.zM() + floor.baseM() + 0.8);
        return Math.max(1, at.distanceM(middle));
    }

    private SoundReport.RoomSound room(Device device, double atOneMetre, Point at, Place place, Path path) {
        Room room = plan.rooms().get(path.room);
        double distance = fromTheMiddleM(at, path.room);
        double level = atOneMetre - 20 * Math.log10(distance) - path.lossDb;
        double dayNeed = room.use().noiseDb() + OVER_NOISE_DB;
        boolean sleeps = room.use() == RoomUse.SLEEPING;
        boolean asked = asked(device, path.room, room, place);
        boolean byDay = level >= dayNeed;
        Boolean wakes = sleeps ? level >= PILLOW_DB : null;
        boolean mustWake = sleeps && device.guards();
        Figure figure = Figure.of(
                "level at 1 m − 20 log10(d) − walls, doors and floors on the quietest way",
                "25 dB closed door or inner wall, 40 dB masonry, 30 dB floor; an estimate only",
                false,
                "level at 1 m",
                Text.number(atOneMetre, 0) + " dB(A)",
                "distance",
                Text.metres(distance),
                "on the way",
                path.through.isEmpty() ? "nothing" : String.join(", ", path.through),
                "their loss",
                Text.db(path.lossDb),
                "wanted",
                Text.number(mustWake ? PILLOW_DB : dayNeed, 0) + " dB(A)");
        return SoundReportRoomSoundBuilder.builder()
                .room(path.room)
                .levelDb(level)
                .through(path.through)
                .dayNeedDb(dayNeed)
                .heardByDay(byDay)
                .wakes(wakes)
                .asked(asked)
                .enough(mustWake ? level >= PILLOW_DB : byDay)
                .figure(figure)
                .build();
    }

    /** Where the person asked for it; otherwise an alarm is asked for where people sleep, a chime where they live. */
    private static boolean asked(Device device, String id, Room room, Place place) {
        if (!device.heardIn().isEmpty()) {
            return device.heardIn().contains(id);
        }
        return device.guards() ? room.use() == RoomUse.SLEEPING : id.equals(place.room());
    }
}
