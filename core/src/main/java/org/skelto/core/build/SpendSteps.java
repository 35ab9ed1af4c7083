package org.skelto.core.build;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.function.Function;
import org.skelto.core.build.PartsList.BuyLine;
import org.skelto.core.build.PartsList.SpendStep;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;

/** In which order the money of a parts list is spent best. */
final class SpendSteps {
    private final Plan plan;
    private final Function<Device, String> partOf;

    /** @param partOf the part that is bought for a device, or null */
    SpendSteps(Plan plan, Function<Device, String> partOf) {
        this.plan = plan;
        this.partOf = partOf;
    }

    /** What is shared first, then controllers by what a device with them costs, weighed by how critical it is. */
    List<SpendStep> of(List<BuyLine> lines) {
        Map<String, Double> bought = new HashMap<>();
        lines.forEach(l -> bought.put(l.part(), l.needed() == 0 || l.cost() == null ? 0 : l.cost() / l.needed()));
        Map<String, Double> cost = new TreeMap<>();
        Map<String, List<Device>> devices = new TreeMap<>();
        double shared = 0;
        for (Map.Entry<String, Unit> e : plan.units().entrySet()) {
            Unit unit = e.getValue();
            double own = each(bought, unit.power().part())
                    * unit.power().parts()
                    * unit.power().inSeries();
            if (unit.boards() != null) {
                own += each(bought, unit.boards().main());
                for (Attached board : unit.boards().more().values()) {
                    own += each(bought, board.part());
                }
            }
            if (unit.drives() || unit.kind().alone()) {
                cost.put(e.getKey(), own);
                devices.put(e.getKey(), new ArrayList<>());
            } else {
                shared += own;
            }
        }
        for (Device d : plan.devices().values()) {
            if (d.unit() != null && devices.containsKey(d.unit())) {
                devices.get(d.unit()).add(d);
                cost.merge(d.unit(), each(bought, partOf.apply(d)), Double::sum);
            }
        }
        double all = lines.stream()
                .map(BuyLine::cost)
                .filter(Objects::nonNull)
                .mapToDouble(c -> c)
                .sum();
        // cables, boxes and small things are shared out to the first step
        double rest = all - shared - cost.values().stream().mapToDouble(c -> c).sum();
        List<SpendStep> steps = new ArrayList<>();
        double sum = shared + rest;
        steps.add(step(null, "Network, hub, supplies, cables and boxes", sum, sum, List.of()));
        List<String> order = new ArrayList<>(devices.keySet());
        // one that nothing hangs on costs its money all the same, and comes last
        order.removeIf(id -> devices.get(id).isEmpty() && cost.get(id) == 0);
        order.sort(Comparator.comparing(
                        (String id) -> !LikelyParts.chosen(plan.units().get(id)))
                .thenComparing(id -> cost.get(id) / worth(devices.get(id)))
                .thenComparing(Comparator.naturalOrder()));
        for (String id : order) {
            sum += cost.get(id);
            steps.add(step(
                    id,
                    plan.units().get(id).name()
                            + (LikelyParts.chosen(plan.units().get(id)) ? "" : " (its board is not chosen)"),
                    cost.get(id),
                    sum,
                    devices.get(id).stream().map(Device::name).sorted().toList()));
        }
        return steps;
    }

    private static double each(Map<String, Double> bought, String part) {
        return part == null ? 0 : bought.getOrDefault(part, 0.0);
    }

    /** A device is worth the more the more critical it is. */
    private static double worth(List<Device> devices) {
        return devices.stream().mapToDouble(d -> 1 + d.criticality().ordinal()).sum();
    }

    private SpendStep step(String unit, String name, double cost, double sum, List<String> unlocks) {
        Double budget = plan.money().budget();
        return new SpendStep(unit, name, cost, sum, budget == null || sum <= budget, unlocks);
    }
}
