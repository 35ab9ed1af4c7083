package org.skelto.core.house;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.power.Source;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.power.Store;
import org.skelto.core.work.ComputingBudget;

/** How power can flow through a plan; the same under every outage. */
final class Feeds {
    private final Plan plan;
    private final Map<String, Store> stores = new TreeMap<>();
    private final Map<String, List<String>> fedBy = new HashMap<>();
    private final Map<String, List<String>> cables = new HashMap<>();
    private final Map<String, Set<String>> storesAbove = new HashMap<>();
    private final List<String> rooted = new ArrayList<>();
    private final List<String> routers = new ArrayList<>();
    private final Map<String, Double> leases = new TreeMap<>();

    Feeds(Plan plan, Map<String, Store> all) {
        this.plan = plan;
        plan.links().forEach((id, link) -> {
            if (link.medium() == Medium.ETHERNET) {
                cable(link.from(), link.to(), id);
                cable(link.to(), link.from(), id);
            }
        });
        plan.units().forEach((id, unit) -> {
            for (Source source : unit.power().sources()) {
                feeders(source)
                        .forEach(from -> fedBy.computeIfAbsent(from, k -> new ArrayList<>())
                                .add(id));
            }
            if (unit.power().sources().stream().anyMatch(s -> s.source() == PowerSource.MAINS)) {
                rooted.add(id);
            }
            if (unit.is(UnitKind.ROUTER)) {
                routers.add(id);
            }
            if (unit.leaseH() != null) {
                leases.put(id, unit.leaseH());
            }
            Store store = all.get(id);
            if (store != null && store.cells()) {
                stores.put(id, store);
            }
        });
        // what is dark with the house whole has never been charged
        PowerState whole = new PowerState(this, Set.of(), 0, 0);
        all.forEach((id, store) -> {
            if (!store.cells() && whole.powered(id)) {
                stores.put(id, store);
            }
        });
        storesAbove.clear();
        // all of them now: outages are asked by several people at once
        stores.keySet().forEach(this::storesAbove);
    }

    private void cable(String one, String other, String link) {
        cables.computeIfAbsent(one + " " + other, k -> new ArrayList<>()).add(link);
    }

    /** Units that a source hangs on. */
    private List<String> feeders(Source source) {
        return switch (source.source()) {
            case BATTERY -> List.of();
            case SUPPLY, ETHERNET -> source.from() == null ? List.of() : List.of(source.from());
            case MAINS ->
                plan.circuits().entrySet().stream()
                        .filter(e ->
                                source.circuit() == null || source.circuit().equals(e.getKey()))
                        .map(e -> e.getValue().from())
                        .filter(from -> from != null)
                        .distinct()
                        .toList();
        };
    }

    /** Units with a store that a unit may be fed from. */
    private Set<String> above(String id) {
        Set<String> seen = new HashSet<>(Set.of(id));
        Set<String> found = new TreeSet<>();
        Deque<String> open = new ArrayDeque<>(List.of(id));
        while (!open.isEmpty()) {
            ComputingBudget.step();
            for (Source source : unit(open.remove()).power().sources()) {
                for (String from : feeders(source)) {
                    if (seen.add(from)) {
                        open.add(from);
                        if (stores.containsKey(from)) {
                            found.add(from);
                        }
                    }
                }
            }
        }
        return found;
    }

    Plan plan() {
        return plan;
    }

    Unit unit(String id) {
        return plan.units().get(id);
    }

    /** Backups and cells that are full when an outage begins, by unit. */
    Map<String, Store> stores() {
        return stores;
    }

    /** Units with a store above this one. */
    Set<String> storesAbove(String unit) {
        return storesAbove.computeIfAbsent(unit, this::above);
    }

    /** Units that have a source which hangs on this one. */
    List<String> fedBy(String unit) {
        return fedBy.getOrDefault(unit, List.of());
    }

    /** Whether a unit may lose power when a component goes. */
    boolean feeds(String component) {
        if (component.startsWith("unit:")) {
            return fedBy.containsKey(component.substring("unit:".length()));
        }
        if (component.startsWith("link:")) {
            return plan.links().get(component.substring("link:".length())).medium() == Medium.ETHERNET;
        }
        return component.equals(Component.MAINS) || component.startsWith("circuit:") || component.startsWith("feed:");
    }

    /** Those that give out addresses. */
    List<String> routers() {
        return routers;
    }

    /** For how many hours the addresses of units are lent to them, of those that are not fixed. */
    Map<String, Double> leases() {
        return leases;
    }

    /** Units on the mains. */
    List<String> rooted() {
        return rooted;
    }

    /** Ethernet cables between two units. */
    List<String> cables(String one, String other) {
        return cables.getOrDefault(one + " " + other, List.of());
    }
}
