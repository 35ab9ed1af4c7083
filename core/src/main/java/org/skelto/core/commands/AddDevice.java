package org.skelto.core.commands;

import java.util.List;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceBuilder;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Way;

/**
 * A device of a kind, as most people would have it: loads have a switch and hang on the first circuit, locks and valves shut
 * without power.
 *
 * @param room where it stands, in its middle, or null for nowhere yet
 */
public record AddDevice(DeviceKind kind, @Nullable String room) implements Command {
    private static final double USUAL_M = 1.2;

    @Override
    public Proposal on(Plan plan) {
        String name = Asked.freeName(Wording.of(kind), Asked.names(plan));
        return new Proposal(
                name, List.of(Edit.add(Pointers.of("devices", Asked.freeId(name, Asked.ids(plan))), made(plan, name))));
    }

    /** The device, under a name. */
    Device made(Plan plan, String name) {
        return DeviceBuilder.builder()
                .name(name)
                .kind(kind)
                .place(Asked.middle(plan, room, USUAL_M))
                .criticality(kind.criticality())
                .hand(kind.family() == DeviceKind.Family.LOAD ? Hand.SWITCH : Hand.NONE)
                .rest(kind == DeviceKind.LOCK || kind == DeviceKind.VALVE ? RestState.CLOSED : RestState.STAYS)
                .circuit(kind.mains() ? Asked.first(plan.circuits()) : null)
                .ways(new TreeSet<>(List.of(Way.RULE, Way.HOME_APP)))
                .build();
    }
}
