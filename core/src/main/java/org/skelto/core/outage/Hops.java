package org.skelto.core.outage;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.skelto.core.plan.Plan;
import org.skelto.core.work.ComputingBudget;

/** Which unit speaks to which directly; the same under every outage. */
final class Hops {
    private final Map<String, List<String>> speaksTo = new HashMap<>();
    private final Map<String, List<String>> hearsFrom = new HashMap<>();

    Hops(Plan plan, Carrying carrying) {
        ComputingBudget.step();
        plan.links().forEach((id, link) -> {
            if (carrying.carries(id, link.from())) {
                put(link.from(), link.to());
            }
            if (link.twoWay() && carrying.carries(id, link.to())) {
                put(link.to(), link.from());
            }
        });
    }

    private void put(String from, String to) {
        speaksTo.computeIfAbsent(from, k -> new ArrayList<>()).add(to);
        hearsFrom.computeIfAbsent(to, k -> new ArrayList<>()).add(from);
    }

    List<String> hearing(String from) {
        return speaksTo.getOrDefault(from, List.of());
    }

    List<String> heardBy(String to) {
        return hearsFrom.getOrDefault(to, List.of());
    }
}
