package org.skelto.core.commands;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelto.core.links.RadioDefaults;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitBuilder;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;

/**
 * A unit of a kind, as most people would have it: on the first circuit, controllers served by the first hub, an access point
 * with its radio.
 *
 * @param room where it stands, in its middle, or null for nowhere yet
 */
public record AddUnit(UnitKind kind, @Nullable String room) implements Command {
    private static final double USUAL_M = 1.4;
    private static final double HIGH_M = 2.2;
    private static final int CHANNELS = 8;
    private static final int CLIENTS = 30;

    @Override
    public Proposal on(Plan plan) {
        String name = Asked.freeName(Wording.of(kind), Asked.names(plan));
        // the first router is most people's only access point
        boolean offersWireless = kind == UnitKind.ACCESS_POINT
                || kind == UnitKind.ROUTER
                        && plan.units().values().stream()
                                .noneMatch(u -> u.is(UnitKind.ACCESS_POINT) || u.is(UnitKind.ROUTER));
        Medium medium = offersWireless ? Medium.WIFI_2G4 : usual(kind);
        Map<String, Radio> radios = medium == null
                ? Map.of()
                : Map.of(RadioDefaults.id(medium), RadioDefaults.radio(medium, plan.region(), kind));
        Unit unit = UnitBuilder.builder()
                .name(name)
                .kind(kind)
                .place(Asked.middle(plan, room, kind == UnitKind.ACCESS_POINT ? HIGH_M : USUAL_M))
                .power(
                        kind == UnitKind.HANDSET
                                ? Power.battery()
                                : Power.of(PowerSource.MAINS, Asked.first(plan.circuits()), null, 0))
                .channels(kind.carries() ? CHANNELS : 0)
                .maxClients(offersWireless ? CLIENTS : 0)
                .internetEntry(kind == UnitKind.ROUTER)
                .broker(kind == UnitKind.HUB)
                .hub(kind.carries() || kind == UnitKind.CAMERA ? hub(plan) : null)
                .radios(radios)
                .build();
        return new Proposal(name, List.of(Edit.add(Pointers.of("units", Asked.freeId(name, Asked.ids(plan))), unit)));
    }

    /** The radio that a kind of unit mostly comes with, or null. */
    private static @Nullable Medium usual(UnitKind kind) {
        return switch (kind) {
            case WALL_TABLET, ASSISTANT, CAMERA, INFRARED_SENDER -> Medium.WIFI_2G4;
            case KEYPAD, HANDSET -> Medium.SUB_GHZ;
            default -> null;
        };
    }

    private static @Nullable String hub(Plan plan) {
        return plan.units().entrySet().stream()
                .filter(e -> e.getValue().is(UnitKind.HUB))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
    }
}
