package org.skelto.core.links;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.power.Circuit;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.power.Source;
import org.skelto.core.plan.radio.Medium;

/**
 * The carrier on the mains wires: units on live circuits of the same phase hear one another, and those on others where a coupler
 * joins the phases; a filter keeps it out of its circuit. A phase that nobody told agrees with any.
 */
public final class PowerLine {
    private PowerLine() {}

    /** The units that speak over it: the ends of planned links. */
    public static Set<String> speakers(Plan plan) {
        Set<String> all = new TreeSet<>();
        for (Link link : plan.links().values()) {
            if (link.medium() == Medium.POWER_LINE) {
                all.add(link.from());
                all.add(link.to());
            }
        }
        return all;
    }

    /** The circuits over which a unit can speak; null among them is one that nobody named. */
    public static List<@Nullable String> circuits(Plan plan, Unit unit) {
        return unit.power().sources().stream()
                .filter(s -> s.source() == PowerSource.MAINS)
                .map(Source::circuit)
                .filter(c -> c == null || !Boolean.TRUE.equals(circuit(plan, c).filtered()))
                .toList();
    }

    private static Circuit circuit(Plan plan, String id) {
        return java.util.Objects.requireNonNull(plan.circuits().get(id));
    }

    /**
     * What carries between two units.
     *
     * @param circuits that it goes over, one or two; null among them is one that nobody named
     * @param coupler that joins their phases, or null where they are on the same
     */
    public record Proof(
            List<@Nullable String> circuits, @Nullable String coupler) {}

    /**
     * What carries between two units, if anything does.
     *
     * @param live whether a circuit is live; asked with null for one that nobody named
     * @param up whether a unit lives
     */
    public static Optional<Proof> proof(
            Plan plan, Unit one, Unit other, Predicate<@Nullable String> live, Predicate<String> up) {
        for (Join join : joins(plan, one, other)) {
            if (live.test(join.here) && live.test(join.there)) {
                List<@Nullable String> both = Arrays.asList(join.here, join.there);
                if (join.samePhase) {
                    return Optional.of(new Proof(both, null));
                }
                Optional<String> coupler = plan.units().entrySet().stream()
                        .filter(e -> e.getValue().is(UnitKind.COUPLER) && up.test(e.getKey()))
                        .map(Map.Entry::getKey)
                        .findFirst();
                if (coupler.isPresent()) {
                    return Optional.of(new Proof(both, coupler.get()));
                }
            }
        }
        return Optional.empty();
    }

    /**
     * A pair of circuits over which a unit may be heard by another while both are live.
     *
     * @param here, there null is on none that was named
     * @param samePhase whether no coupler is needed
     */
    public record Join(@Nullable String here, @Nullable String there, boolean samePhase) {}

    /** Every pair of circuits over which two units may hear each other. */
    public static List<Join> joins(Plan plan, Unit one, Unit other) {
        return circuits(plan, one).stream()
                .flatMap(here -> circuits(plan, other).stream()
                        .map(there -> new Join(here, there, samePhase(plan, here, there))))
                .toList();
    }

    private static boolean samePhase(Plan plan, @Nullable String here, @Nullable String there) {
        Circuit.Phase one = here == null ? null : circuit(plan, here).phase();
        Circuit.Phase other = there == null ? null : circuit(plan, there).phase();
        return one == null || other == null || one == other;
    }

    /** Why two units never hear each other, or null. */
    static @Nullable String trouble(Plan plan, Unit one, Unit other) {
        for (Unit unit : List.of(one, other)) {
            if (unit.power().sources().stream().noneMatch(s -> s.source() == PowerSource.MAINS)) {
                return unit.name() + " is on no mains circuit, so no carrier gets to it";
            }
            if (circuits(plan, unit).isEmpty()) {
                return "a filter keeps the carrier out of the circuit of " + unit.name();
            }
        }
        return proof(plan, one, other, c -> true, u -> true).isPresent()
                ? null
                : one.name() + " and " + other.name() + " are on different phases, and no coupler joins them";
    }
}
