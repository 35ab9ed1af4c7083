package org.skelto.core.house;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.equipment.Job;

/**
 * A job with its planned ways and, where the position that it rests in can give it, the condition for that.
 *
 * @param rest when the position alone gives the job, or null
 * @param gone when the position is known to be the opposite, or null
 */
public record JobWays(
        Job job,
        List<PlannedWay> ways,
        @Nullable Formula rest,
        @Nullable Formula gone) {
    /** One planned way. */
    public record PlannedWay(String name, boolean atHand, Formula formula) {}

    public JobWays {
        ways = List.copyOf(ways);
    }
}
