package org.skelto.core.house;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.function.Function;
import org.skelto.core.house.Hops.Hop;
import org.skelto.core.links.PowerLine;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.Source;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.work.ComputingBudget;

/**
 * The house with a set of components gone: which units live and what reaches what. What is found is kept, so that
 * judging all devices costs two searches for each hub: one outward, one towards it.
 */
final class House {
    /** Steps within one mesh: four repeaters in G.9959, 30 hops in 802.15.4. */
    private static final int G9959_HOPS = 5;

    private static final int MESH_802154_HOPS = 30;

    private final Plan plan;
    private final boolean drawn;
    private final PowerState power;
    private final Hops hops;
    private final Map<String, Map<String, Step>> heardFrom = new ConcurrentHashMap<>();
    private final Map<String, Map<String, Step>> reporting = new ConcurrentHashMap<>();

    /** The same past gateways. */
    private final Map<String, Map<String, Step>> heardDirectly = new ConcurrentHashMap<>();

    private final Map<String, Map<String, Step>> reportingDirectly = new ConcurrentHashMap<>();

    /** A unit that was found, and the step that leads nearer to where the search began; null there. */
    private record Step(String unit, Hop via, Step nearer, int meshHops, int steps, double chance) {}

    private static final Comparator<Step> BEST_FIRST =
            Comparator.comparingDouble((Step s) -> -s.chance).thenComparingInt(Step::steps);

    House(Plan plan, PowerState power, Hops hops) {
        this(plan, power, hops, false);
    }

    /** @param drawn whether carriers on the mains wires get everywhere, as everything else that is drawn */
    House(Plan plan, PowerState power, Hops hops, boolean drawn) {
        this.drawn = drawn;
        this.plan = plan;
        this.power = power;
        this.hops = hops;
    }

    /** Whether one unit speaks to the other directly, alive or not. */
    boolean speaks(String from, String to) {
        return hops.hearing(from).stream().anyMatch(h -> h.unit().equals(to));
    }

    boolean works(String component) {
        return power.works(component);
    }

    /** Hours after which a unit's own store had run out, or null while it has not, or has none. */
    Double emptyFrom(String unit) {
        return power.standby(unit) ? null : power.emptyFrom().get(unit);
    }

    boolean live(String circuit) {
        return power.live(circuit);
    }

    /** Whether a unit is there, has power and does not hang. */
    boolean up(String unit) {
        ComputingBudget.step();
        return power.up(unit) && !power.hangs(unit);
    }

    boolean powered(String unit) {
        return power.up(unit);
    }

    /** Hours after which a unit lost its address, or null while it has one. */
    Double addressLost(String unit) {
        return power.addressLost(unit);
    }

    /** Whether a unit cannot be spoken to over a medium because it has no address; boxes that only pass on need none for it. */
    private boolean nameless(String unit, Medium medium) {
        return (medium == Medium.ETHERNET || medium.wifi())
                && power.addressLost(unit) != null
                && !bridges(plan.units().get(unit));
    }

    private static boolean bridges(Unit unit) {
        return unit.is(UnitKind.ROUTER) || unit.is(UnitKind.SWITCH) || unit.is(UnitKind.ACCESS_POINT);
    }

    /** Whether messages get from one unit to another; commands are sought from the hub, reports towards it. */
    boolean reaches(String from, String to) {
        return chance(from, to, false) > 0;
    }

    /** The chance of the worst link on the best way, 0 when nothing gets there and 1 within a unit. */
    double chance(String from, String to, boolean direct) {
        if (!up(from) || !up(to)) {
            return 0;
        }
        if (from.equals(to)) {
            return 1;
        }
        Step at = found(from, to, direct);
        return at == null ? 0 : at.chance;
    }

    /** The components of one proof of the way that {@link #reaches} found. */
    void along(String from, String to, boolean direct, Consumer<String> sink) {
        ComputingBudget.step();
        if (from.equals(to)) {
            proofOfUp(from, sink);
            return;
        }
        Step farther = null;
        for (Step at = found(from, to, direct); at != null; at = at.nearer) {
            // the pair of a bus runs past its units
            boolean past = over(at, Medium.RS485) && farther != null && over(farther, Medium.RS485);
            if (!past) {
                proofOfUp(at.unit, sink);
            }
            if (at.via != null && at.via.link() != null) {
                sink.accept(Component.link(at.via.link()));
            }
            if (over(at, Medium.POWER_LINE)) {
                proofOfCarrier(at.unit, at.nearer.unit, sink);
            }
            farther = at;
        }
    }

    private static boolean over(Step step, Medium medium) {
        return step.via != null && step.via.medium() == medium;
    }

    private Step found(String from, String to, boolean direct) {
        if (direct) {
            return central(from)
                    ? heardDirectly
                            .computeIfAbsent(from, f -> search(f, hops::hearing, false))
                            .get(to)
                    : reportingDirectly
                            .computeIfAbsent(to, t -> search(t, hops::heardBy, false))
                            .get(from);
        }
        return central(from) ? hearers(from).get(to) : reporters(to).get(from);
    }

    /** Whether many are told by a unit, so that the way is sought from it rather than from each of them. */
    private boolean central(String unit) {
        Unit u = plan.units().get(unit);
        return u.is(UnitKind.HUB) || u.is(UnitKind.GATEWAY) || u.is(UnitKind.PANEL);
    }

    private void proofOfCarrier(String one, String other, Consumer<String> sink) {
        PowerLine.proof(plan, plan.units().get(one), plan.units().get(other), this::live, this::up)
                .ifPresent(proof -> {
                    proof.circuits().forEach(c -> proofOfLive(c, sink));
                    if (proof.coupler() != null) {
                        proofOfUp(proof.coupler(), sink);
                    }
                });
    }

    /** The components of one proof that a unit is up: while none of them fails, it stays up. */
    void proofOfUp(String unit, Consumer<String> sink) {
        proofOfUp(unit, sink, new HashSet<>());
    }

    private void proofOfUp(String unit, Consumer<String> sink, Set<String> seen) {
        ComputingBudget.step();
        sink.accept(Component.unit(unit));
        if (!seen.add(unit)) {
            return;
        }
        List<Source> sources = plan.units().get(unit).power().sources();
        if (power.standby(unit) || sources.stream().anyMatch(s -> !PowerState.steady(s))) {
            return;
        }
        sources.stream().filter(s -> power.lives(unit, s)).findFirst().ifPresent(s -> {
            switch (s.source()) {
                case MAINS -> proofOfLive(s.circuit(), sink, seen);
                case SUPPLY -> {
                    sink.accept(Component.feed(unit));
                    proofOfUp(s.from(), sink, seen);
                }
                default -> {
                    sink.accept(Component.link(power.cable(unit, s.from())));
                    proofOfUp(s.from(), sink, seen);
                }
            }
        });
    }

    /** The same for a circuit. */
    void proofOfLive(String circuit, Consumer<String> sink) {
        proofOfLive(circuit, sink, new HashSet<>());
    }

    private void proofOfLive(String circuit, Consumer<String> sink, Set<String> seen) {
        String which = circuit != null
                ? circuit
                : plan.circuits().keySet().stream()
                        .filter(power::live)
                        .findFirst()
                        .orElse(null);
        String from = which == null ? null : plan.circuits().get(which).from();
        if (circuit == null || from == null) {
            sink.accept(Component.MAINS);
        }
        if (which != null) {
            sink.accept(Component.circuit(which));
        }
        if (from != null) {
            proofOfUp(from, sink, seen);
        }
    }

    /** One leg of a route. */
    record Leg(String from, String to, Hop hop) {}

    /** The legs that {@link #reaches} found, from the sender on. */
    List<Leg> route(String from, String to, boolean direct) {
        boolean outward = central(from);
        List<Leg> legs = new ArrayList<>();
        Step at = found(from, to, direct);
        for (; at != null && at.nearer != null; at = at.nearer) {
            legs.add(outward ? new Leg(at.nearer.unit, at.unit, at.via) : new Leg(at.unit, at.nearer.unit, at.via));
        }
        if (outward) {
            Collections.reverse(legs);
        }
        return legs;
    }

    /** The units on the best way, both ends included, or an empty list. */
    List<String> way(String from, String to) {
        Step at = hearers(from).get(to);
        List<String> way = new ArrayList<>();
        for (; at != null; at = at.nearer) {
            way.add(at.unit);
        }
        Collections.reverse(way);
        return way;
    }

    /** Every unit that hears from one unit. */
    private Map<String, Step> hearers(String from) {
        return heardFrom.computeIfAbsent(from, f -> search(f, hops::hearing, true));
    }

    /** Every unit that one unit hears from. */
    private Map<String, Step> reporters(String to) {
        return reporting.computeIfAbsent(to, t -> search(t, hops::heardBy, true));
    }

    /**
     * Over the best links first, and of equal ones over the fewest: each unit once for each medium over which it is come upon, and
     * again where a weaker way leaves more hops of a mesh.
     */
    private Map<String, Step> search(String end, Function<String, List<Hop>> neighbours, boolean gateways) {
        Step first = new Step(end, null, null, 0, 0, 1);
        Map<String, Step> found = new HashMap<>();
        Map<String, Integer> fewest = new HashMap<>();
        PriorityQueue<Step> open = new PriorityQueue<>(BEST_FIRST);
        open.add(first);
        while (!open.isEmpty()) {
            ComputingBudget.step();
            Step at = open.remove();
            if (at.via != null) {
                String state = at.via.medium() + " " + at.unit;
                if (at.meshHops >= fewest.getOrDefault(state, Integer.MAX_VALUE)) {
                    continue;
                }
                fewest.put(state, at.meshHops);
            }
            if (up(at.unit)) {
                found.putIfAbsent(at.unit, at);
            }
            for (Hop hop : neighbours.apply(at.unit)) {
                int mesh = !hop.medium().mesh()
                        ? 0
                        : at.via != null && at.via.medium() == hop.medium() ? at.meshHops + 1 : 1;
                if (mesh <= most(hop.medium())
                        && mesh < fewest.getOrDefault(hop.medium() + " " + hop.unit(), Integer.MAX_VALUE)
                        && (up(hop.unit()) || hop.medium() == Medium.RS485)
                        && (hop.link() == null || works(Component.link(hop.link())))
                        && (hop.medium() != Medium.POWER_LINE || carrier(at.unit, hop.unit()))
                        && !nameless(at.unit, hop.medium())
                        && !nameless(hop.unit(), hop.medium())
                        && (at.via == null || passes(at.unit, at.via.medium(), hop.medium(), gateways))) {
                    open.add(new Step(hop.unit(), hop, at, mesh, at.steps + 1, Math.min(at.chance, hop.chance())));
                }
            }
        }
        return found;
    }

    private static int most(Medium medium) {
        return medium == Medium.MESH_G9959 ? G9959_HOPS : MESH_802154_HOPS;
    }

    /**
     * Whether a unit passes on what it hears over one medium over another: boxes of the network bridge and gateways translate,
     * repeaters of a mesh repeat within it; a station of a Wi-Fi network carries nobody, nor does a hub that is no bridge.
     */
    private boolean passes(String id, Medium in, Medium out, boolean gateways) {
        // the pair of a bus runs past its units, alive or not
        if (in == Medium.RS485 && out == Medium.RS485) {
            return true;
        }
        Unit unit = plan.units().get(id);
        return up(id)
                && (gateways || !unit.is(UnitKind.GATEWAY))
                && (translates(unit, out) || unit.kind() != UnitKind.SUPPLY && repeats(unit, in, out));
    }

    private static boolean translates(Unit unit, Medium out) {
        return bridges(unit)
                || unit.is(UnitKind.GATEWAY)
                || unit.is(UnitKind.HUB) && Boolean.TRUE.equals(unit.bridges())
                || unit.is(UnitKind.INFRARED_SENDER) && out == Medium.INFRARED;
    }

    /** Whether what one unit puts on the mains wires gets to another. */
    boolean carrier(String one, String other) {
        return drawn
                || PowerLine.proof(plan, plan.units().get(one), plan.units().get(other), this::live, this::up)
                        .isPresent();
    }

    private static boolean repeats(Unit unit, Medium in, Medium out) {
        Boolean said = in == out ? unit.radio(in).map(Radio::repeats).orElse(null) : null;
        return in == out
                && (in.mesh()
                        ? !Boolean.FALSE.equals(said)
                                && unit.power().sources().stream().anyMatch(PowerState::steady)
                        : Boolean.TRUE.equals(said)
                                || (in == Medium.CHIRP || in == Medium.SUB_GHZ) && Boolean.TRUE.equals(unit.relays()));
    }

    boolean isHub(String unit) {
        return plan.units().get(unit).is(UnitKind.HUB);
    }
}
