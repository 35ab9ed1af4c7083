package org.skelto.core.survival;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.ContactRest;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.work.ComputingBudget;

/**
 * What happens when an outage ends: which units start, in which order they are of use, and what their outputs do meanwhile.
 *
 * @param starts by when they are of use
 * @param outputs of boards that start
 */
public record StartOrder(List<Start> starts, List<Output> outputs) {
    /** A unit that was ready so much earlier than what it needs must ask again, seconds. */
    private static final int EARLY_S = 5;

    /** Its broker and its rules come so many seconds after a hub box. */
    private static final int AFTER_HUB_S = 15;

    /** After the mains were gone for so long what has cells is dark as well. */
    private static final double LONG_H = 24;

    /**
     * A unit that starts.
     *
     * @param readyS seconds after power is back until it has started: as the plan says, or typical of its kind
     * @param usableS until all that it needs has, too
     * @param waitsFor id of the unit that comes last of that, or null where it waits for nothing
     * @param early whether it is ready so much earlier that it is deaf unless it asks again
     * @param asksAgain whether it does; null when nobody said
     */
    @RecordBuilder
    public record Start(
            String unit,
            String name,
            int readyS,
            int usableS,
            @Nullable String waitsFor,
            boolean early,
            @Nullable Boolean asksAgain)
            implements StartOrderStartBuilder.With {}

    /**
     * A device on a board that starts.
     *
     * @param meanwhile what its contact does until the board has started, in words
     * @param then what state comes back, in words
     */
    public record Output(String device, String name, String meanwhile, String then) {}

    public StartOrder {
        starts = List.copyOf(starts);
        outputs = List.copyOf(outputs);
    }

    /** How long a unit takes to start, seconds: as the plan says, or typical of its kind; estimates of ours, dated 2026. */
    static int startS(Unit unit) {
        if (unit.startS() != null) {
            return unit.startS();
        }
        int longest = 0;
        for (UnitKind kind : UnitKind.values()) {
            if (unit.is(kind)) {
                longest = Math.max(longest, startS(kind));
            }
        }
        return longest;
    }

    private static int startS(UnitKind kind) {
        return switch (kind) {
            case ROUTER -> 90;
            case HUB -> 75;
            case ACCESS_POINT, RECORDER -> 60;
            case SWITCH, CAMERA -> 45;
            case GATEWAY, WALL_TABLET -> 30;
            case PANEL, ASSISTANT -> 20;
            case CONTROLLER, KEYPAD, INFRARED_SENDER -> 6;
            case SELF_CONTAINED, HANDSET, COUPLER, SUPPLY -> 2;
        };
    }

    /** Units that start before what they need after the mains come back, soon or late; by id, the longest wait of each. */
    public static Map<String, Start> early(Plan plan, Outages outages) {
        Map<String, Start> early = new TreeMap<>();
        Set<String> mains = Supposed.mains(outages);
        if (!mains.isEmpty()) {
            for (Outage outage : List.of(Outage.of(mains), new Outage(mains, LONG_H, null, LONG_H))) {
                of(plan, outages, outage).starts().stream()
                        .filter(Start::early)
                        .forEach(s -> early.merge(
                                s.unit(), s, (one, other) -> one.usableS() >= other.usableS() ? one : other));
            }
        }
        return early;
    }

    /** After an outage has ended. */
    public static StartOrder of(Plan plan, Outages outages, Outage outage) {
        Set<String> dark = new TreeSet<>();
        outages.units(outage).forEach((id, trouble) -> {
            if (trouble.dark()) {
                dark.add(id);
            }
        });
        Map<String, Integer> ready = new HashMap<>();
        plan.units().forEach((id, unit) -> ready.put(id, dark.contains(id) ? startS(unit) : 0));
        List<Start> starts = new ArrayList<>();
        dark.forEach(id -> {
            ComputingBudget.step();
            starts.add(start(plan, outages, id, dark, ready));
        });
        starts.sort(Comparator.comparingInt(Start::usableS)
                .thenComparingInt(Start::readyS)
                .thenComparing(Start::name));
        List<Output> outputs = new ArrayList<>();
        plan.devices().forEach((id, d) -> {
            boolean works =
                    d.kind().family() != DeviceKind.Family.SENSOR && d.kind().family() != DeviceKind.Family.CAMERA;
            if (works && d.unit() != null && dark.contains(d.unit())) {
                outputs.add(
                        new Output(id, d.name(), meanwhile(d, Objects.requireNonNull(ready.get(d.unit()))), then(d)));
            }
        });
        outputs.sort(Comparator.comparing(Output::name));
        return new StartOrder(starts, outputs);
    }

    private static Start start(Plan plan, Outages outages, String id, Set<String> dark, Map<String, Integer> ready) {
        Unit unit = Objects.requireNonNull(plan.units().get(id));
        Map<String, Integer> needs = new HashMap<>();
        String hub = unit.hub();
        if (hub != null && !hub.equals(id)) {
            outages.way(id, hub).forEach(on -> needs.put(on, ready.getOrDefault(on, 0)));
            needs.put(hub, hubS(plan, hub, dark, ready));
        }
        plan.units().forEach((other, u) -> {
            // who gives out addresses, and the message broker
            boolean gives = u.is(UnitKind.ROUTER) && unit.leaseH() != null;
            boolean speaks = u.broker() && (hub != null || unit.is(UnitKind.HUB));
            if ((gives || speaks) && !other.equals(id)) {
                needs.merge(other, speaks ? hubS(plan, other, dark, ready) : ready.getOrDefault(other, 0), Math::max);
            }
        });
        needs.remove(id);
        int own = Objects.requireNonNull(ready.get(id));
        String last = null;
        int usable = own;
        for (Map.Entry<String, Integer> need : new TreeMap<>(needs).entrySet()) {
            if (need.getValue() > usable) {
                usable = need.getValue();
                last = need.getKey();
            }
        }
        return StartOrderStartBuilder.builder()
                .unit(id)
                .name(unit.name())
                .readyS(own)
                .usableS(usable)
                .waitsFor(last)
                .early(usable - own >= EARLY_S && answered(outages, id, unit))
                .asksAgain(unit.asksAgain())
                .build();
    }

    /** Whether it takes up a connection when it starts: over cable or Wi-Fi, with an answer. Others send, or are found by a mesh. */
    private static boolean answered(Outages outages, String id, Unit unit) {
        return (unit.media().isEmpty() || unit.media().stream().anyMatch(m -> m.wifi() || m == Medium.ETHERNET))
                && (unit.is(UnitKind.HUB)
                        || unit.hub() != null && !outages.way(unit.hub(), id).isEmpty());
    }

    private static int hubS(Plan plan, String hub, Set<String> dark, Map<String, Integer> ready) {
        boolean box = Objects.requireNonNull(plan.units().get(hub)).is(UnitKind.HUB);
        return ready.getOrDefault(hub, 0) + (dark.contains(hub) && box ? AFTER_HUB_S : 0);
    }

    private static String meanwhile(Device d, int seconds) {
        ContactRest contact = d.known().contact();
        String rests = contact == ContactRest.NORMALLY_CLOSED
                ? "on, by its closed contact,"
                : contact == ContactRest.BISTABLE ? "as it was" : "off";
        return rests + " for " + seconds + " s";
    }

    private static String then(Device d) {
        return d.known().afterPower() == null
                ? "not said: what its board does by itself"
                : switch (d.known().afterPower()) {
                    case OFF -> "off";
                    case ON -> "on";
                    case LAST -> "as it was before";
                };
    }
}
