package org.skelto.core.commands;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Demand;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Fitting;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;

/** A room with all that stands in it, some metres further. */
public record MoveRoom(String room, double eastM, double northM) implements Command {
    @Override
    public Proposal on(Plan plan) {
        Room of = Asked.of(plan.rooms(), room, "room", "a room");
        if (!Double.isFinite(eastM) || !Double.isFinite(northM)) {
            throw new Refused(Double.isFinite(eastM) ? "northM" : "eastM", "must be a finite number");
        }
        List<Edit> edits = new ArrayList<>();
        List<Corner> corners = of.corners().stream()
                .map(c -> new Corner(Corner.cm(c.xM() + eastM), Corner.cm(c.yM() + northM)))
                .toList();
        edits.add(Edit.replace(Pointers.of("rooms", room, "corners"), corners));
        things(edits, "units", plan.units(), Unit::place);
        things(edits, "devices", plan.devices(), Device::place);
        things(edits, "fittings", plan.fittings(), Fitting::place);
        things(edits, "demands", plan.demands(), Demand::place);
        return new Proposal(of.name() + " moved", edits);
    }

    private <V> void things(List<Edit> edits, String map, Map<String, V> all, Function<V, @Nullable Place> place) {
        all.forEach((id, thing) -> {
            Place at = place.apply(thing);
            if (at != null && Asked.in(at, room)) {
                edits.add(Edit.replace(Pointers.of(map, id, "place"), Asked.moved(at, eastM, northM)));
            }
        });
    }
}
