package org.skelto.core.house;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import org.skelto.core.house.Formula.All;
import org.skelto.core.house.Formula.Any;
import org.skelto.core.house.Formula.Live;
import org.skelto.core.house.Formula.Needs;
import org.skelto.core.house.Formula.Never;
import org.skelto.core.house.Formula.Not;
import org.skelto.core.house.Formula.Powered;
import org.skelto.core.house.Formula.Reaches;
import org.skelto.core.house.Formula.Up;
import org.skelto.core.links.PowerLine;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.power.Source;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.work.ComputingBudget;

/** Says whether a formula holds in a house, and names the first thing that breaks it when it does not. */
final class Judge {
    /** So many parts of formulas a device has that are judged under an outage, and most of what is thought of at once. */
    private static final int EXPECTED_OF_A_DEVICE = 12;

    private static final int MOST_EXPECTED = 8192;

    private final Plan plan;
    private final Map<String, Component> components;
    private final House house;
    private final House whole;
    private final House drawn;
    private final Map<Formula, Double> judged;

    /**
     * A judge of one outage.
     *
     * @param house the house under it
     * @param whole the house with everything working
     * @param drawn the same if every link carried
     */
    Judge(Plan plan, Map<String, Component> components, House house, House whole, House drawn) {
        this(
                plan,
                components,
                house,
                whole,
                drawn,
                Math.min(MOST_EXPECTED, EXPECTED_OF_A_DEVICE * plan.devices().size()));
    }

    /** @param expected of so many parts of formulas is thought at once */
    Judge(Plan plan, Map<String, Component> components, House house, House whole, House drawn, int expected) {
        this.plan = plan;
        this.components = components;
        this.house = house;
        this.whole = whole;
        this.drawn = drawn;
        this.judged = new IdentityHashMap<>(expected);
    }

    boolean holds(Formula formula) {
        return strength(formula) > 0;
    }

    /** 0 where a formula does not hold, else the chance of the worst link on its best way, which is 1 where no radio is on it. */
    double strength(Formula formula) {
        if (formula instanceof All || formula instanceof Any) {
            Double known = judged.get(formula);
            if (known == null) {
                known = together(formula);
                judged.put(formula, known);
            }
            return known;
        }
        if (formula instanceof Reaches reaches) {
            return house.chance(reaches.from(), reaches.to(), reaches.direct());
        }
        return certain(formula) ? 1 : 0;
    }

    private boolean certain(Formula formula) {
        if (formula instanceof Needs needs) {
            return house.works(needs.component());
        }
        if (formula instanceof Up up) {
            return house.up(up.unit());
        }
        if (formula instanceof Powered powered) {
            return house.powered(powered.unit());
        }
        if (formula instanceof Live live) {
            return house.live(live.circuit());
        }
        return formula instanceof Not not && !holds(not.power());
    }

    private double together(Formula formula) {
        ComputingBudget.step();
        boolean any = formula instanceof Any;
        List<Formula> parts = any ? ((Any) formula).parts() : ((All) formula).parts();
        double strength = any ? 0 : 1;
        for (Formula part : parts) {
            strength = any ? Math.max(strength, strength(part)) : Math.min(strength, strength(part));
            if (strength == (any ? 1 : 0)) {
                return strength;
            }
        }
        return strength;
    }

    /** The house that is judged. */
    House house() {
        return house;
    }

    boolean up(String unitId) {
        return house.up(unitId);
    }

    /** The components of one proof that a formula holds: while none of them fails, it goes on holding. */
    void proof(Formula formula, Consumer<String> sink) {
        if (formula instanceof All all) {
            all.parts().forEach(part -> proof(part, sink));
        } else if (formula instanceof Any any) {
            any.parts().stream().filter(this::holds).findFirst().ifPresent(part -> proof(part, sink));
        } else if (formula instanceof Needs needs) {
            sink.accept(needs.component());
        } else if (formula instanceof Up up) {
            house.proofOfUp(up.unit(), sink);
        } else if (formula instanceof Live live) {
            house.proofOfLive(live.circuit(), sink);
        } else if (formula instanceof Reaches reaches) {
            house.along(reaches.from(), reaches.to(), reaches.direct(), sink);
        }
    }

    /** The first thing that breaks a formula that does not hold, in words. */
    String broken(Formula formula) {
        if (formula instanceof All all) {
            return all.parts().stream()
                    .filter(p -> !holds(p))
                    .findFirst()
                    .map(this::broken)
                    .orElse("");
        }
        if (formula instanceof Any any) {
            return any.parts().stream().findFirst().map(this::broken).orElse("");
        }
        if (formula instanceof Needs needs) {
            return name(needs.component()) + " is out";
        }
        if (formula instanceof Up up) {
            return down(up.unit());
        }
        if (formula instanceof Reaches reaches) {
            return cut(reaches);
        }
        if (formula instanceof Live live) {
            return dead(live.circuit(), new HashSet<>());
        }
        if (formula instanceof Powered powered) {
            return down(powered.unit());
        }
        return formula instanceof Never never ? never.reason() : "it still has power";
    }

    private String down(String unitId) {
        return down(unitId, new HashSet<>());
    }

    private String down(String unitId, Set<String> seen) {
        if (house.powered(unitId)) {
            return unit(unitId) + " hangs";
        }
        return house.works(Component.unit(unitId))
                ? unit(unitId) + " has no power: " + dark(unitId, seen)
                : unit(unitId) + " is out";
    }

    /** Why the first of a unit's sources gives nothing, and whether its own store ran out. */
    private String dark(String unitId, Set<String> seen) {
        Double empty = house.emptyFrom(unitId);
        Source source = plan.units().get(unitId).power().sources().get(0);
        if (empty == null) {
            return unfed(unitId, source, seen);
        }
        String ranOut = (source.steady() ? "its backup" : "its battery") + " ran out after " + Outage.words(empty);
        return source.steady() ? unfed(unitId, source, seen) + "; " + ranOut : ranOut;
    }

    private String unfed(String unitId, Source source, Set<String> seen) {
        String from = source.from();
        if (!seen.add(unitId)) {
            return "it hangs in a ring that nothing feeds";
        }
        if (source.source() == PowerSource.MAINS) {
            return dead(source.circuit(), seen);
        }
        if (from == null) {
            return "nothing feeds it";
        }
        if (!house.up(from)) {
            return down(from, seen);
        }
        return source.source() == PowerSource.SUPPLY
                ? name(Component.feed(unitId)) + " is out"
                : "no cable leads to it from " + unit(from);
    }

    private String dead(String circuit, Set<String> seen) {
        String from = circuit == null ? null : plan.circuits().get(circuit).from();
        return from != null && house.works(Component.circuit(circuit))
                ? down(from, seen)
                : circuit(circuit) + " is dead";
    }

    private String cut(Reaches reaches) {
        if (!house.up(reaches.from())) {
            return down(reaches.from());
        }
        if (!house.up(reaches.to())) {
            return down(reaches.to());
        }
        for (String end : List.of(reaches.from(), reaches.to())) {
            Double lease = house.addressLost(end);
            if (lease != null) {
                return unit(end) + " has no address: its lease ended after " + Outage.words(lease)
                        + " without a router to renew it";
            }
        }
        List<String> way = whole.way(reaches.from(), reaches.to());
        List<String> dead = new ArrayList<>(way);
        dead.removeIf(house::up);
        for (int i = 0; dead.isEmpty() && i + 1 < way.size(); i++) {
            String gone = failedLink(way.get(i), way.get(i + 1));
            if (gone != null) {
                return name(gone) + " is out";
            }
        }
        if (dead.isEmpty()) {
            for (House.Leg leg : whole.route(reaches.from(), reaches.to(), false)) {
                if (leg.hop().medium() == Medium.POWER_LINE && !house.carrier(leg.from(), leg.to())) {
                    return silent(leg.from(), leg.to());
                }
            }
        }
        return dead.isEmpty() ? gap(drawn.way(reaches.from(), reaches.to()), reaches) : down(dead.get(0));
    }

    /** Why nothing gets over the mains wires that did. */
    private String silent(String one, String other) {
        for (String unit : List.of(one, other)) {
            List<String> circuits = PowerLine.circuits(plan, plan.units().get(unit));
            if (circuits.stream().noneMatch(house::live)) {
                return circuits.isEmpty()
                        ? unit(unit) + " is on no mains circuit"
                        : dead(circuits.get(0), new HashSet<>());
            }
        }
        for (String id : plan.units().keySet()) {
            if (plan.units().get(id).is(UnitKind.COUPLER)) {
                return down(id);
            }
        }
        return "no coupler carries from the phase of " + unit(one) + " to that of " + unit(other);
    }

    private String failedLink(String one, String other) {
        return house.planned(one, other).stream()
                .map(Component::link)
                .filter(c -> !house.works(c))
                .findFirst()
                .orElse(null);
    }

    /** The first link on a drawn way that does not carry. */
    private String gap(List<String> way, Reaches reaches) {
        for (int i = 0; i + 1 < way.size(); i++) {
            if (!whole.speaks(way.get(i), way.get(i + 1))) {
                return "nothing gets from " + unit(way.get(i)) + " to " + unit(way.get(i + 1)) + " over their link";
            }
        }
        return "no link leads from " + unit(reaches.from()) + " to " + unit(reaches.to());
    }

    /** What keeps a unit from its work, or null: no power, or no way to the hub that serves it and back. */
    String trouble(String unitId) {
        if (!house.up(unitId)) {
            return down(unitId);
        }
        String hub = plan.units().get(unitId).hub();
        if (hub == null) {
            return null;
        }
        Reaches report = new Reaches(unitId, hub);
        return holds(report) ? null : cut(report);
    }

    private String name(String component) {
        if (component.equals(Component.INTERNET)) {
            return "the internet";
        }
        Component known = components.get(component);
        return known == null ? component : known.name();
    }

    private String unit(String id) {
        return plan.units().get(id).name();
    }

    private String circuit(String id) {
        return id == null ? "the mains" : plan.circuits().get(id).name();
    }
}
