package org.skelto.core.survival;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.skelto.core.house.Component;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.ManyOutages;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.house.State;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.survival.Promise;
import org.skelto.core.work.ComputingBudget;

/** Judges what a plan promises: which devices do not survive which of the outages that were named. */
public final class Promises {
    /** So many are told of each promise. */
    private static final int MOST_TOLD = 60;

    /**
     * What "any one" means: a box, a circuit, a line, a service; cables of a single device are left out, as are radio links, and for
     * a device that is its unit itself that unit.
     */
    private static final Set<Component.Kind> ONES = EnumSet.complementOf(EnumSet.of(
            Component.Kind.MAINS,
            Component.Kind.WIRE,
            Component.Kind.FEED,
            Component.Kind.LINK,
            Component.Kind.HANGS,
            Component.Kind.WELDED));

    private Promises() {}

    /**
     * A device that does not survive.
     *
     * @param outage its name, such as "mains 8 h"
     * @param without ids of what is out
     * @param hours for how long it should hold
     * @param atH hours after which it is so; 0 at once
     * @param sentence what breaks
     * @param always whether it is so with everything working, too
     */
    @RecordBuilder
    public record BrokenPromise(
            String device,
            String name,
            State state,
            String outage,
            Set<String> without,
            double hours,
            double atH,
            String sentence,
            boolean always)
            implements PromisesBrokenPromiseBuilder.With {}

    /**
     * A promise judged.
     *
     * @param devices how many it is about
     * @param outages how many outages it is held against
     * @param unknown what it names that is not in the plan any more
     * @param count of devices that do not survive
     * @param broken the first of what does not survive, a line for each device and outage
     */
    @RecordBuilder
    public record JudgedPromise(
            String id,
            String name,
            boolean kept,
            int devices,
            int outages,
            List<String> unknown,
            int count,
            List<BrokenPromise> broken)
            implements PromisesJudgedPromiseBuilder.With {
        public JudgedPromise {
            unknown = List.copyOf(unknown);
            broken = List.copyOf(broken);
        }
    }

    /** Ids of the devices that a promise is about. */
    public static Set<String> devices(Plan plan, Promise promise) {
        boolean all = promise.kinds().isEmpty() && promise.devices().isEmpty() && promise.from() == null;
        Set<String> ids = new TreeSet<>();
        plan.devices().forEach((id, d) -> {
            if (all
                    || promise.kinds().contains(d.kind())
                    || promise.devices().contains(id)
                    || promise.from() != null && d.criticality().compareTo(promise.from()) >= 0) {
                ids.add(id);
            }
        });
        return ids;
    }

    /** The outages that a promise is held against. */
    static List<Supposed> against(Outages outages, Promise promise) {
        double hours = promise.hours() == null ? 0 : promise.hours();
        List<Supposed> all = new ArrayList<>();
        Set<String> known = new TreeSet<>(promise.without());
        known.removeIf(id -> !known(outages, id));
        if (known.contains(Component.MAINS)) {
            known.addAll(Supposed.mains(outages));
        }
        if (!known.isEmpty()) {
            all.addAll(Supposed.throughout(outages, known, hours));
        }
        if (promise.anyOne()) {
            outages.components().values().stream()
                    .filter(c -> ONES.contains(c.kind()))
                    .forEach(c -> all.add(Supposed.alone(outages, c, hours)));
        }
        return all;
    }

    /** The same, as outages. */
    public static Set<Outage> outages(Outages outages, Promise promise) {
        return against(outages, promise).stream().map(Supposed::outage).collect(Collectors.toSet());
    }

    private static boolean known(Outages outages, String id) {
        return id.equals(Component.MAINS) || outages.components().containsKey(id);
    }

    /** All promises of a plan. */
    public static List<JudgedPromise> of(Plan plan, Outages outages) {
        List<JudgedPromise> all = new ArrayList<>();
        plan.promises().forEach((id, promise) -> {
            ComputingBudget.step();
            all.add(judged(plan, outages, id, promise));
        });
        return all;
    }

    private static JudgedPromise judged(Plan plan, Outages outages, String id, Promise promise) {
        Set<String> devices = devices(plan, promise);
        List<Supposed> against = against(outages, promise);
        Map<Outage, Map<String, DeviceState>> states = new HashMap<>();
        List<BrokenPromise> broken = new ArrayList<>();
        Set<String> counted = new TreeSet<>();
        List<Line> lines = lines(plan, outages, promise, against);
        for (Line line : lines) {
            counted.add(line.device);
            if (broken.size() < MOST_TOLD) {
                broken.add(broken(plan, outages, line, promise, states));
            }
        }
        return PromisesJudgedPromiseBuilder.builder()
                .id(id)
                .name(promise.name())
                .kept(counted.isEmpty())
                .devices(devices.size())
                .outages((int) against.stream().map(Supposed::name).distinct().count())
                .unknown(promise.without().stream()
                        .filter(c -> !known(outages, c))
                        .toList())
                .count(counted.size())
                .broken(broken)
                .build();
    }

    /** A device that does not survive an outage: the first moment of it. */
    private record Line(String device, State state, Supposed outage) {}

    private static State worst(Promise promise) {
        return promise.byItself() ? State.REDUCED : State.BY_HAND;
    }

    private static List<Line> lines(Plan plan, Outages outages, Promise promise, List<Supposed> against) {
        Set<String> devices = devices(plan, promise);
        State worst = worst(promise);
        ManyOutages.Matrix matrix =
                outages.many().matrix(against.stream().map(Supposed::outage).toList());
        List<Line> lines = new ArrayList<>();
        for (int d = 0; d < matrix.devices().size(); d++) {
            String device = matrix.devices().get(d);
            Set<String> told = new TreeSet<>();
            String itself = itself(plan, promise, device);
            for (int c = 0; devices.contains(device) && c < against.size(); c++) {
                if (against.get(c).outage().without().equals(Set.of(itself))) {
                    continue;
                }
                State state = matrix.states()[d][c];
                if (state.compareTo(worst) > 0 && told.add(against.get(c).name())) {
                    lines.add(new Line(device, state, against.get(c)));
                }
            }
        }
        return lines;
    }

    /** The box that a device is itself, which nothing could stand in for; "" where there is none, or where it was named. */
    private static String itself(Plan plan, Promise promise, String device) {
        String id = Objects.requireNonNull(plan.devices().get(device)).unit();
        String unit = id == null ? "" : Component.unit(id);
        return id != null
                        && Objects.requireNonNull(plan.units().get(id)).kind().alone()
                        && !promise.without().contains(unit)
                ? unit
                : "";
    }

    /** Everything that does not survive what was promised, by promise, device and outage. */
    public static Map<String, BrokenPromise> everything(Plan plan, Outages outages) {
        Map<String, BrokenPromise> all = new TreeMap<>();
        Map<Outage, Map<String, DeviceState>> states = new HashMap<>();
        plan.promises()
                .forEach((id, promise) -> lines(plan, outages, promise, against(outages, promise))
                        .forEach(line -> all.put(key(id, line), broken(plan, outages, line, promise, states))));
        return all;
    }

    /** The keys of {@link #everything}. */
    public static Set<String> broken(Plan plan, Outages outages) {
        Set<String> all = new TreeSet<>();
        plan.promises()
                .forEach((id, promise) -> lines(plan, outages, promise, against(outages, promise))
                        .forEach(line -> all.add(key(id, line))));
        return all;
    }

    private static String key(String promise, Line line) {
        return promise + " " + line.device + " " + line.outage.name();
    }

    private static BrokenPromise broken(
            Plan plan, Outages outages, Line line, Promise promise, Map<Outage, Map<String, DeviceState>> states) {
        State most = worst(promise);
        double hours = promise.hours() == null ? 0 : promise.hours();
        String device = line.device;
        State state = line.state;
        Supposed one = line.outage;
        Device d = Objects.requireNonNull(plan.devices().get(device));
        DeviceState why = Objects.requireNonNull(
                states.computeIfAbsent(one.outage(), outages::at).get(device));
        return PromisesBrokenPromiseBuilder.builder()
                .device(device)
                .name(d.name())
                .state(state)
                .outage(one.name())
                .without(one.outage().without())
                .hours(hours)
                .atH(one.outage().atH())
                .sentence((why.job() == null ? "" : why.job().words() + ": ") + why.sentence())
                .always(Objects.requireNonNull(outages.now().get(device))
                                .state()
                                .compareTo(most)
                        > 0)
                .build();
    }
}
