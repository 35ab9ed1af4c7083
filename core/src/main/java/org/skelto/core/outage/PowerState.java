package org.skelto.core.outage;

import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.Circuit;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.power.Source;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.work.ComputingBudget;

/**
 * Which circuits are live and which units have power with a set of components gone: the least set in which every unit has a
 * source that lives, so that a ring of units which feed each other, and which nothing else feeds, is dark.
 */
final class PowerState {
    private final Plan plan;
    private final Set<String> failed;

    /** Units whose backup is charged while the house is whole. */
    private final Set<String> charged;

    private final Set<String> powered = new HashSet<>();

    /** The house right after these components have gone: no backup has run down yet. */
    PowerState(Plan plan, Set<String> failed, Set<String> charged) {
        this.plan = plan;
        this.failed = failed;
        this.charged = charged;
        boolean grew = true;
        while (grew) {
            grew = false;
            for (Map.Entry<String, Unit> e : plan.units().entrySet()) {
                ComputingBudget.step();
                if (!powered.contains(e.getKey()) && fed(e.getKey(), e.getValue())) {
                    powered.add(e.getKey());
                    grew = true;
                }
            }
        }
    }

    /** The units with a backup that something charges while the house is whole. */
    static Set<String> charged(Plan plan) {
        PowerState whole = new PowerState(plan, Set.of(), Set.of());
        Set<String> charged = new HashSet<>();
        plan.units().forEach((id, unit) -> {
            if (unit.power().backupH() > 0 && whole.powered.contains(id)) {
                charged.add(id);
            }
        });
        return charged;
    }

    boolean works(String component) {
        return !failed.contains(component);
    }

    /** Whether a unit is there and has power. */
    boolean up(String unit) {
        return powered.contains(unit) && works(Component.unit(unit));
    }

    /** Whether a unit's own backup is there and charged. */
    boolean standby(String unit) {
        return charged.contains(unit);
    }

    private boolean fed(String id, Unit unit) {
        return charged.contains(id) || unit.power().sources().stream().anyMatch(s -> lives(id, s));
    }

    /** Whether one source of a unit gives power. */
    boolean lives(String unit, Source source) {
        return switch (source.source()) {
            case BATTERY -> true;
            case MAINS -> live(source.circuit());
            case SUPPLY -> source.from() != null && up(source.from()) && works(Component.feed(unit));
            case ETHERNET -> source.from() != null && up(source.from()) && cable(unit, source.from()) != null;
        };
    }

    /** Id of a whole Ethernet cable between two units, or null. */
    String cable(String one, String other) {
        return plan.links().entrySet().stream()
                .filter(e -> e.getValue().medium() == Medium.ETHERNET
                        && (e.getValue().from().equals(one) && e.getValue().to().equals(other)
                                || e.getValue().from().equals(other)
                                        && e.getValue().to().equals(one))
                        && works(Component.link(e.getKey())))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
    }

    /** Whether a circuit is live; null is on no circuit in particular, which is dead when all are. */
    boolean live(String circuit) {
        if (circuit == null) {
            return works(Component.MAINS)
                    && (plan.circuits().isEmpty()
                            || plan.circuits().keySet().stream().anyMatch(this::live));
        }
        Circuit known = plan.circuits().get(circuit);
        return works(Component.circuit(circuit)) && (known.from() == null ? works(Component.MAINS) : up(known.from()));
    }

    /** Whether a source is a steady one, rather than cells. */
    static boolean steady(Source source) {
        return source.source() != PowerSource.BATTERY;
    }
}
