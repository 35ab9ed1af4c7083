package org.skelto.core.build;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.work.ComputingBudget;

/**
 * What has no part chosen, so that its price is in no total, and the part of the catalogue that it most likely is: by kind,
 * and for gateways by their radio.
 */
public final class LikelyParts {
    /** Lamps, sockets and the like belong to the house, and are bought without Skelto. */
    private static final Set<DeviceKind> OF_THE_HOUSE = Set.of(
            DeviceKind.LAMP,
            DeviceKind.DIMMED_LAMP,
            DeviceKind.SOCKET,
            DeviceKind.FAN,
            DeviceKind.HEATER,
            DeviceKind.PUMP,
            DeviceKind.DISPLAY,
            DeviceKind.METER);

    private static final Map<DeviceKind, String> SENSORS = Map.of(
            DeviceKind.PUSH_BUTTON, "button-wire",
            DeviceKind.CONTACT, "contact-wire",
            DeviceKind.TEMPERATURE, "probe-wire");

    private LikelyParts() {}

    /**
     * Something whose part is not chosen.
     *
     * @param at pointer of the unit or device
     * @param name as the plan says
     * @param likely name of the part that it most likely is, or null where nothing can be said
     * @param edits that choose it; none where nothing can be said
     */
    public record Unchosen(String at, String name, @Nullable String likely, List<Edit> edits) {}

    /** All of a plan, units first, by id. */
    public static List<Unchosen> of(Plan plan, Catalogue catalogue) {
        List<Unchosen> all = new ArrayList<>();
        plan.units().forEach((id, unit) -> {
            ComputingBudget.step();
            if (!chosen(unit)) {
                String at = Pointers.of("units", id);
                String part = part(unit);
                all.add(unchosen(
                        catalogue,
                        at,
                        unit.name(),
                        part,
                        part == null ? null : Edit.replace(at + "/boards", new BoardSet(part, Map.of()))));
            }
        });
        plan.devices().forEach((id, device) -> {
            ComputingBudget.step();
            Unit unit = device.unit() == null ? null : plan.units().get(device.unit());
            boolean own = unit != null && (unit.kind().alone() || unit.kind().carries() && !unit.drives());
            if (!own && device.known().part() == null && !OF_THE_HOUSE.contains(device.kind())) {
                String at = Pointers.of("devices", id);
                String part = SENSORS.get(device.kind());
                all.add(unchosen(
                        catalogue,
                        at,
                        device.name(),
                        part,
                        Edit.replace(at + "/works", device.known().with(w -> w.part(part)))));
            }
        });
        return all;
    }

    private static Unchosen unchosen(
            Catalogue catalogue, String at, String name, @Nullable String part, @Nullable Edit edit) {
        return catalogue
                .find(part)
                .filter(p -> edit != null)
                .map(p -> new Unchosen(at, name, p.name(), List.of(edit)))
                .orElseGet(() -> new Unchosen(at, name, null, List.of()));
    }

    /** Whether what a unit costs is known: its parts are chosen, or it counts as a finished one. */
    static boolean chosen(Unit unit) {
        return unit.boards() != null
                || unit.kind().alone()
                || unit.is(UnitKind.SUPPLY) && unit.power().part() != null;
    }

    private static @Nullable String part(Unit unit) {
        boolean radio = !unit.radios().isEmpty();
        return switch (unit.kind()) {
            case ROUTER -> radio ? "router-wifi" : "router-plain";
            case SWITCH -> "switch-8";
            case ACCESS_POINT ->
                unit.place() != null && unit.place().spot() != null ? "point-outdoor" : "point-ceiling";
            case GATEWAY -> gateway(unit);
            case HUB -> "hub-quiet";
            case PANEL -> "panel-8";
            case KEYPAD -> radio ? "keypad-radio" : "keypad-wired";
            case HANDSET -> "handset-4";
            case WALL_TABLET -> "tablet-wall";
            case ASSISTANT -> "assistant-small";
            case RECORDER -> "recorder-4";
            case INFRARED_SENDER -> "infrared-room";
            case COUPLER -> "coupler-3";
            // a board follows from its devices: see Boards; a supply from what hangs on it
            case CONTROLLER, SUPPLY, SELF_CONTAINED, CAMERA -> null;
        };
    }

    private static @Nullable String gateway(Unit unit) {
        if (unit.radio(Medium.MESH_802154).isPresent()) {
            return "gate-mesh";
        }
        if (unit.radio(Medium.MESH_G9959).isPresent()) {
            return "gate-g9959";
        }
        if (unit.radio(Medium.CHIRP).isPresent()) {
            return "gate-chirp";
        }
        return unit.radio(Medium.SUB_GHZ).isPresent() ? "gate-ook" : null;
    }
}
