package org.skelto.core.links;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/** Who could hear a unit: what is placed, has an ear for the medium, and does not itself hang on the unit that asks. */
final class Receivers {
    private final Plan plan;
    private final SiteModel site;
    private final Map<String, List<Link>> outward;

    Receivers(Plan plan, SiteModel site) {
        this.site = site;
        this.plan = plan;
        this.outward = plan.links().values().stream().collect(Collectors.groupingBy(Link::from));
    }

    /** Whether a unit has a link outward. */
    boolean linked(String unitId) {
        return outward.containsKey(unitId);
    }

    /** Units that could hear another over a medium. */
    Stream<String> of(String unitId, Medium medium) {
        return plan.units().entrySet().stream()
                .filter(e -> !e.getKey().equals(unitId))
                .filter(e -> receives(e.getKey(), e.getValue(), unitId, medium))
                .map(Map.Entry::getKey);
    }

    private boolean receives(String id, Unit unit, String asking, Medium medium) {
        ComputingBudget.step();
        if (site.position(unit).isEmpty()) {
            return false;
        }
        if (leansOn(id, asking)) {
            return false;
        }
        if (medium == Medium.ETHERNET) {
            return unit.is(UnitKind.SWITCH) || unit.is(UnitKind.ROUTER);
        }
        if (medium.wifi() && !unit.is(UnitKind.ACCESS_POINT) && !unit.is(UnitKind.ROUTER)) {
            // a hub with such a radio is a client itself
            return false;
        }
        return (unit.collects() || medium.mesh() && repeats(id, asking, medium))
                && unit.radio(medium).filter(Radio::receives).isPresent();
    }

    /** Whether a unit reaches the hub only through the one that asks, directly or through others. */
    private boolean leansOn(String id, String asking) {
        Set<String> seen = new HashSet<>();
        Deque<String> open = new ArrayDeque<>(List.of(id));
        while (!open.isEmpty()) {
            ComputingBudget.step();
            String at = open.remove();
            if (at.equals(asking)) {
                return true;
            }
            if (seen.add(at)) {
                outward.getOrDefault(at, List.of()).forEach(l -> open.add(l.to()));
            }
        }
        return false;
    }

    /** Whether a unit that repeats passes the mesh on to a gateway without leaning on the unit that asks. */
    private boolean repeats(String id, String asking, Medium medium) {
        Set<String> seen = new HashSet<>(Set.of(asking));
        Deque<String> open = new ArrayDeque<>(List.of(id));
        while (!open.isEmpty()) {
            ComputingBudget.step();
            String at = open.remove();
            if (!seen.add(at)) {
                continue;
            }
            Unit unit = plan.units().get(at);
            if (unit.collects()) {
                return true;
            }
            if (unit.repeats(medium)) {
                outward.getOrDefault(at, List.of()).stream()
                        .filter(l -> l.medium() == medium)
                        .forEach(l -> open.add(l.to()));
            }
        }
        return false;
    }
}
