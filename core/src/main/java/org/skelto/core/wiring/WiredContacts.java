package org.skelto.core.wiring;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.work.ComputingBudget;

/**
 * What contacts wired from unit to unit take of their two ends: a contact set for each at the one, an input at the other, where
 * those that share an input in series or parallel take it together.
 *
 * @param sets contact sets that the unit lends
 * @param inputs that it gives to contacts of others
 */
public record WiredContacts(int sets, int inputs) {
    /** Those of a unit that has none. */
    public static final WiredContacts NONE = new WiredContacts(0, 0);

    /** Those of every unit that has any, by id. */
    public static Map<String, WiredContacts> of(Plan plan) {
        Map<String, WiredContacts> all = new HashMap<>();
        Set<String> taken = new HashSet<>();
        plan.links().forEach((id, link) -> {
            ComputingBudget.step();
            if (link.medium() == Medium.CONTACT) {
                all.merge(link.from(), new WiredContacts(1, 0), WiredContacts::and);
                if (link.input() == null || taken.add(link.to() + " " + link.input())) {
                    all.merge(link.to(), new WiredContacts(0, 1), WiredContacts::and);
                }
            }
        });
        return all;
    }

    private WiredContacts and(WiredContacts other) {
        return new WiredContacts(sets + other.sets, inputs + other.inputs);
    }

    /** Terminals that they take. */
    public int terminals() {
        return sets + inputs;
    }

    /** In words, such as "2 wired contacts". */
    public String words() {
        return terminals() == 1 ? "1 wired contact" : terminals() + " wired contacts";
    }

    /** The contacts between each two units, which share a cable, in the order of their ids: from, to, and what they are. */
    public static Map<List<String>, List<Link>> cables(Plan plan) {
        Map<List<String>, List<Link>> cables = new java.util.LinkedHashMap<>();
        plan.links().values().stream()
                .filter(l -> l.medium() == Medium.CONTACT)
                .forEach(l -> cables.computeIfAbsent(List.of(l.from(), l.to()), k -> new ArrayList<>())
                        .add(l));
        return cables;
    }
}
