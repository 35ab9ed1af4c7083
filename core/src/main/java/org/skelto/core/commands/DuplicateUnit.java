package org.skelto.core.commands;

import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;

/**
 * A unit once more, half a metre beside it, with its boards, the devices that hang on it, and its links.
 *
 * @param times how many copies, 1 to {@value #MOST}; null means one
 */
public record DuplicateUnit(String unit, @Nullable Integer times) implements Command {
    static final int MOST = 40;

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
        int many = times == null ? 1 : times;
        if (many < 1 || many > MOST) {
            throw new Refused("times", "must be 1 to " + MOST);
        }
        Copies copies = new Copies(plan);
        for (int i = 1; i <= many; i++) {
            double east = BESIDE_M * i;
            copies.of(Set.of(unit), devices, name -> name, p -> Asked.moved(p, east, 0));
        }
        return new Proposal(of.name() + (many == 1 ? " once more" : ", " + many + " more"), copies.edits());
    }
}
