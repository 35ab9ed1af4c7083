package org.skelto.core.commands;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Polygon;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.RoomUse;

/**
 * What is missing of a usual network: a router where the line comes in, a hub beside it, and access points so that each floor
 * has one for every {@value #AREA_M2} m² of its rooms; where devices on batteries wait for a radio, a gateway of an 802.15.4 mesh
 * too. What the plan has already stays and counts.
 *
 * @param room where the line comes in, or null for a hall, else the largest room of the lowest floor that people live on
 */
public record NetworkLike(@Nullable String room) implements Command {
    /** What one access point is reckoned to serve before anything was measured; coverage judges it afterwards. */
    private static final double AREA_M2 = 90;

    private static final double ROUTER_M = 1.4;
    private static final double HIGH_M = 2.2;

    /** From one box to the next, metres. */
    private static final double APART_M = 0.5;

    @Override
    public Proposal on(Plan plan) {
        if (plan.rooms().isEmpty()) {
            throw new Refused("room", "is needed first: a network stands in rooms");
        }
        String entry = room == null ? entry(plan) : room;
        Room of = Asked.of(plan.rooms(), entry, "room", "a room");
        Plan now = plan;
        List<Edit> edits = new ArrayList<>();
        if (now.units().values().stream().noneMatch(Unit::internetEntry)) {
            now = put(now, edits, UnitKind.ROUTER, beside(entry, of, -APART_M), null);
        }
        if (AddUnit.hub(now) == null) {
            now = put(now, edits, UnitKind.HUB, beside(entry, of, APART_M), null);
        }
        boolean waiting = now.units().values().stream()
                .anyMatch(u -> u.kind() == UnitKind.SELF_CONTAINED
                        && u.power().source() == PowerSource.BATTERY
                        && u.radios().isEmpty());
        if (waiting && now.units().values().stream().noneMatch(u -> u.is(UnitKind.GATEWAY))) {
            now = put(now, edits, UnitKind.GATEWAY, beside(entry, of, 2 * APART_M), Medium.MESH_802154);
        }
        for (String floor : now.floors().keySet()) {
            now = served(now, edits, floor);
        }
        int made = now.units().size() - plan.units().size();
        return new Proposal(
                edits.isEmpty() ? "nothing was missing" : "network of " + made + (made == 1 ? " unit" : " units"),
                edits,
                edits.isEmpty() ? List.of("Router, hub and access points are there already.") : List.of());
    }

    private static Plan put(Plan plan, List<Edit> edits, UnitKind kind, Place place, @Nullable Medium medium) {
        List<Edit> more = new AddUnit(kind, null, null, null, medium)
                .standing(plan, place)
                .edits();
        edits.addAll(more);
        return Asked.with(plan, more);
    }

    /** The plan with as many access points on a floor as its rooms ask for. */
    private static Plan served(Plan plan, List<Edit> edits, String floor) {
        Map<String, Room> rooms = new TreeMap<>();
        plan.rooms().forEach((id, r) -> {
            if (r.floor().equals(floor)) {
                rooms.put(id, r);
            }
        });
        double area = rooms.values().stream().mapToDouble(Room::areaM2).sum();
        List<Corner> sending = new ArrayList<>();
        plan.units().values().stream()
                .filter(u -> u.is(UnitKind.ACCESS_POINT) || u.is(UnitKind.ROUTER))
                .filter(u ->
                        u.radios().values().stream().anyMatch(r -> r.medium().wifi()))
                .map(Unit::place)
                .filter(p -> p != null && p.room() != null && rooms.containsKey(p.room()))
                .forEach(p -> sending.add(new Corner(p.xM(), p.yM())));
        Plan now = plan;
        while (!rooms.isEmpty() && sending.size() < Math.ceil(area / AREA_M2)) {
            String best = rooms.keySet().stream()
                    .min(Comparator.comparing((String id) -> farthest(rooms, sending, middle(rooms.get(id))))
                            .thenComparing(id -> id))
                    .orElseThrow();
            Corner at = middle(rooms.get(best));
            if (sending.contains(at)) {
                // the largest room has one in its middle already: more at the same place serve nobody
                break;
            }
            now = put(now, edits, UnitKind.ACCESS_POINT, new Place(best, null, at.xM(), at.yM(), HIGH_M), null);
            sending.add(at);
        }
        return now;
    }

    /** How far the middle of the worst room is from the nearest sender, with one more here. */
    private static double farthest(Map<String, Room> rooms, List<Corner> sending, Corner here) {
        return rooms.values().stream()
                .map(NetworkLike::middle)
                .mapToDouble(m -> Math.min(
                        away(m, here),
                        sending.stream().mapToDouble(s -> away(m, s)).min().orElse(Double.POSITIVE_INFINITY)))
                .max()
                .orElse(0);
    }

    private static double away(Corner a, Corner b) {
        return Math.hypot(a.xM() - b.xM(), a.yM() - b.yM());
    }

    private static Corner middle(@Nullable Room room) {
        return Polygon.middle(Objects.requireNonNull(room).corners());
    }

    private static Place beside(String id, Room room, double eastM) {
        Corner middle = middle(room);
        double x = Corner.cm(middle.xM() + eastM);
        boolean inside = room.contains(x, middle.yM());
        return new Place(id, null, inside ? x : middle.xM(), middle.yM(), ROUTER_M);
    }

    /** Where a line most likely comes in. */
    private static String entry(Plan plan) {
        Comparator<Map.Entry<String, Room>> likely =
                Comparator.comparing(e -> e.getValue().use() != RoomUse.PASSAGE);
        return plan.rooms().entrySet().stream()
                .min(likely.thenComparing(e ->
                                Math.abs(Asked.of(plan.floors(), e.getValue().floor(), "room", "a floor")
                                        .baseM()))
                        .thenComparing(e -> -e.getValue().areaM2())
                        .thenComparing(Map.Entry::getKey))
                .orElseThrow()
                .getKey();
    }
}
