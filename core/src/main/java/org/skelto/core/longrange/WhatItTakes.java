package org.skelto.core.longrange;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.ground.ElevationGrid;
import org.skelto.core.links.LinkReport;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.quantity.Figure;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.site.SiteModel;

/**
 * Changes that give a link the margin it lacks, each worked out over the same ground, cheapest first. Costs are typical, in
 * any currency, for putting changes in order.
 */
public final class WhatItTakes {
    private WhatItTakes() {}

    /**
     * A change.
     *
     * @param text what to do
     * @param why what it costs besides, or what is to be minded
     * @param cost typical
     * @param marginDb of the worse direction afterwards; for a relay of the worse leg
     * @param meets whether the target is met with it alone
     * @param figure how that margin comes about
     * @param legs of a relay, each with its margin
     * @param brings stops and fixes that it would leave behind, in words, or null for what may be proposed
     */
    @RecordBuilder
    public record Change(
            String text,
            String why,
            double cost,
            double marginDb,
            double chance,
            boolean meets,
            Figure figure,
            List<RelayLeg> legs,
            @Nullable String brings,
            List<Edit> edits)
            implements WhatItTakesChangeBuilder.With {}

    /** One of the two ways of a relay. */
    public record RelayLeg(String from, String to, double lengthM, double marginDb, double chance, Figure figure) {}

    /**
     * How far the link would reach on this ground.
     *
     * @param chance that is wanted
     * @param unbrokenM up to where it holds everywhere, seen from the end of the path that the link reaches
     * @param farthestM the farthest place where it holds
     * @param flatM by free space alone, for comparison
     */
    public record Reach(double chance, double unbrokenM, double farthestM, double flatM, Figure flatFigure) {}

    /** What a link lacks, and what would give it. */
    public record Takes(
            double marginDb, double neededDb, double chance, double target, List<Change> changes, Reach reach) {}

    /**
     * Looks for changes.
     *
     * @param grid heights around the site, or null: then nothing is said about moving
     * @param chance wanted for the reach, above 0.5 and below 1
     */
    public static Takes of(
            Plan plan,
            SiteModel site,
            SlabTables tables,
            String pathId,
            Medium medium,
            ElevationGrid grid,
            double chance) {
        LinkWhatIf trial = new LinkWhatIf(plan, site, tables, pathId, medium);
        LinkReport now = trial.now;
        List<Change> changes = new ArrayList<>();
        if (!LinkWhatIf.enough(now)) {
            changes.addAll(RadioChanges.of(trial));
            changes.addAll(AntennaChanges.of(trial, grid));
            changes.addAll(RelayChange.of(trial));
        }
        changes.sort(Comparator.comparing(Change::meets).reversed().thenComparingDouble(Change::cost));
        return new Takes(
                now.marginDb(),
                now.neededDb(),
                now.chance(),
                now.target(),
                List.copyOf(changes),
                RangeEstimate.of(trial, chance));
    }
}
