package org.skelto.core.power;

import org.skelto.core.parts.Part;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.site.Exposure;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.work.ComputingBudget;

/**
 * The cells of a unit as they are where they stand.
 *
 * @param capacityMah of all of them side by side
 * @param usable share of it down to where the unit stops, with the cold
 * @param cold share of it that the cold leaves, 0 to 1
 * @param selfDischarge share that is lost in a year
 * @param shelfYears after which cells of the kind are to be changed whatever was taken out of them
 */
record Battery(double volts, double capacityMah, double usable, double cold, double selfDischarge, double shelfYears) {
    /** Share of the capacity that is left in the cold, for cells that are not made for it; typical. */
    private static final double OUTDOORS = 0.85;

    private static final double FREEZING = 0.6;

    /** A cell that works at this temperature keeps its capacity in the cold, °C. */
    private static final double COLD_CELL_C = -30;

    private static final double ROOM_C = 20;

    /** What is left at the coldest that a cell is made for; typical. */
    private static final double LEFT_AT_LOWEST = 0.5;

    private static final double LEFT_OF_COLD_CELL = 0.8;

    static Battery of(Plan plan, Unit unit, Part cell) {
        ComputingBudget.step();
        double cold = cold(plan, unit, cell);
        return new Battery(
                cell.figure(Quantity.OUTPUT_V, 3) * unit.power().inSeries(),
                cell.figure(Quantity.CAPACITY_AH, 0) * 1000 * unit.power().parts(),
                cell.figure(Quantity.USABLE, 1) * cold,
                cold,
                cell.figure(Quantity.SELF_DISCHARGE, 0),
                cell.figure(Quantity.SHELF_YEARS, Double.POSITIVE_INFINITY));
    }

    /** Share of the capacity of cells, or of a backup's, that the cold leaves where a unit stands. */
    static double cold(Plan plan, Unit unit, Part cell) {
        return cold(
                cell,
                exposure(plan, unit),
                unit.duty() == null ? null : unit.duty().coldestC());
    }

    double years(double averageUa) {
        return Math.min(shelfYears, Electrics.years(capacityMah, usable, selfDischarge, averageUa));
    }

    double usableWh() {
        return capacityMah / 1000 * usable * volts;
    }

    Figure figure(double averageUa) {
        return Figure.of(
                "capacity · usable / (average + capacity · self-discharge / 8766 h), at most the shelf life",
                "charge of each cycle; catalogue; shelf life typical, 2026",
                cold < 1,
                "capacity",
                Text.number(capacityMah, 0) + " mAh",
                "usable, with the cold",
                Text.share(usable),
                "of that the cold leaves",
                Text.share(cold),
                "self-discharge in a year",
                Text.share(selfDischarge),
                "average of a cycle",
                Text.number(averageUa, 1) + " µA",
                "shelf life",
                Double.isInfinite(shelfYears) ? "not in the catalogue" : Text.number(shelfYears, 0) + " years");
    }

    static Exposure exposure(Plan plan, Unit unit) {
        if (unit.place() == null) {
            return Exposure.DRY;
        }
        if (unit.place().room() != null) {
            return plan.rooms().get(unit.place().room()).exposure();
        }
        return unit.place().spot() != null
                ? plan.spots().get(unit.place().spot()).exposure()
                : Exposure.DRY;
    }

    /** By the coldest day where it is known: linear down to the coldest that the cell is made for; typical. */
    private static double cold(Part cell, Exposure exposure, Double coldestC) {
        double lowest = cell.figure(Quantity.LOWEST_C, 0);
        boolean made = lowest <= COLD_CELL_C;
        if (coldestC != null) {
            double left = made ? LEFT_OF_COLD_CELL : LEFT_AT_LOWEST;
            double share = 1 - (1 - left) * (ROOM_C - coldestC) / (ROOM_C - lowest);
            return Math.max(0.1, Math.min(1, share));
        }
        if (made) {
            return 1;
        }
        return exposure == Exposure.FREEZING ? FREEZING : exposure == Exposure.OUTDOOR ? OUTDOORS : 1;
    }
}
