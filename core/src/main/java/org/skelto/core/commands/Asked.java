package org.skelto.core.commands;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;

/** What commands look up in a plan, and names that are free in it. */
final class Asked {
    private Asked() {}

    static <V> V of(Map<String, V> map, @Nullable String id, String field, String what) {
        V found = id == null ? null : map.get(id);
        if (found == null) {
            throw new Command.Refused(field, "names " + what + " that is not in the plan");
        }
        return found;
    }

    /** Ids of units and devices: a device of its own has that of its unit. */
    static Set<String> ids(Plan plan) {
        Set<String> ids = new HashSet<>(plan.units().keySet());
        ids.addAll(plan.devices().keySet());
        return ids;
    }

    /** Ids of a map that is not one with others. */
    static Set<String> taken(Map<String, ?> map) {
        return new HashSet<>(map.keySet());
    }

    /** The number of a wall of a room. */
    static void wall(Room room, int wall) {
        if (wall < 0 || wall >= room.corners().size()) {
            throw new Command.Refused("wall", "is not a wall of " + room.name());
        }
    }

    /** An id after a name, free among these and taken from then on. */
    static String freeId(String name, Set<String> taken) {
        String id = Slugs.free(Slugs.slug(name, "thing"), taken);
        taken.add(id);
        return id;
    }

    /** The name with the least number from 2 behind it, if it is taken; taken from then on. */
    static String freeName(String name, Set<String> taken) {
        String base = name.replaceAll(" \\d{1,4}$", "");
        String free = name;
        for (int number = 2; taken.contains(free); number++) {
            free = base + " " + number;
        }
        taken.add(free);
        return free;
    }

    /** What somebody calls it, or a free name of its kind; a name that is taken stands, and is told as such. */
    static String called(Plan plan, @Nullable String name, String kind) {
        return name == null || name.isBlank() ? freeName(kind, names(plan)) : name.strip();
    }

    /** What is told of a name that another thing has already: it may stay, but nobody can tell the two apart by ear. */
    static List<String> sameName(Plan plan, @Nullable String name) {
        return name != null && names(plan).contains(name.strip())
                ? List.of("Another thing is called \"" + name.strip() + "\" too; a name of its own tells them apart.")
                : List.of();
    }

    /** The plan with the units and devices that edits add. */
    static Plan with(Plan plan, List<Edit> edits) {
        Map<String, Unit> units = new TreeMap<>(plan.units());
        Map<String, Device> devices = new TreeMap<>(plan.devices());
        for (Edit edit : edits) {
            String id = edit.path().substring(edit.path().lastIndexOf('/') + 1);
            if (edit.value() instanceof Unit unit) {
                units.put(id, unit);
            } else if (edit.value() instanceof Device device) {
                devices.put(id, device);
            }
        }
        return plan.with(p -> p.units(units).devices(devices));
    }

    /** Names of all units and devices. */
    static Set<String> names(Plan plan) {
        Set<String> names = new HashSet<>();
        plan.units().values().forEach(u -> names.add(u.name()));
        plan.devices().values().forEach(d -> names.add(d.name()));
        return names;
    }

    static Place moved(Place place, double eastM, double northM) {
        return new Place(
                place.room(),
                place.spot(),
                Corner.cm(place.xM() + eastM),
                Corner.cm(place.yM() + northM),
                place.heightM());
    }

    static boolean in(@Nullable Place place, String room) {
        return place != null && Objects.equals(place.room(), room);
    }

    static <V> @Nullable String first(Map<String, V> map) {
        return map.keySet().stream().findFirst().orElse(null);
    }
}
