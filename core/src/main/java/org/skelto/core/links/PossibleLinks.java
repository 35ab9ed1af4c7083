package org.skelto.core.links;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Direction;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.work.ComputingBudget;

/**
 * Links that nobody planned but that radios make by themselves: a Wi-Fi station roams to every access point of its network's
 * name, the units of a mesh find one another, and every gateway that receives and decodes hears what a sub-GHz, long-range or
 * beacon radio sends, and all that speak on the mains wires hear one another. Whether they carry is judged like any other link.
 */
public final class PossibleLinks {
    private final Plan plan;
    private final Set<String> planned = new HashSet<>();
    private final List<Link> found = new ArrayList<>();

    private PossibleLinks(Plan plan) {
        this.plan = plan;
        plan.links().values().forEach(l -> planned.add(key(l.from(), l.to(), l.medium())));
    }

    /** The pairs of a plan that may hear each other, without those between which a link is planned. */
    public static List<Link> of(Plan plan) {
        PossibleLinks links = new PossibleLinks(plan);
        for (Medium medium : Medium.values()) {
            if (medium == Medium.POWER_LINE) {
                links.carrier();
            }
            if (!medium.radio()) {
                continue;
            }
            Map<String, Unit> units = new TreeMap<>(plan.units());
            units.values().removeIf(u -> u.place() == null || u.radio(medium).isEmpty());
            if (medium.mesh()) {
                links.mesh(medium, units);
            } else if (medium.wifi()) {
                links.stations(medium, units);
            } else {
                links.heard(medium, units);
            }
        }
        return links.found;
    }

    /** Name of a link that nobody planned, for which there is no id. */
    public static String name(Link link) {
        return key(link.from(), link.to(), link.medium());
    }

    private static String key(String one, String other, Medium medium) {
        return one.compareTo(other) < 0 ? medium + " " + one + " " + other : medium + " " + other + " " + one;
    }

    private void add(String from, String to, Medium medium, Direction direction) {
        ComputingBudget.step();
        if (planned.add(key(from, to, medium))) {
            found.add(Link.of(from, to, medium, direction, null, null));
        }
    }

    /** All that speak on the mains wires hear one another, phases and filters allowing. */
    private void carrier() {
        List<String> ids = List.copyOf(PowerLine.speakers(plan));
        for (int i = 0; i < ids.size(); i++) {
            for (int j = i + 1; j < ids.size(); j++) {
                if (placed(ids.get(i)) && placed(ids.get(j))) {
                    add(ids.get(i), ids.get(j), Medium.POWER_LINE, Direction.TWO_WAY);
                }
            }
        }
    }

    private boolean placed(String unit) {
        return plan.units().get(unit).place() != null;
    }

    /** Any two of one mesh of which at least one is always awake. */
    private void mesh(Medium medium, Map<String, Unit> units) {
        List<String> ids = List.copyOf(units.keySet());
        for (int i = 0; i < ids.size(); i++) {
            for (int j = i + 1; j < ids.size(); j++) {
                if (awake(units.get(ids.get(i))) || awake(units.get(ids.get(j)))) {
                    add(ids.get(i), ids.get(j), medium, Direction.TWO_WAY);
                }
            }
        }
    }

    private static boolean awake(Unit unit) {
        return unit.sink() || !unit.power().onCells();
    }

    /** A station and every access point, or router with Wi-Fi, of its network's name. */
    private void stations(Medium medium, Map<String, Unit> units) {
        Map<String, Set<String>> points = new TreeMap<>();
        units.forEach((id, unit) -> {
            if (offers(unit) && unit.wireless() != null && unit.wireless().name() != null) {
                points.computeIfAbsent(unit.wireless().name(), k -> new TreeSet<>())
                        .add(id);
            }
        });
        units.forEach((id, unit) -> {
            if (!offers(unit)) {
                networks(id, unit, medium)
                        .forEach(name -> points.getOrDefault(name, Set.of())
                                .forEach(point -> add(id, point, medium, Direction.TWO_WAY)));
            }
        });
    }

    /** Whether a unit offers a wireless network, once it has the radio. */
    public static boolean offers(Unit unit) {
        return unit.is(UnitKind.ACCESS_POINT) || unit.is(UnitKind.ROUTER);
    }

    private Set<String> networks(String id, Unit unit, Medium medium) {
        if (unit.wireless() != null && unit.wireless().joins() != null) {
            return Set.of(unit.wireless().joins());
        }
        Set<String> names = new TreeSet<>();
        plan.links().values().forEach(l -> {
            if (l.medium() == medium && (l.from().equals(id) || l.to().equals(id))) {
                Unit point = plan.units().get(l.other(id));
                if (offers(point)
                        && point.wireless() != null
                        && point.wireless().name() != null) {
                    names.add(point.wireless().name());
                }
            }
        });
        return names;
    }

    /** What a unit sends, heard by every gateway and hub that receives; connections over Bluetooth LE are made only where planned. */
    private void heard(Medium medium, Map<String, Unit> units) {
        units.forEach((id, unit) -> {
            if (!unit.sink() && (medium != Medium.BLE || beacon(id, unit))) {
                units.forEach((other, gateway) -> {
                    if (gateway.sink()
                            && gateway.radio(medium).map(Radio::receives).orElse(false)) {
                        add(id, other, medium, Direction.ONE_WAY);
                    }
                });
            }
        });
    }

    private boolean beacon(String id, Unit unit) {
        return !unit.radio(Medium.BLE).map(Radio::receives).orElse(true)
                || plan.links().values().stream()
                        .anyMatch(l -> l.medium() == Medium.BLE
                                && !l.twoWay()
                                && l.from().equals(id));
    }
}
