package org.skelto.core.wiring;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.work.ComputingBudget;

/** Looks at the lines on which boards are chained: addresses, electrical limits and timing. */
public final class Chains {
    private Chains() {}

    /** The lines of all units that have any, by unit; the power line of the whole house comes under its own id. */
    public static List<ChainReport> of(Plan plan, Catalogue catalogue) {
        ComputingBudget.step();
        List<ChainReport> all = new ArrayList<>();
        Map<String, Unit> onPowerLine = new TreeMap<>();
        plan.units().forEach((id, unit) -> {
            if (unit.boards() == null || !unit.drives()) {
                return;
            }
            Map<String, Attached> bus = with(unit, catalogue, Trait.BUS);
            if (!bus.isEmpty()) {
                all.add(new TwoWireBus(id, unit, catalogue).report(bus));
            }
            Map<String, Attached> line = with(unit, catalogue, Trait.SERIAL);
            if (!line.isEmpty()) {
                all.add(new SerialLine(id, unit, catalogue).report(line));
            }
            Map<String, Attached> panel = with(unit, catalogue, Trait.PANEL_BUS);
            Part main = catalogue.find(unit.boards().main()).orElse(null);
            if (!panel.isEmpty() || main != null && main.kind() == PartKind.PANEL) {
                all.add(new PanelBus(id, unit, catalogue).report(panel));
            }
            if (main != null && main.kind() == PartKind.POWER_LINE) {
                onPowerLine.put(id, unit);
            }
        });
        if (!onPowerLine.isEmpty()) {
            all.add(PowerLine.report(onPowerLine, catalogue));
        }
        return all;
    }

    private static Map<String, Attached> with(Unit unit, Catalogue catalogue, Trait trait) {
        ComputingBudget.step();
        Map<String, Attached> boards = new TreeMap<>(unit.boards().more());
        boards.values()
                .removeIf(b -> catalogue.find(b.part()).filter(p -> p.is(trait)).isEmpty());
        return boards;
    }
}
