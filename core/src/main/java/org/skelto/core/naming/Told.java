package org.skelto.core.naming;

import java.util.Map;
import java.util.Set;

/**
 * What rules tell people.
 *
 * @param services messages a month by service, by id
 * @param heard ids of the devices of which they tell
 */
public record Told(Map<String, Double> services, Set<String> heard) {
    /** Nobody is told by a rule. */
    public static final Told NONE = new Told(Map.of(), Set.of());

    public Told {
        services = Map.copyOf(services);
        heard = Set.copyOf(heard);
    }
}
