package org.skelto.core.house;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import org.skelto.core.house.Hops.Hop;
import org.skelto.core.links.PowerLine;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.Source;
import org.skelto.core.plan.radio.Medium;
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
    /** Steps found from or towards a unit, past gateways or not, by its number; of each unit the best. */
    private final Map<Integer, Step[]> searches = new ConcurrentHashMap<>();

    /** The components of a proof that a unit is up, by unit. */
    private final Map<String, List<String>> proofs = new ConcurrentHashMap<>();

    private final boolean[] up;

    /** Units that have no address, but for boxes that only pass on. */
    private final boolean[] nameless;

    /** A unit that was found, and the step that leads nearer to where the search began; null there. */
    private record Step(int unit, Hop via, Step nearer, int meshHops, int steps, double worth) {}

    private static final Comparator<Step> BEST_FIRST =
            Comparator.comparingDouble((Step s) -> -s.worth).thenComparingInt(Step::steps);

    House(Plan plan, PowerState power, Hops hops) {
        this(plan, power, hops, false);
    }

    /** @param drawn whether carriers on the mains wires get everywhere, as everything else that is drawn */
    House(Plan plan, PowerState power, Hops hops, boolean drawn) {
        this.drawn = drawn;
        this.plan = plan;
        this.power = power;
        this.hops = hops;
        this.up = new boolean[hops.size()];
        this.nameless = new boolean[hops.size()];
        for (int i = 0; i < up.length; i++) {
            String id = hops.unit(i);
            up[i] = power.up(id) && !power.hangs(id);
            nameless[i] =
                    power.addressLost(id) != null && !Hops.bridges(plan.units().get(id));
        }
    }

    /** The house right after one component has gone from a whole one. */
    private House(House whole, PowerState power) {
        this.plan = whole.plan;
        this.drawn = whole.drawn;
        this.hops = whole.hops;
        this.power = power;
        this.nameless = whole.nameless;
        this.up = whole.up.clone();
        power.still().forEach(unit -> up[hops.number(unit)] = false);
    }

    /** The house right after one component has gone from this one, in which nothing has. */
    House without(String gone) {
        PowerState less = PowerState.without(power, gone);
        return less.sharesPower(power) ? new House(this, less) : new House(plan, less, hops);
    }

    /** Whether one unit speaks to the other directly, alive or not. */
    boolean speaks(String from, String to) {
        return Arrays.stream(hops.hearing(hops.number(from)))
                .anyMatch(h -> h.unit().equals(to));
    }

    /** The links planned between two units, in either direction. */
    List<String> planned(String one, String other) {
        return hops.planned(one, other);
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
        return up[hops.number(unit)];
    }

    boolean powered(String unit) {
        return power.up(unit);
    }

    /** Hours after which a unit lost its address, or null while it has one. */
    Double addressLost(String unit) {
        return power.addressLost(unit);
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
        return at == null ? 0 : at.worth;
    }

    /** The components of one proof of the way that {@link #chance} found. */
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
                proofOfUp(hops.unit(at.unit), sink);
            }
            if (at.via != null && at.via.link() != null) {
                sink.accept(Component.link(at.via.link()));
            }
            if (over(at, Medium.POWER_LINE)) {
                proofOfCarrier(hops.unit(at.unit), hops.unit(at.nearer.unit), sink);
            }
            farther = at;
        }
    }

    private static boolean over(Step step, Medium medium) {
        return step.via != null && step.via.medium() == medium;
    }

    private Step found(String from, String to, boolean direct) {
        int one = hops.number(from);
        int other = hops.number(to);
        return central(from) ? steps(one, true, direct)[other] : steps(other, false, direct)[one];
    }

    /** Of every unit the best way from one unit, or towards it. */
    private Step[] steps(int end, boolean outward, boolean direct) {
        int key = end * 4 + (outward ? 2 : 0) + (direct ? 1 : 0);
        Step[] known = searches.get(key);
        if (known == null) {
            known = search(end, outward, direct);
            searches.put(key, known);
        }
        return known;
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
        List<String> known = proofs.get(unit);
        if (known == null) {
            known = new ArrayList<>();
            proofOfUp(unit, known::add, new HashSet<>());
            proofs.put(unit, known);
        }
        known.forEach(sink);
    }

    private void proofOfUp(String unit, Consumer<String> sink, Set<String> seen) {
        ComputingBudget.step();
        sink.accept(Component.unit(unit));
        if (!seen.add(unit)) {
            return;
        }
        List<Source> sources = plan.units().get(unit).power().sources();
        if (power.standby(unit) || sources.stream().anyMatch(s -> !s.steady())) {
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

    /** The legs that {@link #chance} found, from the sender on. */
    List<Leg> route(String from, String to, boolean direct) {
        boolean outward = central(from);
        List<Leg> legs = new ArrayList<>();
        Step at = found(from, to, direct);
        for (; at != null && at.nearer != null; at = at.nearer) {
            String here = hops.unit(at.unit);
            String nearer = hops.unit(at.nearer.unit);
            legs.add(outward ? new Leg(nearer, here, at.via) : new Leg(here, nearer, at.via));
        }
        if (outward) {
            Collections.reverse(legs);
        }
        return legs;
    }

    /** The units on the best way, both ends included, or an empty list. */
    List<String> way(String from, String to) {
        List<String> way = new ArrayList<>();
        for (Step at = steps(hops.number(from), true, false)[hops.number(to)]; at != null; at = at.nearer) {
            way.add(hops.unit(at.unit));
        }
        Collections.reverse(way);
        return way;
    }

    /**
     * Over the best links first, and of equal ones over the fewest: each unit once for each medium over which it is come upon, and
     * again where a weaker way leaves more hops of a mesh.
     */
    private Step[] search(int end, boolean outward, boolean direct) {
        int media = Medium.values().length;
        Step[] found = new Step[hops.size()];
        int[] fewest = new int[hops.size() * media];
        Arrays.fill(fewest, Integer.MAX_VALUE);
        // of what waits to be looked at: it is not joined by what is no better
        double[] waitingWorth = new double[fewest.length];
        int[] waitingHops = new int[fewest.length];
        // the best come in the order of their steps by themselves
        Deque<Step> best = new ArrayDeque<>();
        PriorityQueue<Step> open = new PriorityQueue<>(BEST_FIRST);
        best.add(new Step(end, null, null, 0, 0, 1));
        while (!best.isEmpty() || !open.isEmpty()) {
            ComputingBudget.step();
            Step at = best.isEmpty() ? open.remove() : best.remove();
            if (at.via != null) {
                int state = at.unit * media + at.via.medium().ordinal();
                if (at.meshHops >= fewest[state]) {
                    continue;
                }
                fewest[state] = at.meshHops;
            }
            if (up[at.unit] && found[at.unit] == null) {
                found[at.unit] = at;
            }
            if (at.via != null && hops.ends(at.unit, at.via.medium())) {
                continue;
            }
            for (Hop hop : outward ? hops.hearing(at.unit) : hops.heardBy(at.unit)) {
                Medium medium = hop.medium();
                int mesh = !medium.mesh() ? 0 : at.via != null && at.via.medium() == medium ? at.meshHops + 1 : 1;
                int state = hop.at() * media + medium.ordinal();
                double worth = Math.min(at.worth, hop.worth());
                if (mesh <= most(medium)
                        && mesh < fewest[state]
                        && !(waitingWorth[state] >= worth && waitingHops[state] <= mesh)
                        && carries(at.unit, hop)
                        && (at.via == null || passes(at, hop, outward, direct))) {
                    waitingWorth[state] = worth;
                    waitingHops[state] = mesh;
                    Step next = new Step(hop.at(), hop, at, mesh, at.steps + 1, worth);
                    if (worth == 1) {
                        best.add(next);
                    } else {
                        open.add(next);
                    }
                }
            }
        }
        return found;
    }

    private boolean carries(int from, Hop hop) {
        Medium medium = hop.medium();
        boolean addressed = medium == Medium.ETHERNET || medium.wifi();
        return (up[hop.at()] || medium == Medium.RS485)
                && (hop.link() == null || power.whole(hop.link()))
                && (medium != Medium.POWER_LINE || carrier(hops.unit(from), hop.unit()))
                && !(addressed && (nameless[from] || nameless[hop.at()]));
    }

    private boolean passes(Step at, Hop hop, boolean outward, boolean direct) {
        Medium in = outward ? at.via.medium() : hop.medium();
        Medium out = outward ? hop.medium() : at.via.medium();
        // the pair of a bus runs past its units, alive or not
        return in == Medium.RS485 && out == Medium.RS485 || up[at.unit] && hops.passes(at.unit, in, out, direct);
    }

    private static int most(Medium medium) {
        return medium == Medium.MESH_G9959 ? G9959_HOPS : MESH_802154_HOPS;
    }

    /** Whether what one unit puts on the mains wires gets to another. */
    boolean carrier(String one, String other) {
        return drawn
                || PowerLine.proof(plan, plan.units().get(one), plan.units().get(other), this::live, this::up)
                        .isPresent();
    }

    boolean isHub(String unit) {
        return plan.units().get(unit).is(UnitKind.HUB);
    }
}
