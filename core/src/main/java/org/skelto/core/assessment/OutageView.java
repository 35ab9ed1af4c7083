package org.skelto.core.assessment;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.skelto.core.assessment.Assessment.StripItem;
import org.skelto.core.facts.Facts;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.house.Component;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.Moment;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.house.State;
import org.skelto.core.house.WayRoute;

/**
 * What an outage does: that part of an assessment which is another when something else is supposed to be gone.
 *
 * @param outage what is supposed, as it is spelled today
 * @param strip the toggles of the Without strip
 * @param sentence what still works, in words
 * @param troubles units that are dark or cut off from their hub, by id
 */
@RecordBuilder
public record OutageView(
        Outage outage,
        List<StripItem> strip,
        String sentence,
        Map<State, Integer> counts,
        Map<String, DeviceState> states,
        Map<String, Outages.UnitTrouble> troubles,
        List<Moment> moments) {
    /** Shown when it could not be worked out. */
    static final OutageView UNKNOWN = OutageViewBuilder.builder()
            .outage(Outage.of(Set.of()))
            .strip(List.of())
            .sentence("What still works could not be worked out")
            .counts(Map.of())
            .states(Map.of())
            .troubles(Map.of())
            .moments(List.of())
            .build();

    /** Without these components; a unit may be named by its bare id. */
    public static OutageView of(Facts facts, Outage asked) {
        Outages outages = facts.outages();
        Outage outage = known(outages, asked);
        Set<String> failed = outage.without();
        Map<String, DeviceState> states = outages.at(outage);
        Map<State, Integer> counts = new EnumMap<>(State.class);
        for (State state : State.values()) {
            counts.put(state, 0);
        }
        states.values().forEach(s -> counts.merge(s.state(), 1, Integer::sum));
        return OutageViewBuilder.builder()
                .outage(outage)
                .strip(strip(facts, failed))
                .sentence(sentence(outages, outage, counts))
                .counts(counts)
                .states(states)
                .troubles(
                        failed.isEmpty() && outage.atH() == 0 ? facts.get(HouseFacts.TROUBLES) : outages.units(outage))
                .moments(outages.moments(outage))
                .build();
    }

    private static Outage known(Outages outages, Outage asked) {
        return asked.without(
                asked.without().stream().map(id -> known(outages, id)).collect(Collectors.toSet()));
    }

    private static String known(Outages outages, String asked) {
        String id = Component.today(asked);
        Set<String> components = outages.components().keySet();
        String unit = Component.unit(id);
        return !components.contains(id) && components.contains(unit) ? unit : id;
    }

    /** The planned ways of a device, opened. */
    static List<WayRoute> ways(Outages outages, String device, Outage outage) {
        return outages.why(device, known(outages, outage));
    }

    /** Units that are dark or cut off without these components. */
    static Set<String> unreached(Outages outages, Outage outage) {
        return outages.units(known(outages, outage)).keySet();
    }

    private static List<StripItem> strip(Facts facts, Set<String> failed) {
        List<StripItem> items = new ArrayList<>();
        Map<Component, Integer> felt = facts.get(HouseFacts.SHARED);
        // one line alone is the internet, which stands there already
        boolean lines = felt.keySet().stream()
                        .filter(c -> c.kind() == Component.Kind.LINE)
                        .count()
                > 1;
        Stream.of(facts.outages().components(), facts.outages().faults())
                .flatMap(all -> all.values().stream())
                .filter(c ->
                        felt.containsKey(c) && (lines || c.kind() != Component.Kind.LINE) || failed.contains(c.id()))
                .forEach(c -> items.add(new StripItem(
                        c.id(),
                        c.name(),
                        c.kind(),
                        c.kind().group(),
                        felt.getOrDefault(c, 0),
                        failed.contains(c.id()))));
        return items;
    }

    private static String sentence(Outages outages, Outage outage, Map<State, Integer> counts) {
        Set<String> failed = outage.without();
        String without = failed.isEmpty()
                ? "With everything working"
                : "Without "
                        + Stream.of(outages.components(), outages.faults())
                                .flatMap(all -> all.values().stream())
                                .filter(c -> failed.contains(c.id()))
                                .map(Component::name)
                                .collect(Collectors.joining(" and "));
        String when = outage.lastsH() == null
                ? ""
                : outage.atH() == 0 ? ", at the beginning" : ", " + outage.when(outage.atH());
        return without + when + ": " + counts.get(State.HOLDS) + " hold, " + counts.get(State.REDUCED) + " reduced, "
                + counts.get(State.BY_HAND) + " by hand, " + counts.get(State.LOST) + " lost, "
                + counts.get(State.UNSAFE) + " unsafe";
    }
}
