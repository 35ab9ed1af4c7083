package org.skelto.core.commands;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;

/**
 * Units and devices go to a room: at the same share of its width and depth as in the room that they come from, those that stood
 * nowhere side by side around its middle; each keeps its height. A device with a radio of its own goes with its unit.
 */
public record MoveToRoom(
        List<String> units, List<String> devices, @Nullable String room) implements Command {
    /** Between things that stood nowhere before. */
    private static final double APART_M = 0.4;

    private static final double USUAL_M = 1.2;

    public MoveToRoom {
        units = Copies.known(units);
        devices = Copies.known(devices);
    }

    @Override
    public Proposal on(Plan plan) {
        Room to = Asked.of(plan.rooms(), room, "room", "a room");
        List<Edit> edits = new ArrayList<>();
        int[] unplaced = {0};
        List<String> boxes = new ArrayList<>(units);
        for (String id : devices) {
            Device d = Asked.of(plan.devices(), id, "devices", "a device");
            Unit unit = d.unit() == null ? null : plan.units().get(d.unit());
            if (d.place() == null && unit != null && unit.kind().alone()) {
                boxes.add(d.unit());
            } else {
                edits.add(Edit.replace(Pointers.of("devices", id, "place"), placed(plan, d.place(), to, unplaced)));
            }
        }
        for (String id : boxes.stream().distinct().toList()) {
            Unit unit = Asked.of(plan.units(), id, "units", "a unit");
            edits.add(Edit.replace(Pointers.of("units", id, "place"), placed(plan, unit.place(), to, unplaced)));
        }
        if (edits.isEmpty()) {
            throw new Refused("devices", "names nothing");
        }
        return new Proposal(edits.size() + " moved to " + to.name(), edits);
    }

    private Place placed(Plan plan, @Nullable Place from, Room to, int[] unplaced) {
        Room before = from == null || from.room() == null ? null : plan.rooms().get(from.room());
        Bounds b = to.bounds();
        double x = (b.westM() + b.eastM()) / 2;
        double y = (b.southM() + b.northM()) / 2;
        if (before != null && from != null) {
            Bounds a = before.bounds();
            double east = b.westM() + (from.xM() - a.westM()) / a.widthM() * b.widthM();
            double north = b.southM() + (from.yM() - a.southM()) / a.depthM() * b.depthM();
            if (to.contains(east, north)) {
                x = east;
                y = north;
            }
        } else {
            int n = unplaced[0]++;
            double east = x + APART_M * ((n + 1) / 2) * (n % 2 == 0 ? 1 : -1);
            x = to.contains(east, y) ? east : x;
        }
        return new Place(room, null, Corner.cm(x), Corner.cm(y), from == null ? USUAL_M : from.heightM());
    }
}
