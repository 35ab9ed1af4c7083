package org.skelto.core.commands;

import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Clutter;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;

/**
 * What stands in a room, as a template for others: a plan of its own of one room with its controllers and devices. What they
 * name outside of the room is left out, to be given anew where the set is placed.
 */
public final class RoomSet {
    /** Id of its room. */
    public static final String ROOM = "room";

    private static final String CIRCUIT = "mains";

    private RoomSet() {}

    /**
     * The set of a room.
     *
     * @param name what the template is called
     * @throws Command.Refused when the plan has no such room, or nothing stands in it
     */
    public static Plan of(Plan plan, String room, String name) {
        Room of = Asked.of(plan.rooms(), room, "room", "a room");
        Map<String, Unit> units = new TreeMap<>();
        Map<String, Device> devices = new TreeMap<>();
        Bounds b = of.bounds();
        CopyRoomSet.units(plan, room)
                .forEach(id -> units.put(id, alone(Asked.of(plan.units(), id, "room", "a unit"), b)));
        units.replaceAll((id, unit) -> unit.with(u -> u.power(unit.power()
                .withFrom(
                        units.containsKey(String.valueOf(unit.power().from()))
                                ? unit.power().from()
                                : null))));
        TreeSet<String> inside = new TreeSet<>(CopyRoomSet.devices(plan, room, units.keySet()));
        inside.forEach(id ->
                devices.put(id, alone(Asked.of(plan.devices(), id, "room", "a device"), b, units.keySet(), inside)));
        if (units.isEmpty() && devices.isEmpty()) {
            throw new Command.Refused("room", "has nothing in it that could be a template");
        }
        return empty(plan, name, of.name(), b.widthM(), b.depthM())
                .with(p -> p.units(units).devices(devices));
    }

    /** A set with nothing in it yet. */
    private static Plan empty(Plan like, String name, String room, double widthM, double depthM) {
        Plan fresh = like.freshLike(name);
        String floor = fresh.floors().keySet().iterator().next();
        return fresh.with(p -> p.rooms(
                Map.of(ROOM, Room.rectangle(floor, room, 0, 0, widthM, depthM, "brick-110", Clutter.FURNISHED))));
    }

    private static Unit alone(Unit unit, Bounds b) {
        return unit.with(u -> u.place(here(unit.place(), b))
                .power(unit.power().withCircuit(unit.power().circuit() == null ? null : CIRCUIT))
                .hub(null)
                .housing(null)
                .bridges(null)
                .tunnel(null)
                .relays(null)
                .internetEntry(false)
                .ipv4(null)
                .mac(null)
                .nodeId(null));
    }

    private static Device alone(Device device, Bounds b, Set<String> units, Set<String> devices) {
        TreeSet<String> controls = new TreeSet<>(device.wallControls());
        controls.retainAll(devices);
        boolean alongside = device.unit() != null && units.contains(device.unit());
        return device.with(d -> d.place(here(device.place(), b))
                .unit(alongside ? device.unit() : null)
                .channel(alongside ? device.channel() : null)
                .wiring(alongside ? device.wiring() : null)
                .circuit(device.circuit() == null ? null : CIRCUIT)
                .wallControls(controls)
                .works(
                        device.works() == null
                                        || units.contains(
                                                String.valueOf(device.works().supply()))
                                ? device.works()
                                : device.works().withSupply(null))
                .heardIn(Collections.emptySortedSet())
                .topic(null));
    }

    private static @Nullable Place here(@Nullable Place place, Bounds b) {
        return place == null
                ? null
                : new Place(
                        ROOM,
                        null,
                        Corner.cm(place.xM() - b.westM()),
                        Corner.cm(place.yM() - b.southM()),
                        place.heightM());
    }

    /** One thing of a built-in set: where it is as a share of the room's width and depth. */
    private record Item(DeviceKind kind, String name, double x, double y, double heightM) {}

    private static final Item CEILING = new Item(DeviceKind.LAMP, "ceiling lamp", 0.5, 0.5, 2.4);
    private static final Item BUTTON = new Item(DeviceKind.PUSH_BUTTON, "wall button", 0.08, 0.2, 1.1);
    private static final Item WINDOW = new Item(DeviceKind.CONTACT, "window contact", 0.5, 0.97, 1.5);
    private static final Item WARMTH = new Item(DeviceKind.TEMPERATURE, "thermometer", 0.08, 0.6, 1.4);
    private static final Item HEATER = new Item(DeviceKind.HEATER, "heater", 0.3, 0.95, 0.4);
    private static final Item BLIND = new Item(DeviceKind.BLIND, "blind", 0.6, 0.95, 2.0);
    private static final Item SMOKE = new Item(DeviceKind.SMOKE, "smoke alarm", 0.45, 0.6, 2.4);

    private static final Map<String, List<Item>> BUILT_IN = Map.of(
            "Living room",
            List.of(
                    CEILING,
                    BUTTON,
                    new Item(DeviceKind.DIMMED_LAMP, "reading lamp", 0.85, 0.75, 1.4),
                    new Item(DeviceKind.SOCKET, "switched socket", 0.9, 0.1, 0.3),
                    BLIND,
                    WINDOW,
                    HEATER,
                    WARMTH),
            "Bedroom",
            List.of(CEILING, BUTTON, BLIND, WINDOW, HEATER, WARMTH, SMOKE),
            "Kitchen",
            List.of(
                    CEILING,
                    BUTTON,
                    new Item(DeviceKind.LIGHT_STRIP, "worktop light", 0.5, 0.9, 1.5),
                    new Item(DeviceKind.LEAK, "leak sensor", 0.8, 0.92, 0.05),
                    WINDOW,
                    WARMTH),
            "Bathroom",
            List.of(
                    CEILING,
                    BUTTON,
                    new Item(DeviceKind.FAN, "fan", 0.9, 0.9, 2.3),
                    new Item(DeviceKind.HUMIDITY, "humidity sensor", 0.2, 0.9, 1.8),
                    new Item(DeviceKind.LEAK, "leak sensor", 0.8, 0.2, 0.05)),
            "Hall",
            List.of(
                    CEILING,
                    BUTTON,
                    new Item(DeviceKind.MOTION, "motion sensor", 0.9, 0.9, 2.2),
                    new Item(DeviceKind.CONTACT, "door contact", 0.05, 0.5, 2.0),
                    SMOKE));

    /** The built-in sets by name: devices without controllers, in a room of 4 by 4 m. */
    public static Map<String, Plan> builtIn(Plan like) {
        Map<String, Plan> all = new TreeMap<>();
        BUILT_IN.forEach((name, items) -> all.put(name, built(like, name, items)));
        return all;
    }

    /** Words in a room's name by which one of the built-in sets suits it. */
    private static final Map<String, List<String>> WORDS = Map.of(
            "Living room", List.of("living", "lounge", "sitting", "dining", "parlour"),
            "Bedroom", List.of("bed", "sleep", "nursery", "guest"),
            "Kitchen", List.of("kitchen", "scullery", "pantry"),
            "Bathroom", List.of("bath", "shower", "wash", "toilet", "wc"),
            "Hall", List.of("hall", "entry", "entrance", "corridor", "landing", "passage"));

    /** The built-in set that suits each room in which nothing stands yet, by the room's name; the names of the sets by room. */
    public static Map<String, String> suggested(Plan plan) {
        Map<String, String> all = new TreeMap<>();
        plan.rooms().forEach((id, room) -> {
            boolean bare = plan.devices().values().stream().noneMatch(d -> Asked.in(d.place(), id))
                    && plan.units().values().stream()
                            .noneMatch(u -> Asked.in(u.place(), id)
                                    && (u.carries() || u.kind().alone()));
            String name = room.name().toLowerCase(Locale.ROOT);
            WORDS.entrySet().stream()
                    .filter(e -> bare && e.getValue().stream().anyMatch(name::contains))
                    .map(Map.Entry::getKey)
                    .min(Comparator.naturalOrder())
                    .ifPresent(set -> all.put(id, set));
        });
        return all;
    }

    private static Plan built(Plan like, String name, List<Item> items) {
        double side = 4;
        Plan set = empty(like, name, name, side, side);
        Map<String, Device> devices = new TreeMap<>();
        for (Item item : items) {
            Place place = new Place(ROOM, null, Corner.cm(item.x * side), Corner.cm(item.y * side), item.heightM);
            Device device = new AddDevice(item.kind, ROOM).made(set, item.name, place);
            devices.put(item.name.replace(' ', '-'), device);
        }
        // the button works the lamp on the ceiling
        devices.computeIfPresent(
                CEILING.name.replace(' ', '-'),
                (id, lamp) -> lamp.with(d -> d.wallControls(new TreeSet<>(List.of(BUTTON.name.replace(' ', '-'))))));
        return set.with(p -> p.devices(devices));
    }

    /** Each device that hangs on nothing with a radio of its own: mains where it switches mains, else a battery. */
    static Plan onTheirOwn(Plan set) {
        Map<String, Unit> units = new TreeMap<>(set.units());
        Map<String, Device> devices = new TreeMap<>();
        set.devices().forEach((id, d) -> {
            if (d.unit() == null && !units.containsKey(id)) {
                units.put(id, AddDevice.unitOf(set, d));
                devices.put(id, AddDevice.onItsOwn(d, id));
            } else {
                devices.put(id, d);
            }
        });
        return set.with(p -> p.units(units).devices(devices));
    }
}
