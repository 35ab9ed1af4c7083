package org.skelto.core.placement;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.site.Place;

/**
 * What a placement proposes.
 *
 * @param choices best first, at most three
 * @param demands points that must be covered
 * @param candidates places that were looked at
 * @param before demands that are covered now
 * @param impossible demands that no candidate can cover, in words
 * @param proven whether the first choice is proven best
 * @param gap how far it may be from the best in cost, 0 to 1; 0 when proven
 * @param seconds how long it took
 */
@RecordBuilder
public record PlacementResult(
        List<Placing> placings,
        int demands,
        int candidates,
        int before,
        List<String> impossible,
        boolean proven,
        double gap,
        double seconds)
        implements PlacementResultBuilder.With {
    /**
     * One way to do it.
     *
     * @param covered demands that are covered with it
     * @param worstMarginDb margin at the worst covered demand, dB
     * @param cost boxes and outlets together
     * @param why in words
     * @param edits the change that makes it
     */
    public record Placing(
            List<Box> boxes, int covered, double worstMarginDb, double cost, String why, List<Edit> edits) {}

    /**
     * Where a box would stand.
     *
     * @param near name of the outlet, data point or unit that is near, or null when a new outlet is needed
     */
    @RecordBuilder
    public record Box(
            String unit,
            String room,
            String floor,
            double xM,
            double yM,
            double zM,
            Place place,
            @Nullable String near,
            boolean newOutlet)
            implements PlacementResultBoxBuilder.With {}
}
