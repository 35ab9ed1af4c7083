package org.skelto.core.build;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.quantity.Figure;

/**
 * What has to be bought, what it costs, and how that compares.
 *
 * @param lines by supplier
 * @param missing units and devices whose part is not chosen, so that they are not in the total
 * @param unpriced parts without a price
 * @param total of all that is to be bought, in the plan's currency
 * @param budget or null
 * @param perOutput total over controlled outputs, or null when there are none
 * @param schools this plan beside other ways to do the same
 * @param steps what each further controller unlocks, the cheapest for what it gives first
 * @param feesPerMonth of services
 * @param energyKwh that everything takes in a year by standing there
 * @param pricesOf month of the typical prices, such as 2026-10
 * @param ownPrices how many lines have a price that a person took in
 * @param firstOrder the earliest day on which something has to be ordered before the walls close, or null
 */
@RecordBuilder
public record PartsList(
        String currency,
        List<BuyLine> lines,
        List<LikelyParts.Unchosen> missing,
        List<String> unpriced,
        double total,
        @Nullable Double budget,
        @Nullable Double perOutput,
        List<SchoolCost> schools,
        List<SpendStep> steps,
        double feesPerMonth,
        double energyKwh,
        double energyCost,
        Figure energy,
        @Nullable String closesOn,
        String pricesOf,
        int ownPrices,
        @Nullable String firstOrder)
        implements PartsListBuilder.With {
    /**
     * One part.
     *
     * @param needed pieces or metres that the plan uses
     * @param spare beyond that
     * @param owned in the drawer
     * @param buy pieces or metres left to buy
     * @param pack pieces or metres that are sold together, or null when they are sold one by one
     * @param cheaper from how many on one costs less, in words, or null
     * @param price of one at that number, or null when not known
     * @param cost of what is bought, or null
     * @param orderBy last day to order it before the walls close, or null
     * @param late whether that day has passed
     * @param uses what needs it
     */
    @RecordBuilder
    public record BuyLine(
            String part,
            String name,
            @Nullable String supplier,
            @Nullable String secondSupplier,
            boolean metres,
            double needed,
            double spare,
            double owned,
            double buy,
            @Nullable Double pack,
            @Nullable String cheaper,
            @Nullable Double price,
            @Nullable Double cost,
            @Nullable Integer leadDays,
            @Nullable String orderBy,
            boolean late,
            List<String> uses)
            implements PartsListBuyLineBuilder.With {}

    /**
     * A way to do the same.
     *
     * @param name in words
     * @param parts cost of parts
     * @param hours of work
     * @param work cost of that
     * @param standbyW that it takes all the time
     * @param about what it counts
     */
    @RecordBuilder
    public record SchoolCost(
            String id, String name, double parts, double hours, double work, double standbyW, String about)
            implements PartsListSchoolCostBuilder.With {}

    /**
     * A step of spending.
     *
     * @param cost of this step
     * @param sum of it and those before
     * @param affordable whether the sum is within the budget
     * @param unlocks names of the devices that work with it
     */
    public record SpendStep(
            @Nullable String unit, String name, double cost, double sum, boolean affordable, List<String> unlocks) {}
}
