package org.skelto.core.coverage;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.links.RadioDefaults;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Demand;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.Budget;
import org.skelto.core.radio.CalibratedLoss;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.Indoors;
import org.skelto.core.radio.LossModel;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/**
 * A place from which a handset or phone must work, both directions counted.
 *
 * @param unit id of the unit that hears it best, or null when there is none
 * @param marginDb of the worse direction, or null
 * @param chance that it works, 0 to 1
 * @param target chance aimed at
 * @param covers ids of all units that a handset there reaches at all, with a margin of at least 0
 */
@RecordBuilder
public record DemandReport(
        String demand,
        @Nullable String unit,
        @Nullable String unitName,
        @Nullable Double marginDb,
        double chance,
        double target,
        boolean meets,
        SortedSet<String> covers,
        @Nullable Figure figure)
        implements DemandReportBuilder.With {

    /** All demands of a plan that have a place, by id. */
    public static Map<String, DemandReport> of(SiteModel site, SlabTables tables) {
        ComputingBudget.step();
        Map<String, DemandReport> reports = new TreeMap<>();
        LossModel model = Indoors.of(site, tables);
        site.plan()
                .demands()
                .forEach((id, demand) -> site.position(demand.place())
                        .ifPresent(at -> reports.put(id, report(site, model, id, demand, at))));
        return reports;
    }

    private static DemandReport report(SiteModel site, LossModel model, String id, Demand demand, Point at) {
        ComputingBudget.step();
        Plan plan = site.plan();
        Radio hand = RadioDefaults.radio(demand.medium(), plan.region(), UnitKind.CONTROLLER);
        String best = null;
        Budget bestBudget = null;
        boolean indoor = false;
        SortedSet<String> covers = new TreeSet<>();
        for (Source source : new CoverageScenario(site, demand.medium()).sources(java.util.Set.of())) {
            Radio radio = plan.units().get(source.unit()).radio(demand.medium()).orElseThrow();
            LossModel.Loss loss = model.loss(source.at(), source.place(), at, demand.place(), source.frequencyMHz())
                    .with(source.beside(at));
            Budget down = Budget.of(radio, loss, hand);
            Budget up = Budget.of(hand, loss, radio);
            Budget worse = down.marginDb() < up.marginDb() ? down : up;
            if (worse.marginDb() + CalibratedLoss.offsetDb(plan, source.unit(), hand.frequencyMHz()) >= 0) {
                covers.add(source.unit());
            }
            if (bestBudget == null || worse.marginDb() > bestBudget.marginDb()) {
                bestBudget = worse;
                best = source.unit();
                indoor = loss.indoor();
            }
        }
        double target = Chance.target(demand.criticality());
        if (bestBudget == null) {
            return DemandReportBuilder.builder()
                    .demand(id)
                    .chance(0)
                    .target(target)
                    .meets(false)
                    .covers(covers)
                    .build();
        }
        double sigma = indoor ? CalibratedLoss.sigmaDb(plan, hand.frequencyMHz()) : Chance.OUTDOOR_SIGMA_DB;
        double offset = CalibratedLoss.offsetDb(plan, best, hand.frequencyMHz());
        double margin = bestBudget.marginDb() + offset;
        double chance = Chance.of(margin, sigma);
        Figure figure = Figure.of(
                "Φ(margin / σ), worse direction",
                "link budget of a usual handset: " + Text.dbm(hand.txPowerDbm()) + ", "
                        + Text.dbm(Budget.sensitivityDbm(hand)),
                bestBudget.marginFigure().extrapolated(),
                "margin",
                Text.db(margin),
                "σ",
                Text.db(sigma),
                "target",
                Text.percent(target));
        return DemandReportBuilder.builder()
                .demand(id)
                .unit(best)
                .unitName(plan.units().get(best).name())
                .marginDb(margin)
                .chance(chance)
                .target(target)
                .meets(chance >= target)
                .covers(covers)
                .figure(figure)
                .build();
    }
}
