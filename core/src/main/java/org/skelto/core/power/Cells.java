package org.skelto.core.power;

import java.util.List;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.Duty;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.power.Pulse;
import org.skelto.core.plan.power.Regulation;
import org.skelto.core.plan.site.Exposure;
import org.skelto.core.power.PowerNode.PowerFault;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.work.ComputingBudget;

/** How long cells last, and what they cannot do. */
final class Cells {
    /** As long as a battery is said to last that a panel keeps charged; it ages all the same. */
    private static final double CARRIED_YEARS = 10;

    /** Of a good linear regulator, typical. */
    private static final double DROPOUT_V = 0.2;

    private static final double USUAL_WISH_YEARS = 1;

    private Cells() {}

    /** The life of a unit's cells, or null when cells or duty are not known. */
    static PowerNode.CellLife life(
            Plan plan, Catalogue parts, String id, Unit unit, Part cell, List<PowerFault> faults) {
        ComputingBudget.step();
        if (unit.power().source() != PowerSource.BATTERY || cell == null || cell.kind() != PartKind.BATTERY) {
            return null;
        }
        Exposure exposure = Battery.exposure(plan, unit);
        dangers(unit, cell, exposure, faults);
        Battery battery = Battery.of(plan, unit, cell);
        Duty duty = Spent.of(plan, parts, id, unit, battery.volts());
        if (duty == null) {
            return null;
        }
        double average = Outposts.averageUa(duty, battery.volts());
        List<SunModel.MonthOfSun> months = Outposts.months(plan.place(), unit, battery, average);
        boolean carried = !months.isEmpty() && SunModel.diesIn(months) == null;
        double years = carried ? Math.min(CARRIED_YEARS, battery.shelfYears()) : battery.years(average);
        double wish = duty.wishYears() == null ? USUAL_WISH_YEARS : duty.wishYears();
        if (years < wish) {
            faults.add(new PowerFault(
                    "P6",
                    false,
                    unit.name() + ": its battery is flat sooner than wished",
                    Text.number(years, 2) + " years"
                            + (SunModel.diesIn(months) == null ? "" : ", dies in " + SunModel.diesIn(months))
                            + ", wished "
                            + Text.number(wish, 1) + "; " + Text.number(average, 1) + " µA on average",
                    "Someone has to go there with new cells more often, or it is dead when it matters."));
        }
        dropout(unit, duty, battery, faults);
        double ratio = duty.regulation() == null ? 1 : Outposts.ratio(duty.regulation(), battery.volts());
        double most = duty.pulses().stream().mapToDouble(Pulse::currentMa).max().orElse(0) * ratio / 1000;
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
                carried
                        ? Figure.of(
                                "the panel brings more than is used, or the battery lasts over the dark months",
                                "sun by latitude and month, see Energy",
                                true,
                                "average of a cycle",
                                Text.number(average, 1) + " µA")
                        : battery.figure(average));
    }

    private static boolean sunInFrost(Unit unit) {
        Double coldest = unit.duty() == null ? null : unit.duty().coldestC();
        return unit.solar() != null && coldest != null && coldest < 0;
    }

    /** A linear regulator cannot give what the cells do not have over its dropout. */
    private static void dropout(Unit unit, Duty duty, Battery battery, List<PowerFault> faults) {
        Regulation r = duty.regulation();
        if (r != null && r.kind() == Regulation.Kind.LINEAR && battery.volts() - r.outV() < DROPOUT_V) {
            faults.add(new PowerFault(
                    "P3",
                    true,
                    unit.name() + ": its linear regulator is in dropout",
                    Text.number(battery.volts(), 1) + " V cells for " + Text.number(r.outV(), 1) + " V, dropout about "
                            + Text.number(DROPOUT_V, 1) + " V",
                    "The electronics get less than they need as soon as the cells sag; it starts anew when it sends."));
        }
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
        } else if (charged && (exposure == Exposure.FREEZING || sunInFrost(unit))) {
            faults.add(new PowerFault(
                    "P11",
                    true,
                    unit.name() + ": its lithium cell would be charged below freezing",
                    cell.name() + " in a place that freezes",
                    "Charged below 0 °C it is damaged inside and may burn later. Cells that are not charged, or a "
                            + "charger that waits for warmth, are safe."));
        }
    }
}
