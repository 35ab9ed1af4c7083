package org.skelto.core.links;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;

/** Where the far end of each link could be instead. */
public final class LinkEnds {
    private LinkEnds() {}

    /** Ids of the units that the other end of each link could be, by the link's id, in the order of their ids. */
    public static Map<String, List<String>> of(Plan plan) {
        Map<String, List<String>> all = new TreeMap<>();
        plan.links()
                .forEach((id, link) -> all.put(
                        id,
                        plan.units().entrySet().stream()
                                .filter(e -> !e.getKey().equals(link.from()) && hears(link, e.getValue()))
                                .map(Map.Entry::getKey)
                                .toList()));
        return all;
    }

    private static boolean hears(Link link, Unit unit) {
        if (link.medium() == Medium.ETHERNET) {
            return unit.is(UnitKind.SWITCH) || unit.is(UnitKind.ROUTER);
        }
        return !link.medium().radio()
                || unit.radios().values().stream().anyMatch(r -> r.medium() == link.medium() && r.receives());
    }
}
