package org.skelto.core.house;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.work.ComputingBudget;

/** Which unit speaks to which directly; the same under every outage. */
final class Hops {
    /**
     * One step from a unit to another.
     *
     * @param link id of the planned link, or null for one that radios make by themselves
     * @param chance that it holds, over 0 and at most 1
     */
    record Hop(String unit, String link, Medium medium, double chance) {}

    private final Map<String, List<Hop>> speaksTo = new HashMap<>();
    private final Map<String, List<Hop>> hearsFrom = new HashMap<>();

    Hops(Plan plan, Carrying carrying, List<PossibleLink> possible) {
        ComputingBudget.step();
        plan.links().forEach((id, link) -> {
            put(link.from(), new Hop(link.to(), id, link.medium(), carrying.chance(id, link.from())));
            if (link.twoWay()) {
                put(link.to(), new Hop(link.from(), id, link.medium(), carrying.chance(id, link.to())));
            }
        });
        for (PossibleLink p : possible) {
            Link link = p.link();
            put(link.from(), new Hop(link.to(), null, link.medium(), p.chance()));
            if (link.twoWay()) {
                put(link.to(), new Hop(link.from(), null, link.medium(), p.chance()));
            }
        }
    }

    private void put(String from, Hop hop) {
        if (hop.chance > 0) {
            speaksTo.computeIfAbsent(from, k -> new ArrayList<>()).add(hop);
            hearsFrom
                    .computeIfAbsent(hop.unit, k -> new ArrayList<>())
                    .add(new Hop(from, hop.link, hop.medium, hop.chance));
        }
    }

    List<Hop> hearing(String from) {
        return speaksTo.getOrDefault(from, List.of());
    }

    List<Hop> heardBy(String to) {
        return hearsFrom.getOrDefault(to, List.of());
    }
}
