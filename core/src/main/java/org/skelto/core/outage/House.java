package org.skelto.core.outage;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Power;
import org.skelto.core.plan.PowerSource;
import org.skelto.core.plan.Unit;
import org.skelto.core.plan.UnitKind;

/**
 * The house with a set of components gone: which units live and what reaches what. Reach is searched once for each
 * destination and kept, so that judging all devices costs one breadth-first search for each hub.
 */
final class House {
    private final Plan plan;
    private final Set<String> failed;
    private final Map<String, Boolean> up = new HashMap<>();
    private final Map<String, Map<String, String>> reached = new HashMap<>();
    private final Map<String, List<String>> speaksTo = new HashMap<>();

    House(Plan plan, Set<String> failed, Carrying carrying) {
        this.plan = plan;
        this.failed = failed;
        plan.links().forEach((id, link) -> {
            if (carrying.carries(id, link.from())) {
                speaksTo.computeIfAbsent(link.from(), k -> new ArrayList<>()).add(link.to());
            }
            if (link.twoWay() && carrying.carries(id, link.to())) {
                speaksTo.computeIfAbsent(link.to(), k -> new ArrayList<>()).add(link.from());
            }
        });
    }

    /** Whether one unit speaks to the other directly, alive or not. */
    boolean speaks(String from, String to) {
        return speaksTo.getOrDefault(from, List.of()).contains(to);
    }

    boolean works(String component) {
        return !failed.contains(component)
                && !(component.startsWith(Component.MAINS + ":") && failed.contains(Component.MAINS));
    }

    boolean live(String circuit) {
        if (circuit != null) {
            return works(Component.circuit(circuit));
        }
        // on no circuit in particular: dead when all are
        return !failed.contains(Component.MAINS)
                && (plan.circuits().isEmpty()
                        || plan.circuits().keySet().stream().anyMatch(id -> works(Component.circuit(id))));
    }

    boolean up(String unit) {
        Boolean known = up.get(unit);
        if (known == null) {
            known = works(Component.unit(unit)) && powered(unit);
            up.put(unit, known);
        }
        return known;
    }

    boolean powered(String unitId) {
        Power power = plan.units().get(unitId).power();
        return power.source() == PowerSource.BATTERY
                || power.backupH() > 0
                || (power.source() == PowerSource.MAINS && live(power.circuit()))
                || (power.source() == PowerSource.ETHERNET && power.from() != null && up(power.from()));
    }

    boolean reaches(String from, String to) {
        return up(from) && up(to) && nextHops(from).containsKey(to);
    }

    /** The units on a shortest way, both ends included, or an empty list. */
    List<String> way(String from, String to) {
        Map<String, String> before = nextHops(from);
        if (!before.containsKey(to)) {
            return List.of();
        }
        List<String> way = new ArrayList<>();
        for (String at = to; !at.equals(from); at = before.get(at)) {
            way.add(at);
        }
        way.add(from);
        Collections.reverse(way);
        return way;
    }

    /** Every unit that hears from one unit, with the unit before it on the way. */
    private Map<String, String> nextHops(String from) {
        Map<String, String> known = reached.get(from);
        if (known == null) {
            known = search(from);
            reached.put(from, known);
        }
        return known;
    }

    private Map<String, String> search(String from) {
        Map<String, String> before = new HashMap<>();
        Set<String> seen = new HashSet<>(Set.of(from));
        Deque<String> open = new ArrayDeque<>(List.of(from));
        before.put(from, from);
        while (!open.isEmpty()) {
            String at = open.remove();
            if (!at.equals(from) && !relays(plan.units().get(at))) {
                continue;
            }
            for (String next : speaksTo.getOrDefault(at, List.of())) {
                if (up(next) && seen.add(next)) {
                    before.put(next, at);
                    open.add(next);
                }
            }
        }
        return before;
    }

    /** Only what always listens passes messages on: the network's own units and mains-powered controllers. */
    private static boolean relays(Unit unit) {
        return switch (unit.kind()) {
            case ROUTER, SWITCH, ACCESS_POINT, GATEWAY, HUB -> true;
            case CONTROLLER, SELF_CONTAINED -> unit.power().source() == PowerSource.MAINS;
        };
    }

    boolean isHub(String unit) {
        return plan.units().get(unit).kind() == UnitKind.HUB;
    }
}
