package org.skelto.core.parts;

import java.util.Set;
import java.util.TreeSet;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Chain;
import org.skelto.core.plan.equipment.Unit;

/** Which parts of the catalogue a plan names. */
public final class PartsUsed {
    private PartsUsed() {}

    /** Ids of all parts that a plan names anywhere. */
    public static Set<String> of(Plan plan) {
        Set<String> used = new TreeSet<>();
        plan.units().values().forEach(u -> unit(used, u));
        plan.devices().values().forEach(d -> add(used, d.known().part()));
        plan.housings().values().forEach(h -> add(used, h.part()));
        plan.circuits().values().forEach(c -> add(used, c.cable()));
        plan.owned().values().forEach(o -> add(used, o.part()));
        return used;
    }

    private static void unit(Set<String> used, Unit unit) {
        add(used, unit.power().part());
        if (unit.power().feed() != null) {
            add(used, unit.power().feed().cable());
        }
        if (unit.boards() != null) {
            add(used, unit.boards().main());
            unit.boards().more().values().forEach(b -> add(used, b.part()));
            chain(used, unit.boards().bus());
            chain(used, unit.boards().line());
        }
    }

    private static void chain(Set<String> used, Chain chain) {
        if (chain != null) {
            add(used, chain.cable());
        }
    }

    private static void add(Set<String> used, String part) {
        if (part != null) {
            used.add(part);
        }
    }
}
