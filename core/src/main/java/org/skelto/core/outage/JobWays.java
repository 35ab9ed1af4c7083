package org.skelto.core.outage;

import java.util.List;

/**
 * A job with its planned ways and, where its rest state can give it, the condition for that.
 *
 * @param rest when the physical rest state alone gives the job, or null
 */
public record JobWays(Job job, List<PlannedWay> ways, Formula rest) {
    /** One planned way. */
    public record PlannedWay(String name, boolean atHand, Formula formula) {}

    public JobWays {
        ways = List.copyOf(ways);
    }
}
