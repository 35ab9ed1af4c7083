package org.skelto.core.power;

import java.util.HashMap;
import java.util.Map;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.site.SiteModel;

/**
 * Typical loads of a house, as whoever works it out another way takes them for given.
 *
 * @param ownW what each unit takes by itself, W
 * @param takenW at the input of each unit, and of each {@code device:id}
 * @param cellsH how long the cells of each unit last that has some, h
 */
public record Typical(Map<String, Double> ownW, Map<String, Double> takenW, Map<String, Double> cellsH) {
    /** The loads of a plan with the built-in parts. */
    public static Typical of(Plan plan) {
        Catalogue parts = Catalogue.builtIn();
        Map<String, PowerNode> tree = PowerTree.of(SiteModel.of(plan), parts);
        Map<String, Double> own = new HashMap<>();
        Map<String, Double> taken = new HashMap<>();
        Map<String, Double> cells = new HashMap<>();
        plan.units().forEach((id, unit) -> {
            own.put(id, Draw.of(plan, id, parts).typicalW());
            PowerNode node = tree.get(id);
            taken.put(id, node.takenW());
            if (node.cell() != null) {
                cells.put(id, node.cell().years() * Electrics.HOURS_A_YEAR);
            } else {
                Store store = node.store();
                cells.put(id, store == null ? 0.0 : store.hours());
            }
        });
        plan.devices().forEach((id, device) -> taken.put("device:" + id, Draw.load(device, parts)[0]));
        return new Typical(own, taken, cells);
    }
}
