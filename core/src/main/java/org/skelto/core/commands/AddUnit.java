package org.skelto.core.commands;

import java.util.ArrayList;
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
import org.skelto.core.plan.site.Place;

/**
 * A unit of a kind, as most people would have it: on the first circuit, controllers served by the first hub, an access point
 * with its radio.
 *
 * <p>The first hub serves what waited for one.
 *
 * @param room where it stands, clear of what stands there, or null
 * @param spot outdoors, where it stands, or null; neither means nowhere yet
 * @param name or null for that of its kind
 * @param medium of the radio that it comes with, or null for the usual one of its kind
 */
public record AddUnit(
        UnitKind kind,
        @Nullable String room,
        @Nullable String spot,
        @Nullable String name,
        @Nullable Medium medium) implements Command {
    private static final double USUAL_M = 1.4;
    private static final double HIGH_M = 2.2;
    private static final int CHANNELS = 8;
    private static final int CLIENTS = 30;

    public AddUnit(UnitKind kind, @Nullable String room) {
        this(kind, room, null, null, null);
    }

    @Override
    public Proposal on(Plan plan) {
        return standing(plan, new FreePlaces(plan).at(room, spot, kind == UnitKind.ACCESS_POINT ? HIGH_M : USUAL_M));
    }

    /** The same, exactly there. */
    Proposal standing(Plan plan, @Nullable Place place) {
        if (medium != null && !medium.radio()) {
            throw new Refused("medium", "must be a radio");
        }
        String called = Asked.called(plan, name, Wording.of(kind));
        // the first router is most people's only access point
        boolean offersWireless = kind == UnitKind.ACCESS_POINT
                || kind == UnitKind.ROUTER
                        && plan.units().values().stream()
                                .noneMatch(u -> u.is(UnitKind.ACCESS_POINT) || u.is(UnitKind.ROUTER));
        Medium comes = medium != null ? medium : offersWireless ? Medium.WIFI_2G4 : usual(kind);
        Map<String, Radio> radios = comes == null
                ? Map.of()
                : Map.of(RadioDefaults.id(comes), RadioDefaults.radio(comes, plan.region(), kind));
        Unit unit = UnitBuilder.builder()
                .name(called)
                .kind(kind)
                .place(place)
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
        String id = Asked.freeId(called, Asked.ids(plan));
        List<Edit> edits = new ArrayList<>(List.of(Edit.add(Pointers.of("units", id), unit)));
        if (kind == UnitKind.HUB && hub(plan) == null) {
            plan.units().forEach((other, u) -> {
                if (u.hub() == null && (u.carries() || u.kind().alone())) {
                    edits.add(Edit.replace(Pointers.of("units", other, "hub"), id));
                }
            });
        }
        return new Proposal(called, edits, Asked.sameName(plan, name));
    }

    /** The radio that a kind of unit mostly comes with, or null. */
    private static @Nullable Medium usual(UnitKind kind) {
        return switch (kind) {
            case WALL_TABLET, ASSISTANT, CAMERA, INFRARED_SENDER -> Medium.WIFI_2G4;
            case KEYPAD, HANDSET -> Medium.SUB_GHZ;
            default -> null;
        };
    }

    static @Nullable String hub(Plan plan) {
        return plan.units().entrySet().stream()
                .filter(e -> e.getValue().is(UnitKind.HUB))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
    }
}
