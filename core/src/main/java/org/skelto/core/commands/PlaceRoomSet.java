package org.skelto.core.commands;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;

/**
 * Templates placed in rooms, each as {@link CopyRoomSet} would from a room of the plan: on its first circuit, served by its
 * first hub.
 *
 * @param sets by the id of the room that each is placed in, as {@link RoomSet} makes them; 1 to {@value CopyRoomSet#MOST}
 * @param own whether devices that hang on nothing come with a radio of their own
 */
public record PlaceRoomSet(Map<String, Plan> sets, boolean own) implements Command {
    /** No id of a plan begins so. */
    private static final String SET = "~";

    public PlaceRoomSet {
        sets = new TreeMap<>(sets);
    }

    @Override
    public Proposal on(Plan plan) {
        if (sets.isEmpty() || sets.size() > CopyRoomSet.MOST) {
            throw new Refused("placings", "are " + sets.size() + "; 1 to " + CopyRoomSet.MOST + " are taken at once");
        }
        Plan now = plan;
        List<Edit> edits = new ArrayList<>();
        for (Map.Entry<String, Plan> one : sets.entrySet()) {
            Asked.of(plan.rooms(), one.getKey(), "placings", "a room");
            List<Edit> more = placed(now, own ? RoomSet.onTheirOwn(one.getValue()) : one.getValue(), one.getKey());
            edits.addAll(more);
            now = Asked.with(now, more);
        }
        Map.Entry<String, Plan> first = sets.entrySet().iterator().next();
        String where =
                Asked.of(plan.rooms(), first.getKey(), "placings", "a room").name();
        return new Proposal(
                sets.size() == 1 ? first.getValue().name() + " in " + where : "templates in " + sets.size() + " rooms",
                edits);
    }

    private static List<Edit> placed(Plan plan, Plan of, String room) {
        String hub = AddUnit.hub(plan);
        String circuit = Asked.first(plan.circuits());
        Map<String, Room> around = new TreeMap<>(plan.rooms());
        around.put(SET, Asked.of(of.rooms(), RoomSet.ROOM, "placings", "a template"));
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
                            .works(
                                    device.works() == null
                                            ? null
                                            : device.works()
                                                    .withSupply(prefixed(
                                                            device.works().supply())))
                            .circuit(device.circuit() == null ? null : circuit)
                            .wallControls(controls)));
        });
        Plan both = plan.with(p -> p.rooms(around).units(units).devices(devices));
        return new CopyRoomSet(SET, List.of(room)).on(both).edits();
    }

    private static @Nullable String prefixed(@Nullable String id) {
        return id == null ? null : SET + id;
    }

    private static @Nullable Place here(@Nullable Place place) {
        return place == null ? null : new Place(SET, null, place.xM(), place.yM(), place.heightM());
    }
}
