package org.skelto.core.commands;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;

/**
 * All units and devices of a room once more in other rooms: at the same share of their width and depth, named after them, wall
 * controls and controllers of the room mapped to their copies. The network's own boxes stay one of a kind.
 *
 * @param to ids of 1 to {@value #MOST} rooms
 */
public record CopyRoomSet(String from, List<String> to) implements Command {
    static final int MOST = 60;

    public CopyRoomSet {
        to = Copies.known(to);
    }

    @Override
    public Proposal on(Plan plan) {
        Room of = Asked.of(plan.rooms(), from, "from", "a room");
        if (to.isEmpty() || to.size() > MOST) {
            throw new Refused("to", "names " + to.size() + " rooms; 1 to " + MOST + " can be filled at once");
        }
        Set<String> units = units(plan, from);
        Set<String> devices = devices(plan, from, units);
        Copies copies = new Copies(plan);
        for (String room : to) {
            Room other = Asked.of(plan.rooms(), room, "to", "a room");
            if (room.equals(from)) {
                throw new Refused("to", "names the room that is copied");
            }
            copies.of(units, devices, name -> renamed(name, of.name(), other.name()), p -> placed(p, of, room, other));
        }
        return new Proposal(
                of.name() + " copied to " + (to.size() == 1 ? to.get(0) : to.size() + " rooms"), copies.edits());
    }

    /** Ids of the units of a room that are copied with it. */
    static Set<String> units(Plan plan, String room) {
        Set<String> units = new TreeSet<>();
        plan.units().forEach((id, unit) -> {
            if (Asked.in(unit.place(), room) && ofTheRoom(unit)) {
                units.add(id);
            }
        });
        return units;
    }

    /** Ids of the devices in a room, or on these units where no place is said. */
    static Set<String> devices(Plan plan, String room, Set<String> units) {
        Set<String> devices = new TreeSet<>();
        plan.devices().forEach((id, d) -> {
            if (d.place() != null ? Asked.in(d.place(), room) : units.contains(String.valueOf(d.unit()))) {
                devices.add(id);
            }
        });
        return devices;
    }

    private static boolean ofTheRoom(Unit unit) {
        return unit.kind().alone() || unit.drives() || unit.kind() == UnitKind.SUPPLY;
    }

    private static String renamed(String name, String of, String other) {
        Matcher matcher = Pattern.compile(Pattern.quote(of), Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE)
                .matcher(name);
        String now = matcher.find() ? matcher.replaceAll(Matcher.quoteReplacement(other)) : other + " " + name;
        return now.length() <= 110 ? now : now.substring(0, 110);
    }

    private static Place placed(Place place, Room of, String room, Room other) {
        Bounds a = of.bounds();
        Bounds b = other.bounds();
        double x = b.westM() + (place.xM() - a.westM()) / a.widthM() * b.widthM();
        double y = b.southM() + (place.yM() - a.southM()) / a.depthM() * b.depthM();
        boolean inside = other.contains(x, y);
        return new Place(
                room,
                null,
                Corner.cm(inside ? x : (b.westM() + b.eastM()) / 2),
                Corner.cm(inside ? y : (b.southM() + b.northM()) / 2),
                place.heightM());
    }
}
