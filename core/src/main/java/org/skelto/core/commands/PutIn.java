package org.skelto.core.commands;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Demand;
import org.skelto.core.plan.site.Fitting;
import org.skelto.core.plan.site.Place;

/**
 * One thing goes to a room, clear of what stands there, to a spot, or nowhere; it keeps its height. A device with a radio of
 * its own goes with its unit.
 *
 * @param thing the map and the id of a unit, device, fitting or demand, as in "/units/hub"
 * @param room where to, or null
 * @param spot outdoors, where to, or null; neither means nowhere
 */
public record PutIn(
        String thing, @Nullable String room, @Nullable String spot) implements Command {
    private static final double USUAL_M = 1.2;

    @Override
    public Proposal on(Plan plan) {
        String[] path = thing == null ? new String[0] : thing.split("/", -1);
        if (path.length != 3) {
            throw new Refused("thing", "names nothing that stands somewhere");
        }
        String id = path[2];
        return switch (path[1]) {
            case "units" -> {
                Unit unit = Asked.of(plan.units(), id, "thing", "a unit");
                yield put(plan, "units", id, unit.name(), unit.place());
            }
            case "devices" -> {
                Device d = Asked.of(plan.devices(), id, "thing", "a device");
                Unit own = d.unit() == null ? null : plan.units().get(d.unit());
                yield d.place() == null && own != null && own.kind().alone()
                        ? put(plan, "units", String.valueOf(d.unit()), own.name(), own.place())
                        : put(plan, "devices", id, d.name(), d.place());
            }
            case "fittings" -> {
                Fitting f = Asked.of(plan.fittings(), id, "thing", "a fitting");
                yield put(plan, "fittings", id, f.name(), f.place());
            }
            case "demands" -> {
                Demand d = Asked.of(plan.demands(), id, "thing", "a place to work from");
                if (room == null && spot == null) {
                    throw new Refused("room", "is missing: " + d.name() + " is a place in a room or at a spot");
                }
                yield put(plan, "demands", id, d.name(), d.place());
            }
            default -> throw new Refused("thing", "names nothing that stands somewhere");
        };
    }

    private Proposal put(Plan plan, String map, String id, String name, @Nullable Place before) {
        Place place = new FreePlaces(plan).at(room, spot, before == null ? USUAL_M : before.heightM());
        return new Proposal("place of " + name, List.of(Edit.replace(Pointers.of(map, id, "place"), place)));
    }
}
