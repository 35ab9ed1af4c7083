package org.skelto.core.placement;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.radio.Medium;

/**
 * What is asked of a placement.
 *
 * @param medium radio of the boxes to be placed
 * @param goal one more box, or the fewest that do
 * @param cover what must be covered
 * @param times by how many boxes each, 1 or 2
 * @param keep whether the boxes that stand already count
 * @param building id of the building that is meant, or null for all
 * @param boxCost cost of a box, in the plan's money, at least 0
 * @param outletCost cost of a new outlet or data point when none is near, at least 0
 */
@RecordBuilder
public record PlacementRequest(
        Medium medium,
        Goal goal,
        Cover cover,
        int times,
        boolean keep,
        @Nullable String building,
        double boxCost,
        double outletCost)
        implements PlacementRequestBuilder.With {
    /** One more box, or the fewest that do. */
    public enum Goal {
        NEXT,
        FEWEST
    }

    /** What must be covered. */
    public enum Cover {
        /** Every placed unit with that radio, and every place to work from. */
        DEVICES,
        /** 95 % of the area of every room. */
        ROOMS
    }
}
