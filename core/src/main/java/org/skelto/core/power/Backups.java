package org.skelto.core.power;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BiFunction;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.work.ComputingBudget;

/** How long the whole path of what must survive goes on without the mains, and which box ends first. */
public final class Backups {
    /** Hours after which nobody counts: a battery of months. */
    private static final double LONG_H = 10_000;

    private Backups() {}

    /**
     * The path of one device.
     *
     * @param hours until the first box on it ends
     * @param ends id of that box
     * @param boxes all boxes on it
     */
    public record BackupPath(String device, String name, double hours, String ends, List<BackupBox> boxes) {}

    /**
     * A box on a path.
     *
     * @param why what carries it, in words
     */
    public record BackupBox(String unit, String name, double hours, String why) {}

    /**
     * The paths of all devices that guard property or life.
     *
     * @param way units on the way from one unit to another, both included; empty when there is none
     */
    public static List<BackupPath> of(
            Plan plan, Map<String, PowerNode> tree, BiFunction<String, String, List<String>> way) {
        List<BackupPath> paths = new ArrayList<>();
        plan.devices().forEach((id, device) -> {
            if (device.guards() && device.unit() != null) {
                paths.add(path(plan, tree, id, device, way));
            }
        });
        paths.sort(Comparator.comparingDouble(BackupPath::hours).thenComparing(BackupPath::device));
        return paths;
    }

    private static BackupPath path(
            Plan plan,
            Map<String, PowerNode> tree,
            String id,
            Device device,
            BiFunction<String, String, List<String>> way) {
        Set<String> units = new LinkedHashSet<>(List.of(device.unit()));
        String hub = plan.units().get(device.unit()).hub();
        if (hub != null) {
            units.addAll(way.apply(device.unit(), hub));
            units.add(hub);
        }
        List<BackupBox> boxes = units.stream().map(u -> box(plan, tree, u)).toList();
        BackupBox first =
                boxes.stream().min(Comparator.comparingDouble(BackupBox::hours)).orElseThrow();
        return new BackupPath(id, device.name(), first.hours(), first.unit(), boxes);
    }

    /** How long one box goes on without the mains. */
    static BackupBox box(Plan plan, Map<String, PowerNode> tree, String id) {
        ComputingBudget.step();
        Unit unit = plan.units().get(id);
        PowerNode node = tree.get(id);
        if (unit.power().source() == PowerSource.BATTERY) {
            double hours = node.cell() == null ? LONG_H : node.cell().years() * Electrics.HOURS_A_YEAR;
            return new BackupBox(id, unit.name(), Math.min(LONG_H, hours), "its battery");
        }
        double own = unit.power().backupH();
        if (node.backupH() != null && node.backupH() > own) {
            return new BackupBox(id, unit.name(), node.backupH(), "its backup, reckoned from its load");
        }
        if (own > 0) {
            return new BackupBox(id, unit.name(), own, "its own backup, as typed");
        }
        if (unit.power().fed() && unit.power().from() != null) {
            BackupBox feeder = box(plan, tree, unit.power().from());
            return new BackupBox(id, unit.name(), feeder.hours(), "fed by " + feeder.name());
        }
        return new BackupBox(id, unit.name(), 0, "the mains alone");
    }
}
