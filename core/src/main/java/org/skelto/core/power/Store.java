package org.skelto.core.power;

import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;

/**
 * The energy of a unit's own: a backup or cells.
 *
 * @param hours that it carries the unit and all that it could have to feed, over 0 and at most {@link #MOST_H}; over all the
 *     typical load in the whole house, whatever else has failed
 * @param cells whether the unit has cells, which nothing needs to charge
 * @param typed whether the hours were typed rather than worked out
 */
public record Store(double hours, boolean cells, boolean typed, Figure figure) {
    /** Longest that is told, hours: cells of which nothing is known, a backup without any load. Nothing lasts for ever. */
    public static final double MOST_H = 100_000;

    /** Cells inside a backup supply of which no energy is stated. */
    private static final double BACKUP_CELL_V = 12;

    /**
     * The store of a unit, or null when it has none.
     *
     * @param backup its part, or null
     * @param life of its cells, or null when they or what they do are not known
     * @param watts typical of the unit and of all that it feeds
     */
    static Store of(
            Plan plan,
            Unit unit,
            @Nullable Part backup,
            PowerNode.@Nullable CellLife life,
            double watts,
            Catalogue parts) {
        Store made = backup != null
                ? charged(plan, unit, backup, watts)
                : unit.power().backupH() > 0
                        ? new Store(
                                unit.power().backupH(),
                                false,
                                true,
                                Figure.of("as typed", "choose its part and it is worked out", true))
                        : null;
        boolean own = unit.power().sources().stream().anyMatch(s -> s.source() == PowerSource.BATTERY);
        Store cells = own ? cells(plan, unit, life, watts, parts) : null;
        if (made == null || cells != null && cells.hours >= made.hours) {
            return cells;
        }
        return new Store(made.hours, own, made.typed, made.figure);
    }

    private static Store charged(Plan plan, Unit unit, Part part, double watts) {
        double wattHours = part.figure(Quantity.ENERGY_WH, part.figure(Quantity.CAPACITY_AH, 0) * BACKUP_CELL_V)
                * unit.power().parts();
        double usable = part.figure(Quantity.USABLE, 0.7);
        double efficiency = part.figure(Quantity.EFFICIENCY, 0.85);
        double cold = Battery.cold(plan, unit, part);
        double own = part.figure(Quantity.STANDBY_W, 0);
        return new Store(
                bounded(Electrics.backupH(wattHours, usable * cold, efficiency, watts + own)),
                false,
                false,
                Figure.of(
                        "Wh · usable · efficiency · left in the cold / (W + own draw)",
                        "catalogue; typical load of all that it feeds in the whole house, failed or not",
                        false,
                        "holds",
                        Text.number(wattHours, 0) + " Wh",
                        "usable",
                        Text.share(usable),
                        "efficiency",
                        Text.share(efficiency),
                        "left in the cold",
                        Text.share(cold),
                        "load",
                        Text.number(watts, 1) + " W",
                        "own draw",
                        Text.number(own, 1) + " W"));
    }

    private static Store cells(Plan plan, Unit unit, PowerNode.@Nullable CellLife life, double watts, Catalogue parts) {
        if (life != null) {
            return new Store(bounded(life.years() * Electrics.HOURS_A_YEAR), true, false, life.figure());
        }
        Part cell = parts.find(unit.power().part()).orElse(null);
        if (cell == null || cell.kind() != PartKind.BATTERY || watts == 0) {
            return new Store(
                    MOST_H, true, false, Figure.of("taken as fresh", "its cells or what they do are not known", true));
        }
        Battery battery = Battery.of(plan, unit, cell);
        return new Store(
                bounded(battery.usableWh() / watts),
                true,
                false,
                Figure.of(
                        "capacity · voltage · usable / W",
                        "catalogue; typical load of all that it feeds",
                        false,
                        "usable",
                        Text.number(battery.usableWh(), 1) + " Wh",
                        "load",
                        Text.number(watts, 2) + " W"));
    }

    private static double bounded(double hours) {
        return Double.isNaN(hours) ? MOST_H : Math.min(MOST_H, hours);
    }

    /** The stores of all units, by id. */
    public static Map<String, Store> all(Map<String, PowerNode> tree) {
        Map<String, Store> all = new TreeMap<>();
        tree.forEach((id, node) -> {
            if (node.store() != null) {
                all.put(id, node.store());
            }
        });
        return all;
    }
}
