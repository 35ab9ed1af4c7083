package org.skelto.core.commands;

import java.util.List;
import java.util.Map;
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
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitBuilder;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.site.Place;

/**
 * A device of a kind, as most people would have it: loads have a switch and hang on the first circuit, locks and valves shut
 * without power.
 *
 * @param room where it stands, clear of what stands there, or null
 * @param spot outdoors, where it stands, or null; neither means nowhere yet
 * @param name or null for that of its kind
 * @param own whether it has a radio and battery of its own: then a unit of its own comes with it; null means not
 */
public record AddDevice(
        DeviceKind kind,
        @Nullable String room,
        @Nullable String spot,
        @Nullable String name,
        @Nullable Boolean own) implements Command {
    static final double USUAL_M = 1.2;

    public AddDevice(DeviceKind kind, @Nullable String room) {
        this(kind, room, null, null, null);
    }

    @Override
    public Proposal on(Plan plan) {
        String called = Asked.called(plan, name, Wording.of(kind));
        String id = Asked.freeId(called, Asked.ids(plan));
        Device device = made(plan, called, new FreePlaces(plan).at(room, spot, USUAL_M));
        if (!Boolean.TRUE.equals(own)) {
            return new Proposal(
                    called, List.of(Edit.add(Pointers.of("devices", id), device)), Asked.sameName(plan, name));
        }
        Unit unit = unitOf(plan, device);
        return new Proposal(
                called,
                List.of(
                        Edit.add(Pointers.of("units", id), unit),
                        Edit.add(Pointers.of("devices", id), onItsOwn(device, id))),
                Asked.sameName(plan, name));
    }

    /** The unit that a device with a radio of its own is: fed by its circuit where it switches mains, else by a battery. */
    static Unit unitOf(Plan plan, Device device) {
        return UnitBuilder.builder()
                .name(device.name())
                .kind(UnitKind.SELF_CONTAINED)
                .place(device.place())
                .power(
                        device.circuit() == null
                                ? Power.battery()
                                : Power.of(PowerSource.MAINS, device.circuit(), null, 0))
                .hub(AddUnit.hub(plan))
                .radios(Map.of())
                .build();
    }

    /** The device as part of that unit. */
    static Device onItsOwn(Device device, String unit) {
        return device.with(d -> d.place(null).circuit(null).unit(unit));
    }

    /** The device, under a name and there. */
    Device made(Plan plan, String called, @Nullable Place place) {
        return DeviceBuilder.builder()
                .name(called)
                .kind(kind)
                .place(place)
                .criticality(kind.criticality())
                .hand(kind.family() == DeviceKind.Family.LOAD ? Hand.SWITCH : Hand.NONE)
                .rest(kind == DeviceKind.LOCK || kind == DeviceKind.VALVE ? RestState.CLOSED : RestState.STAYS)
                .circuit(kind.mains() ? Asked.first(plan.circuits()) : null)
                .ways(new TreeSet<>(List.of(Way.RULE, Way.HOME_APP)))
                .build();
    }
}
