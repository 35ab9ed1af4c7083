package org.skelto.core.outage;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Function;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.work.ComputingBudget;

/**
 * The house with a set of components gone: which units live and what reaches what. What is found is kept, so that
 * judging all devices costs two breadth-first searches for each hub: one outward, one towards it.
 */
final class House {
    private final Plan plan;
    private final Set<String> failed;
    private final Hops hops;
    private final Map<String, Boolean> up = new HashMap<>();
    private final Map<String, Map<String, String>> heardFrom = new HashMap<>();
    private final Map<String, Map<String, String>> reporting = new HashMap<>();

    House(Plan plan, Set<String> failed, Hops hops) {
        this.plan = plan;
        this.failed = failed;
        this.hops = hops;
    }

    /** Whether one unit speaks to the other directly, alive or not. */
    boolean speaks(String from, String to) {
        return hops.hearing(from).contains(to);
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
        ComputingBudget.step();
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
                || (power.fed() && power.from() != null && up(power.from()));
    }

    /** Whether messages get from one unit to another; commands are sought from the hub, reports towards it. */
    boolean reaches(String from, String to) {
        return up(from)
                && up(to)
                && (isHub(from)
                        ? heardFrom.computeIfAbsent(from, this::hearers).containsKey(to)
                        : reporting.computeIfAbsent(to, this::reporters).containsKey(from));
    }

    /** Every unit on the way that {@link #reaches} found. */
    void along(String from, String to, Consumer<String> sink) {
        ComputingBudget.step();
        Map<String, String> next = isHub(from) ? heardFrom.get(from) : reporting.get(to);
        String end = isHub(from) ? from : to;
        String at = isHub(from) ? to : from;
        while (!at.equals(end)) {
            sink.accept(at);
            at = next.get(at);
        }
        sink.accept(end);
    }

    /** The components of one proof that a unit is up: while none of them fails, it stays up. */
    void proofOfUp(String unit, Consumer<String> sink) {
        sink.accept(Component.unit(unit));
        Power power = plan.units().get(unit).power();
        if (power.source() == PowerSource.BATTERY || power.backupH() > 0) {
            return;
        }
        if (power.source() == PowerSource.MAINS) {
            proofOfLive(power.circuit(), sink);
        } else {
            proofOfUp(power.from(), sink);
        }
    }

    /** The same for a circuit. */
    void proofOfLive(String circuit, Consumer<String> sink) {
        sink.accept(Component.MAINS);
        if (circuit != null) {
            sink.accept(Component.circuit(circuit));
        } else {
            plan.circuits().keySet().stream()
                    .map(Component::circuit)
                    .filter(this::works)
                    .findFirst()
                    .ifPresent(sink);
        }
    }

    /** The units on a shortest way, both ends included, or an empty list. */
    List<String> way(String from, String to) {
        Map<String, String> before = heardFrom.computeIfAbsent(from, this::hearers);
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
    private Map<String, String> hearers(String from) {
        return search(from, hops::hearing);
    }

    /** Every unit that one unit hears from, with the unit after it on the way. */
    private Map<String, String> reporters(String to) {
        return search(to, hops::heardBy);
    }

    /** Breadth first from one end; each unit found with its neighbour nearer that end. */
    private Map<String, String> search(String end, Function<String, List<String>> neighbours) {
        Map<String, String> nearer = new HashMap<>(Map.of(end, end));
        Deque<String> open = new ArrayDeque<>(List.of(end));
        while (!open.isEmpty()) {
            ComputingBudget.step();
            String at = open.remove();
            if (!at.equals(end) && !relays(plan.units().get(at))) {
                continue;
            }
            for (String next : neighbours.apply(at)) {
                if (up(next) && nearer.putIfAbsent(next, at) == null) {
                    open.add(next);
                }
            }
        }
        return nearer;
    }

    /** Only what always listens passes messages on: the network's own units and mains-powered controllers. */
    private static boolean relays(Unit unit) {
        return switch (unit.kind()) {
            case ROUTER, SWITCH, ACCESS_POINT, GATEWAY, HUB -> true;
            case CONTROLLER, SELF_CONTAINED, PANEL -> unit.power().steady();
            case SUPPLY -> false;
        };
    }

    boolean isHub(String unit) {
        return plan.units().get(unit).kind() == UnitKind.HUB;
    }
}
