package org.skelto.core.power;

import java.util.List;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Duty;
import org.skelto.core.plan.Exposure;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.PowerSource;
import org.skelto.core.plan.Pulse;
import org.skelto.core.plan.Unit;
import org.skelto.core.power.PowerNode.PowerFault;
import org.skelto.core.radio.Figure;
import org.skelto.core.radio.Text;
import org.skelto.core.site.SiteModel;

/** How long cells last, and what they cannot do. */
final class Cells {
    /** Share of the capacity that is left in the cold, for cells that are not made for it; typical. */
    private static final double OUTDOORS = 0.85;

    private static final double FREEZING = 0.6;

    /** A cell that works at this temperature keeps its capacity in the cold, °C. */
    private static final double COLD_CELL_C = -30;

    private static final double USUAL_WISH_YEARS = 1;

    private Cells() {}

    /** The life of a unit's cells, or null when cells or duty are not known. */
    static PowerNode.CellLife life(Plan plan, SiteModel site, Unit unit, Part cell, List<PowerFault> faults) {
        if (unit.power().source() != PowerSource.BATTERY || cell == null || cell.kind() != PartKind.BATTERY) {
            return null;
        }
        Exposure exposure = exposure(plan, unit);
        dangers(unit, cell, exposure, faults);
        Duty duty = unit.duty();
        if (duty == null) {
            return null;
        }
        double[] currents = duty.pulses().stream().mapToDouble(Pulse::currentMa).toArray();
        double[] durations =
                duty.pulses().stream().mapToDouble(Pulse::durationMs).toArray();
        double average = Electrics.averageUa(duty.sleepUa(), duty.cycleS(), currents, durations);
        double capacity =
                cell.figure(Quantity.CAPACITY_AH, 0) * 1000 * unit.power().parts();
        double cold = cold(cell, exposure);
        double usable = cell.figure(Quantity.USABLE, 1) * cold;
        double self = cell.figure(Quantity.SELF_DISCHARGE, 0);
        double years = Electrics.years(capacity, usable, self, average);
        double wish = duty.wishYears() == null ? USUAL_WISH_YEARS : duty.wishYears();
        if (years < wish) {
            faults.add(new PowerFault(
                    "P6",
                    false,
                    unit.name() + ": its battery is flat sooner than wished",
                    Text.number(years, 2) + " years, wished " + Text.number(wish, 1) + "; " + Text.number(average, 1)
                            + " µA on average",
                    "Someone has to go there with new cells more often, or it is dead when it matters."));
        }
        double most = java.util.Arrays.stream(currents).max().orElse(0) / 1000;
        double bears = cell.figure(Quantity.PULSE_A, Double.POSITIVE_INFINITY)
                * unit.power().parts();
        if (most > bears) {
            faults.add(new PowerFault(
                    "P13",
                    true,
                    unit.name() + ": its cell cannot carry the pulse",
                    Text.number(most * 1000, 0) + " mA, at most " + Text.number(bears * 1000, 0) + " mA from "
                            + cell.name(),
                    "Its voltage collapses when the radio sends, and the unit starts anew instead."));
        }
        return new PowerNode.CellLife(
                cell.name(),
                average,
                years,
                duty.wishYears(),
                Figure.of(
                        "capacity · usable / (average + capacity · self-discharge / 8766 h)",
                        "charge of each cycle; catalogue",
                        cold < 1,
                        "capacity",
                        Text.number(capacity, 0) + " mAh",
                        "usable, with the cold",
                        Text.share(usable),
                        "self-discharge in a year",
                        Text.share(self),
                        "average of a cycle",
                        Text.number(average, 1) + " µA"));
    }

    private static void dangers(Unit unit, Part cell, Exposure exposure, List<PowerFault> faults) {
        boolean charged = cell.is(Trait.LITHIUM) && !cell.is(Trait.PRIMARY);
        if (charged && !cell.is(Trait.PROTECTED)) {
            faults.add(new PowerFault(
                    "P11",
                    true,
                    unit.name() + ": its lithium cell has no protection",
                    cell.name(),
                    "Shorted, run flat or charged too far it burns."));
        } else if (charged && exposure == Exposure.FREEZING) {
            faults.add(new PowerFault(
                    "P11",
                    true,
                    unit.name() + ": its lithium cell would be charged below freezing",
                    cell.name() + " in a place that freezes",
                    "Charged below 0 °C it is damaged inside and may burn later. Cells that are not charged, or a "
                            + "charger that waits for warmth, are safe."));
        }
    }

    private static Exposure exposure(Plan plan, Unit unit) {
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

    private static double cold(Part cell, Exposure exposure) {
        if (cell.figure(Quantity.LOWEST_C, 0) <= COLD_CELL_C) {
            return 1;
        }
        return exposure == Exposure.FREEZING ? FREEZING : exposure == Exposure.OUTDOOR ? OUTDOORS : 1;
    }
}
