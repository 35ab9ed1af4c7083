package org.skelto.core.house;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.power.Store;
import org.skelto.core.work.ComputingBudget;

/** How long the whole path of what must survive goes on without the mains, and which box ends first. */
public final class Backups {
    private final Plan plan;
    private final Outages outages;
    private final PowerState dark;
    private final Map<String, Double> until;

    private Backups(Plan plan, Outages outages) {
        this.plan = plan;
        this.outages = outages;
        this.dark = outages.power(new Outage(Set.of(Component.MAINS), Outage.LONGEST_H, null, 0));
        this.until = dark.darkFrom();
    }

    /**
     * The path of one device.
     *
     * @param hours until the first box on it ends; a year at most
     * @param ends id of that box
     * @param boxes all boxes on it
     */
    public record BackupPath(String device, String name, double hours, String ends, List<BackupBox> boxes) {}

    /**
     * A box on a path.
     *
     * @param why what carries it, in words
     * @param backed whether something was put there to carry it, rather than cells that it has anyway
     */
    public record BackupBox(String unit, String name, double hours, String why, boolean backed) {}

    /** The paths of all devices that guard property or life. */
    public static List<BackupPath> of(Plan plan, Outages outages) {
        Backups backups = new Backups(plan, outages);
        List<BackupPath> paths = new ArrayList<>();
        plan.devices().forEach((id, device) -> {
            if (device.guards() && device.unit() != null) {
                paths.add(backups.path(id, device));
            }
        });
        paths.sort(Comparator.comparingDouble(BackupPath::hours).thenComparing(BackupPath::device));
        return paths;
    }

    /** How long one unit goes on without the mains, and by what. */
    public static BackupBox of(Plan plan, Outages outages, String unit) {
        return new Backups(plan, outages).box(unit);
    }

    private BackupPath path(String id, Device device) {
        Set<String> units = new LinkedHashSet<>(List.of(device.unit()));
        String hub = plan.units().get(device.unit()).hub();
        if (hub != null) {
            units.addAll(outages.way(device.unit(), hub));
            units.add(hub);
        }
        List<BackupBox> boxes = units.stream().map(this::box).toList();
        BackupBox first =
                boxes.stream().min(Comparator.comparingDouble(BackupBox::hours)).orElseThrow();
        return new BackupPath(id, device.name(), first.hours(), first.unit(), boxes);
    }

    /** How long one box goes on without the mains. */
    private BackupBox box(String id) {
        ComputingBudget.step();
        Unit unit = plan.units().get(id);
        double hours = dark.powered(id) ? until.getOrDefault(id, Outage.LONGEST_H) : 0;
        Store store = dark.store(id);
        return new BackupBox(id, unit.name(), hours, why(id, unit), hours > 0 && (store == null || !store.cells()));
    }

    private String why(String id, Unit unit) {
        if (!dark.powered(id)) {
            return "the mains alone";
        }
        String feeder = unit.power().sources().stream()
                .filter(s -> s.steady() && dark.lives(id, s))
                .map(s -> s.source() == PowerSource.MAINS
                        ? "a circuit with a backup"
                        : "fed by " + plan.units().get(s.from()).name())
                .findFirst()
                .orElse(null);
        Store store = dark.store(id);
        String own = store == null
                ? null
                : store.cells()
                        ? "its battery"
                        : store.typed() ? "its own backup, as typed" : "its backup, reckoned from its load";
        return feeder == null ? own : own == null ? feeder : feeder + ", then " + own;
    }
}
