package org.skelto.core.wiring;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.Chain;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.quantity.Text;
import org.skelto.core.work.ComputingBudget;

/** Looks at the lines on which boards are chained: addresses, electrical limits and timing. */
public final class Chains {
    private static final double[] CLOCKS_K = {400, 100, 50, 10};
    private static final double[] PULL_UPS_OHM = {10_000, 4700, 2200, 1500, 1000};

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

    /**
     * What would clear the electrical faults of a unit's two-wire bus: a pull-up that suits it, or a slower clock with one. None
     * where the cable is too much for any.
     */
    public static Optional<Remedy> remedy(String id, Unit unit, Catalogue catalogue) {
        Map<String, Attached> boards = with(unit, catalogue, Trait.BUS);
        Chain now = TwoWireBus.chain(unit);
        for (double rate : CLOCKS_K) {
            for (double ohm : PULL_UPS_OHM) {
                ComputingBudget.step();
                Chain chain = now.with(c -> c.rateK(Math.min(rate, now.rateK())).pullUpOhm(ohm));
                Unit tried = unit.withBoards(unit.boards().withBus(chain));
                boolean clear = new TwoWireBus(id, tried, catalogue)
                        .report(boards).faults().stream()
                                .noneMatch(
                                        f -> f.code().equals("B4") || f.code().equals("B5"));
                if (clear) {
                    String pulled = "A pull-up of " + Text.number(ohm, 0) + " Ω";
                    return Optional.of(new Remedy(
                            chain.rateK() == now.rateK()
                                    ? pulled
                                    : pulled + " and a clock of " + Text.number(chain.rateK(), 0) + " kHz",
                            chain));
                }
            }
        }
        return Optional.empty();
    }

    /** A bus set otherwise, and how in words. */
    public record Remedy(String label, Chain bus) {}

    private static Map<String, Attached> with(Unit unit, Catalogue catalogue, Trait trait) {
        ComputingBudget.step();
        Map<String, Attached> boards = new TreeMap<>(unit.boards().more());
        boards.values()
                .removeIf(b -> catalogue.find(b.part()).filter(p -> p.is(trait)).isEmpty());
        return boards;
    }
}
