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
        boolean offersWireless = kind == UnitKind.ACCESS_POINT;
        Map<String, Radio> radios =
                offersWireless ? Map.of("wifi", RadioDefaults.radio(Medium.WIFI_2G4, plan.region(), kind)) : Map.of();
        Unit unit = UnitBuilder.builder()
                .name(name)
                .kind(kind)
                .place(Asked.middle(plan, room, offersWireless ? HIGH_M : USUAL_M))
                .power(Power.of(PowerSource.MAINS, Asked.first(plan.circuits()), null, 0))
                .channels(kind.drives() ? CHANNELS : 0)
                .maxClients(offersWireless ? CLIENTS : 0)
                .internetEntry(kind == UnitKind.ROUTER)
                .broker(kind == UnitKind.HUB)
                .hub(kind.drives() ? hub(plan) : null)
                .radios(radios)
                .build();
        return new Proposal(name, List.of(Edit.add(Pointers.of("units", Asked.freeId(name, Asked.ids(plan))), unit)));
    }

    private static @Nullable String hub(Plan plan) {
        return plan.units().entrySet().stream()
                .filter(e -> e.getValue().kind() == UnitKind.HUB)
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
    }
}
