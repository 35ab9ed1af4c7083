package org.skelto.core.commands;

import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;

/** A unit once more, half a metre beside it, with its boards, the devices that hang on it, and its links. */
public record DuplicateUnit(String unit) implements Command {
    private static final double BESIDE_M = 0.5;

    @Override
    public Proposal on(Plan plan) {
        Unit of = Asked.of(plan.units(), unit, "unit", "a unit");
        Set<String> devices = new TreeSet<>();
        plan.devices().forEach((id, d) -> {
            if (unit.equals(d.unit())) {
                devices.add(id);
            }
        });
        Copies copies = new Copies(plan);
        Map<String, String> made = copies.of(Set.of(unit), devices, name -> name, p -> Asked.moved(p, BESIDE_M, 0));
        return new Proposal(of.name() + " once more, as " + made.get(unit), copies.edits());
    }
}
