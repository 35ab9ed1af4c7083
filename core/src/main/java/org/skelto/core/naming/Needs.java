package org.skelto.core.naming;

import java.util.EnumMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.work.ComputingBudget;

/**
 * Which units of a plan need a name on a network: one look at each link.
 *
 * @param addresses ids of units that speak IP, so that they need an address to be found at
 * @param nodes ids of units that need a long-range node id
 */
public record Needs(Set<String> addresses, Set<String> nodes) {
    /** The needs of a plan. */
    public static Needs of(Plan plan) {
        Map<Medium, Set<String>> ends = new EnumMap<>(Medium.class);
        plan.links().values().forEach(link -> {
            ComputingBudget.step();
            Set<String> units = ends.computeIfAbsent(link.medium(), m -> new HashSet<>());
            units.add(link.from());
            units.add(link.to());
        });
        Set<String> onIp = new HashSet<>();
        for (Medium medium : new Medium[] {Medium.ETHERNET, Medium.WIFI_2G4, Medium.WIFI_5G}) {
            onIp.addAll(ends.getOrDefault(medium, Set.of()));
        }
        Set<String> addresses = new HashSet<>();
        Set<String> nodes = new HashSet<>(ends.getOrDefault(Medium.CHIRP, Set.of()));
        nodes.retainAll(plan.units().keySet());
        plan.units().forEach((id, unit) -> {
            if (speaks(unit, onIp.contains(id))) {
                addresses.add(id);
            }
        });
        return new Needs(addresses, nodes);
    }

    /** What belongs to the network always speaks IP, all else where a link of it does. */
    private static boolean speaks(Unit unit, boolean linked) {
        return switch (unit.kind()) {
            case ROUTER, SWITCH, ACCESS_POINT, HUB, GATEWAY -> true;
            case CONTROLLER,
                    SELF_CONTAINED,
                    PANEL,
                    KEYPAD,
                    HANDSET,
                    WALL_TABLET,
                    ASSISTANT,
                    CAMERA,
                    RECORDER,
                    INFRARED_SENDER -> linked;
            case SUPPLY, COUPLER -> false;
        };
    }
}
