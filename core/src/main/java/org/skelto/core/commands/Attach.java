package org.skelto.core.commands;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;

/**
 * Devices go over to a unit, on its lowest free channels, and are wired to nothing there yet. Beyond its channels they have none.
 *
 * @param unit that drives devices, or null to take them off theirs
 */
public record Attach(List<String> devices, @Nullable String unit) implements Command {
    public Attach {
        devices = Copies.known(devices);
    }

    @Override
    public Proposal on(Plan plan) {
        Unit to = unit == null ? null : Asked.of(plan.units(), unit, "unit", "a unit");
        if (to != null && !to.carries()) {
            throw new Refused("unit", "names a unit that drives no devices");
        }
        List<Edit> edits = new ArrayList<>();
        Set<Integer> used = new HashSet<>();
        plan.devices().forEach((id, d) -> {
            if (unit != null && unit.equals(d.unit()) && !devices.contains(id)) {
                used.add(d.channel());
            }
        });
        int next = 1;
        for (String id : devices) {
            Device device = Asked.of(plan.devices(), id, "devices", "a device");
            while (used.contains(next)) {
                next++;
            }
            Integer channel = to != null && next <= to.channels() ? next++ : null;
            edits.add(Edit.replace(
                    Pointers.of("devices", id),
                    device.with(d -> d.unit(unit).channel(channel).wiring(null))));
        }
        return new Proposal(devices.size() + " attached to " + (to == null ? "nothing" : to.name()), edits);
    }
}
