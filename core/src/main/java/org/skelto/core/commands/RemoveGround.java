package org.skelto.core.commands;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.site.Fitting;
import org.skelto.core.plan.site.Place;

/**
 * A room or an outdoor spot goes; what stood there stands nowhere yet. A room takes its doors and windows along, and the places
 * to work from that were in it.
 *
 * @param room its id, or null
 * @param spot its id, or null; one of both
 */
public record RemoveGround(@Nullable String room, @Nullable String spot) implements Command {
    @Override
    public Proposal on(Plan plan) {
        if ((room == null) == (spot == null)) {
            throw new Refused("room", "or a spot, one of both, is to be named");
        }
        String name = room != null
                ? Asked.of(plan.rooms(), room, "room", "a room").name()
                : Asked.of(plan.spots(), spot, "spot", "a spot").name();
        List<Edit> edits = new ArrayList<>();
        cleared(edits, "units", plan.units(), Unit::place);
        cleared(edits, "devices", plan.devices(), Device::place);
        cleared(edits, "fittings", plan.fittings(), Fitting::place);
        plan.demands().forEach((id, demand) -> {
            if (here(demand.place())) {
                edits.add(Edit.remove(Pointers.of("demands", id)));
            }
        });
        plan.devices().forEach((id, device) -> {
            if (room != null && device.heardIn().contains(room)) {
                TreeSet<String> heard = new TreeSet<>(device.heardIn());
                heard.remove(room);
                edits.add(Edit.replace(Pointers.of("devices", id, "heardIn"), heard));
            }
        });
        plan.openings().forEach((id, opening) -> {
            if (opening.room().equals(room)) {
                edits.add(Edit.remove(Pointers.of("openings", id)));
            }
        });
        edits.add(Edit.remove(room != null ? Pointers.of("rooms", room) : Pointers.of("spots", spot)));
        return new Proposal("remove " + name, edits);
    }

    private boolean here(@Nullable Place place) {
        return place != null
                && (room != null
                        ? room.equals(place.room())
                        : String.valueOf(spot).equals(place.spot()));
    }

    private <V> void cleared(List<Edit> edits, String map, Map<String, V> all, Function<V, @Nullable Place> place) {
        all.forEach((id, thing) -> {
            if (here(place.apply(thing))) {
                edits.add(Edit.replace(Pointers.of(map, id, "place"), null));
            }
        });
    }
}
