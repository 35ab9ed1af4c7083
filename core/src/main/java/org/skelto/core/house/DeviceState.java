package org.skelto.core.house;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.equipment.Job;

/**
 * A device under an outage: its worst job decides.
 *
 * @param job the job concerned, or null when nothing was asked of it
 * @param sentence the way that still works, or the first thing that breaks it
 */
public record DeviceState(State state, @Nullable Job job, String sentence, List<JobState> jobs) {
    /**
     * One job.
     *
     * @param rests whether the position that the device rests in gives it
     */
    public record JobState(Job job, State state, String sentence, boolean rests, List<WayState> ways) {
        public JobState {
            ways = List.copyOf(ways);
        }
    }

    /**
     * One planned way.
     *
     * @param weakPercent the chance of the worst link on its best route where that is under the device's target, %, rounded down; else null
     */
    public record WayState(
            String way,
            boolean works,
            @Nullable Integer weakPercent,
            @Nullable String brokenBy) {}

    public DeviceState {
        jobs = List.copyOf(jobs);
    }
}
