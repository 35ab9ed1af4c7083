package org.skelto.core.commands;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;

/**
 * A template placed in rooms, as {@link CopyRoomSet} would from a room of the plan: on its first circuit, served by its first
 * hub.
 *
 * @param set as {@link RoomSet} makes it
 * @param rooms ids of 1 to {@value CopyRoomSet#MOST} rooms
 * @param own whether devices that hang on nothing come with a radio of their own
 */
public record PlaceRoomSet(Plan set, List<String> rooms, boolean own) implements Command {
    /** No id of a plan begins so. */
    private static final String SET = "~";

    public PlaceRoomSet {
        rooms = Copies.known(rooms);
    }

    @Override
    public Proposal on(Plan plan) {
        Plan of = own ? RoomSet.onTheirOwn(set) : set;
        String hub = AddUnit.hub(plan);
        String circuit = Asked.first(plan.circuits());
        Map<String, Room> around = new TreeMap<>(plan.rooms());
        around.put(SET, of.rooms().get(RoomSet.ROOM));
        Map<String, Unit> units = new TreeMap<>(plan.units());
        of.units()
                .forEach((id, unit) -> units.put(
                        SET + id,
                        unit.with(u -> u.place(here(unit.place()))
                                .power(unit.power()
                                        .withFrom(prefixed(unit.power().from()))
                                        .withCircuit(unit.power().circuit() == null ? null : circuit))
                                .hub(unit.carries() || unit.kind().alone() ? hub : null))));
        Map<String, Device> devices = new TreeMap<>(plan.devices());
        of.devices().forEach((id, device) -> {
            TreeSet<String> controls = new TreeSet<>();
            device.wallControls().forEach(c -> controls.add(SET + c));
            devices.put(
                    SET + id,
                    device.with(d -> d.place(here(device.place()))
                            .unit(prefixed(device.unit()))
                            .circuit(device.circuit() == null ? null : circuit)
                            .wallControls(controls)));
        });
        Plan both = plan.with(p -> p.rooms(around).units(units).devices(devices));
        Proposal copied = new CopyRoomSet(SET, rooms).on(both);
        return new Proposal(
                of.name() + " in "
                        + (rooms.size() == 1
                                ? Asked.of(plan.rooms(), rooms.get(0), "rooms", "a room")
                                        .name()
                                : rooms.size() + " rooms"),
                copied.edits());
    }

    private static @Nullable String prefixed(@Nullable String id) {
        return id == null ? null : SET + id;
    }

    private static @Nullable Place here(@Nullable Place place) {
        return place == null ? null : new Place(SET, null, place.xM(), place.yM(), place.heightM());
    }
}
