package org.skelto.core.house;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.work.ComputingBudget;

/** Which unit speaks to which directly; the same under every outage. */
final class Hops {
    /** One step from a unit to another over a link. */
    record Hop(String unit, String link, Medium medium) {}

    private final Map<String, List<Hop>> speaksTo = new HashMap<>();
    private final Map<String, List<Hop>> hearsFrom = new HashMap<>();

    Hops(Plan plan, Carrying carrying) {
        ComputingBudget.step();
        plan.links().forEach((id, link) -> {
            if (carrying.carries(id, link.from())) {
                put(link.from(), link.to(), id, link.medium());
            }
            if (link.twoWay() && carrying.carries(id, link.to())) {
                put(link.to(), link.from(), id, link.medium());
            }
        });
    }

    private void put(String from, String to, String link, Medium medium) {
        speaksTo.computeIfAbsent(from, k -> new ArrayList<>()).add(new Hop(to, link, medium));
        hearsFrom.computeIfAbsent(to, k -> new ArrayList<>()).add(new Hop(from, link, medium));
    }

    List<Hop> hearing(String from) {
        return speaksTo.getOrDefault(from, List.of());
    }

    List<Hop> heardBy(String to) {
        return hearsFrom.getOrDefault(to, List.of());
    }
}
