package org.skelto.core.survival;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.DeviceState.JobState;
import org.skelto.core.house.DeviceState.WayState;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Job;

/**
 * Whether people learn of what a device sees while an outage lasts.
 *
 * @param job to tell people at home, or away
 * @param left ways that are left at the moment that is looked at
 * @param lost ways that are not
 * @param silentFromH hours after which nobody is told any more, within the outage; 0 at once, null where somebody is to its end
 * @param silent the same in words
 * @param why what breaks the first of the ways
 */
@RecordBuilder
public record PeopleTold(
        String device,
        String name,
        Job job,
        List<String> left,
        List<String> lost,
        @Nullable Double silentFromH,
        @Nullable String silent,
        @Nullable String why)
        implements PeopleToldBuilder.With {
    public PeopleTold {
        left = List.copyOf(left);
        lost = List.copyOf(lost);
    }

    /** Every device of which people are to be told. */
    public static List<PeopleTold> of(Plan plan, Outages outages, Outage outage) {
        Map<String, DeviceState> now = outages.at(outage);
        Set<Double> times = new LinkedHashSet<>(List.of(0.0));
        if (outage.lastsH() != null) {
            times.addAll(outages.turns(outage));
            times.add(outage.lastsH());
        }
        Map<Double, Map<String, DeviceState>> then = new java.util.LinkedHashMap<>();
        times.forEach(at -> then.put(at, outages.at(outage.at(at))));
        List<PeopleTold> all = new ArrayList<>();
        now.forEach((id, state) -> state.jobs().stream()
                .filter(j -> j.job() == Job.ALERT_AWAY || j.job() == Job.ALERT_HOME)
                .forEach(job -> all.add(told(plan, outage, id, job, then))));
        all.sort(java.util.Comparator.comparing((PeopleTold p) -> p.silentFromH == null)
                .thenComparing(p -> p.silentFromH == null ? 0 : p.silentFromH)
                .thenComparing(PeopleTold::name));
        return all;
    }

    private static PeopleTold told(
            Plan plan, Outage outage, String id, JobState job, Map<Double, Map<String, DeviceState>> then) {
        Double silentFrom = null;
        for (Map.Entry<Double, Map<String, DeviceState>> at : then.entrySet()) {
            boolean silent = Objects.requireNonNull(at.getValue().get(id)).jobs().stream()
                    .filter(j -> j.job() == job.job())
                    .noneMatch(j -> j.ways().stream().anyMatch(WayState::works));
            if (!silent) {
                silentFrom = null;
            } else if (silentFrom == null) {
                silentFrom = at.getKey();
            }
        }
        List<WayState> lost = job.ways().stream().filter(w -> !w.works()).toList();
        return PeopleToldBuilder.builder()
                .device(id)
                .name(Objects.requireNonNull(plan.devices().get(id)).name())
                .job(job.job())
                .left(job.ways().stream()
                        .filter(WayState::works)
                        .map(WayState::way)
                        .toList())
                .lost(lost.stream().map(WayState::way).toList())
                .silentFromH(silentFrom)
                .silent(silentFrom == null ? null : silentFrom == 0 ? "from the beginning" : outage.when(silentFrom))
                .why(lost.isEmpty() ? null : lost.get(0).brokenBy())
                .build();
    }
}
