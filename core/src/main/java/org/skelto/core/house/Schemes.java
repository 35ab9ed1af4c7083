package org.skelto.core.house;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.skelto.core.house.JobWays.PlannedWay;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.ControlScheme;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.work.ComputingBudget;

/** Compares the control schemes that a device could have: what each would survive, how quick it is, what it costs. */
final class Schemes {
    private final Plan plan;
    private final WayBuilder builder;
    private final Map<String, Component> components;
    private final Function<Set<String>, Judge> judges;

    /** @param judges judges the house without a set of components */
    Schemes(
            Plan plan,
            Catalogue parts,
            @Nullable Set<String> phonePoints,
            Map<String, Component> components,
            Function<Set<String>, Judge> judges) {
        this.plan = plan;
        this.builder = new WayBuilder(plan, parts, phonePoints, List.of());
        this.components = components;
        this.judges = judges;
    }

    /**
     * Every scheme alone, for one device.
     *
     * @param open opens a way that works to its route
     */
    List<SchemeChoice> of(String id, Function<PlannedWay, WayRoute> open) {
        Device device = plan.devices().get(id);
        Judge now = judges.apply(Set.of());
        Map<ControlScheme, List<PlannedWay>> ways = new LinkedHashMap<>();
        for (ControlScheme scheme : ControlScheme.values()) {
            ways.put(scheme, ways(id, device, scheme));
        }
        Map<ControlScheme, List<Component>> lost = lost(ways, now);
        List<SchemeChoice> choices = new ArrayList<>();
        for (ControlScheme scheme : ControlScheme.values()) {
            ComputingBudget.step();
            List<PlannedWay> working = ways.get(scheme).stream()
                    .filter(w -> now.holds(w.formula()))
                    .toList();
            WayRoute quickest = working.stream()
                    .map(open)
                    .filter(r -> !r.steps().isEmpty())
                    .min(Comparator.comparingDouble(WayRoute::typicalMs))
                    .orElse(null);
            List<String> names = lost.get(scheme).stream().map(Component::name).toList();
            choices.add(SchemeChoiceBuilder.builder()
                    .scheme(scheme)
                    .chosen(
                            device.control() == null
                                    ? !working.isEmpty() && usual(device, scheme)
                                    : device.control().contains(scheme))
                    .works(!working.isEmpty())
                    .sentence(sentence(ways.get(scheme), working, now))
                    .lostWithout(names.subList(0, Math.min(SchemeChoice.MOST, names.size())))
                    .moreLost(Math.max(0, names.size() - SchemeChoice.MOST))
                    .typicalMs(quickest == null ? null : quickest.typicalMs())
                    .worstMs(quickest == null ? null : quickest.worstMs())
                    .latency(quickest == null ? null : quickest.latency())
                    .feePerMonth(fee(lost.get(scheme)))
                    .needs(working.isEmpty() ? needs(device, scheme) : null)
                    .build());
        }
        return choices;
    }

    /** The ways besides the hand that a scheme alone would give a device. */
    private List<PlannedWay> ways(String id, Device device, ControlScheme scheme) {
        Device alone = device.withControl(new TreeSet<>(List.of(scheme)));
        return builder.jobs(id, alone).stream()
                .flatMap(job -> job.ways().stream())
                .filter(way -> !way.atHand() && (scheme == ControlScheme.OWN || !own(way)))
                .toList();
    }

    /** What a device does by itself, whoever controls it besides. */
    private static boolean own(PlannedWay way) {
        return Set.of("alone", "local sound", "on itself", "wired to its own board")
                .contains(way.name());
    }

    /** Whether a scheme counts where none is chosen. */
    private boolean usual(Device device, ControlScheme scheme) {
        return switch (scheme) {
            case OWN ->
                device.ways().contains(Way.ALONE)
                        || device.wallControls().stream()
                                .map(plan.devices()::get)
                                .anyMatch(b -> b.unit() != null && b.unit().equals(device.unit()));
            case BOUND -> true;
            case HUB, PANEL -> scheme == WayBuilder.usual(plan, device);
            case SERVICE, REQUEST -> false;
        };
    }

    /** The components whose failure alone ends each scheme. */
    private Map<ControlScheme, List<Component>> lost(Map<ControlScheme, List<PlannedWay>> ways, Judge now) {
        Map<ControlScheme, List<Component>> lost = new LinkedHashMap<>();
        Map<ControlScheme, Set<String>> leaning = new LinkedHashMap<>();
        ways.forEach((scheme, all) -> {
            lost.put(scheme, new ArrayList<>());
            Set<String> proof = new TreeSet<>();
            all.stream().filter(w -> now.holds(w.formula())).forEach(w -> now.proof(w.formula(), proof::add));
            leaning.put(scheme, proof);
        });
        for (Component component : components.values()) {
            Judge without = null;
            for (ControlScheme scheme : ways.keySet()) {
                if (leaning.get(scheme).contains(component.id())) {
                    without = without == null ? judges.apply(Set.of(component.id())) : without;
                    Judge judge = without;
                    if (ways.get(scheme).stream().noneMatch(w -> judge.holds(w.formula()))) {
                        lost.get(scheme).add(component);
                    }
                }
            }
        }
        return lost;
    }

    private static String sentence(List<PlannedWay> ways, List<PlannedWay> working, Judge now) {
        if (ways.isEmpty()) {
            return "no way besides the hand is planned";
        }
        return working.isEmpty()
                ? ways.get(0).name() + ": " + now.broken(ways.get(0).formula())
                : working.size() + " of " + ways.size() + (ways.size() == 1 ? " way works" : " ways work") + ": "
                        + String.join(
                                ", ",
                                working.stream()
                                        .map(PlannedWay::name)
                                        .distinct()
                                        .toList());
    }

    private double fee(List<Component> lost) {
        return plan.services().entrySet().stream()
                .filter(e -> e.getValue().feePerMonth() != null
                        && lost.stream().anyMatch(c -> c.id().equals(Component.service(e.getKey()))))
                .mapToDouble(e -> e.getValue().feePerMonth())
                .sum();
    }

    private @Nullable String needs(Device device, ControlScheme scheme) {
        Unit unit = device.unit() == null ? null : plan.units().get(device.unit());
        if (unit == null) {
            return "attach it to a controller";
        }
        return switch (scheme) {
            case OWN -> "a push-button on its own board, or the way \"alone\"";
            case BOUND -> "a wall control whose unit has a link to " + unit.name();
            case PANEL ->
                plan.units().values().stream().anyMatch(u -> u.is(UnitKind.PANEL))
                        ? "a link between " + unit.name() + " and the panel"
                        : "an alarm panel";
            case HUB ->
                plan.units().values().stream().noneMatch(u -> u.is(UnitKind.HUB))
                        ? "a hub"
                        : unit.hub() == null
                                ? "let a hub serve " + unit.name()
                                : "a link from " + unit.name() + " towards the hub";
            case SERVICE -> "a service for remote access, and a link from " + unit.name() + " to the internet entry";
            case REQUEST -> "a link from " + unit.name() + " to the network that phones are in";
        };
    }
}
