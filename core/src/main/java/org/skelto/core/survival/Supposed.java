package org.skelto.core.survival;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.skelto.core.house.Component;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;

/**
 * An outage that is looked at, with its name.
 *
 * @param name such as "mains 8 h" or "hall switch"
 */
public record Supposed(String name, Outage outage) {
    /** Ids of all that the street feeds: the mains, or the only circuits that there are. */
    public static Set<String> mains(Outages outages) {
        return outages.components().containsKey(Component.MAINS)
                ? Set.of(Component.MAINS)
                : outages.components().values().stream()
                        .filter(c -> c.kind() == Component.Kind.CIRCUIT)
                        .map(Component::id)
                        .collect(Collectors.toSet());
    }

    /** One component, at the end of so many hours where what it feeds runs down. */
    static Supposed alone(Outages outages, Component component, double hours) {
        Set<String> gone = Set.of(component.id());
        return new Supposed(
                component.name(),
                hours > 0 && outages.drains(component.id()) ? new Outage(gone, hours, null, hours) : Outage.of(gone));
    }

    /** Components, for so many hours: at the beginning, after each moment at which something runs out, and at the end. */
    static List<Supposed> throughout(Outages outages, Set<String> without, double hours) {
        String name = outages.names(without) + (hours > 0 ? " " + Outage.words(hours) : "");
        Set<Outage> all = new LinkedHashSet<>();
        all.add(Outage.of(without));
        if (hours > 0) {
            Outage whole = new Outage(without, hours, null, hours);
            outages.turns(whole).forEach(at -> all.add(whole.at(at)));
            all.add(whole);
        }
        return all.stream().map(o -> new Supposed(name, o)).toList();
    }
}
