package org.skelto.core.survival;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.DeviceState.JobState;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.house.State;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Job;

/**
 * A door, lock, gate, valve or sounder at a moment of an outage: who gets through, and what it does.
 *
 * @param floor id of the floor that it is on, or null outside
 * @param exit whether it is on a way out
 * @param outside whether it is an outside door
 * @param out how people get out, or that they do not; null where nobody asks
 * @param in how people get in, likewise
 * @param keepsOut whether it keeps others out, likewise
 * @param does what a valve or a sounder still does, likewise
 * @param open whether it is known to stand open
 * @param state of it all
 */
@RecordBuilder
public record WaysOut(
        String device,
        String name,
        DeviceKind kind,
        @Nullable String floor,
        boolean exit,
        boolean outside,
        @Nullable DoorPassage out,
        @Nullable DoorPassage in,
        @Nullable DoorPassage keepsOut,
        @Nullable DoorPassage does,
        boolean open,
        State state)
        implements WaysOutBuilder.With {
    /** How far a job is given, and by what. */
    public record DoorPassage(State state, String words) {}

    /** All doors, locks, gates, valves and sounders, the worst first. */
    public static List<WaysOut> of(Plan plan, Outages outages, Outage outage) {
        Map<String, DeviceState> states = outages.at(outage);
        List<WaysOut> all = new ArrayList<>();
        plan.devices().forEach((id, d) -> {
            boolean told = switch (d.kind().family()) {
                case BARRIER, VALVE, SOUNDER -> true;
                default -> d.exitRoute() || d.outsideDoor();
            };
            if (told) {
                all.add(of(plan, outages, outage, id, d, Objects.requireNonNull(states.get(id))));
            }
        });
        all.sort(java.util.Comparator.comparing(WaysOut::state).reversed().thenComparing(WaysOut::name));
        return all;
    }

    private static WaysOut of(Plan plan, Outages outages, Outage outage, String id, Device d, DeviceState state) {
        DoorPassage does = null;
        for (Job job : List.of(Job.CLOSE, Job.OPEN, Job.SOUND)) {
            does = does == null ? passage(state, job) : does;
        }
        String room = d.place() == null ? null : d.place().room();
        return WaysOutBuilder.builder()
                .device(id)
                .name(d.name())
                .kind(d.kind())
                .floor(
                        room == null
                                ? null
                                : Objects.requireNonNull(plan.rooms().get(room)).floor())
                .exit(d.exitRoute())
                .outside(d.outsideDoor())
                .out(passage(state, Job.LET_OUT))
                .in(passage(state, Job.LET_IN))
                .keepsOut(passage(state, Job.KEEP_OUT))
                .does(does)
                .open(outages.standsOpen(id, outage))
                .state(state.state())
                .build();
    }

    private static @Nullable DoorPassage passage(DeviceState state, Job job) {
        return state.jobs().stream()
                .filter(j -> j.job() == job)
                .findFirst()
                .map(j -> new DoorPassage(j.state(), words(j)))
                .orElse(null);
    }

    private static String words(JobState job) {
        List<String> ways = job.ways().stream()
                .filter(DeviceState.WayState::works)
                .map(DeviceState.WayState::way)
                .toList();
        return ways.isEmpty() ? job.sentence() : String.join(", ", ways);
    }
}
