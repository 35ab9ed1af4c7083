package org.skelto.core.house;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.skelto.core.house.Formula.All;
import org.skelto.core.house.Formula.Any;
import org.skelto.core.house.Formula.Live;
import org.skelto.core.house.Formula.Needs;
import org.skelto.core.house.Formula.Not;
import org.skelto.core.house.Formula.Powered;
import org.skelto.core.house.Formula.Reaches;
import org.skelto.core.house.Formula.Up;
import org.skelto.core.house.Hops.Hop;
import org.skelto.core.house.JobWays.PlannedWay;
import org.skelto.core.links.PowerLine;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.Circuit;
import org.skelto.core.plan.power.Source;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.radio.Chance;
import org.skelto.core.work.ComputingBudget;

/**
 * The model of a house laid out in numbers, so that it can be worked out for many outages at once: who feeds whom, who speaks to
 * whom, and what every job needs. Nothing in it changes.
 */
final class OutageProgram {
    /** What a node of a formula is. */
    enum Op {
        NEVER,
        ALL,
        ANY,
        NEEDS,
        UP,
        POWERED,
        LIVE,
        REACHES,
        NOT
    }

    /** On no circuit in particular. */
    static final int ANY_CIRCUIT = -1;

    /** A source of a unit that does not run down. */
    record Feed(int circuit, int from, int[] cables, boolean mains) {}

    /** A node of a formula: its parts, or the number of what it asks for. */
    record Node(Op op, int[] parts, int what) {}

    /**
     * A search from or towards a unit, and where messages go on from a unit that they came to over a medium.
     *
     * @param wanted units that are asked for
     */
    record Search(int end, Spread spread, TreeSet<Integer> wanted) {}

    /** A message to be looked for. */
    record Reach(int from, int to, int search) {}

    /** A way of a job. */
    record WayNode(boolean atHand, int node) {}

    /**
     * A job of a device.
     *
     * @param position what follows from where it rests
     * @param exit whether people get out by it
     */
    record JobNode(String device, Job job, List<WayNode> ways, Position position, int target, boolean exit) {
        int rest() {
            return position.rest;
        }

        int gone() {
            return position.gone;
        }

        int stuck() {
            return position.stuck;
        }
    }

    /** Nodes of where a thing rests, or -1: it gives the job, it is known to be the opposite, it is stuck in mid-travel. */
    record Position(int rest, int gone, int stuck) {}

    final Plan plan;
    final Hops hops;
    final Feeds feeds;
    final List<String> components = new ArrayList<>();
    final Map<String, Integer> numbers = new HashMap<>();
    final List<String> circuits;

    /** By unit. */
    final Feed[][] sources;

    final int[] unitComponent;
    final int[] hangsComponent;
    final boolean[] stored;

    /** Whether a unit passes on without an address of its own. */
    final boolean[] passesWithoutAddress;

    /** Units in an order in which what feeds comes before what is fed, but for rings. */
    final int[] powerOrder;

    /** By circuit: its component, and the unit that feeds it or -1. */
    final int[] circuitComponent;

    final int[] circuitFrom;
    final int mains;

    final List<Node> nodes = new ArrayList<>();
    final List<Search> searches = new ArrayList<>();
    final List<Reach> reaches = new ArrayList<>();
    final Map<String, List<JobNode>> jobs = new LinkedHashMap<>();
    final List<JobNode> allJobs = new ArrayList<>();

    /** Chances below which a way is weak, from the lowest. */
    final double[] targets;

    /** By target: the nodes that its devices ask for and in which messages are looked for, in the order of their numbers. */
    final int[][] strongNodes;

    /** Whether a node hangs on messages. */
    final boolean[] spoken;

    /** The nodes side by side. */
    final Op[] ops;

    final int[][] parts;
    final int[] whats;

    /** Of devices that guard life: the number of the unit that must be up, or -1 where nothing helps. */
    final Map<String, Integer> vital = new HashMap<>();

    /** Pairs of units that speak over the mains wires. */
    final List<Carrier> carriers = new ArrayList<>();

    /** Each way of getting over: two circuits ({@link #ANY_CIRCUIT} among them), and whether a coupler is needed. */
    record Carrier(List<int[]> ways) {}

    final int[] couplers;

    private final Map<Formula, Integer> byIdentity = new IdentityHashMap<>();
    private final Map<List<Integer>, Integer> interned = new HashMap<>();
    private final Map<List<Integer>, Integer> searchNumbers = new HashMap<>();
    private final Map<Long, Integer> carrierNumbers = new HashMap<>();
    private final Map<Reach, Integer> reachNumbers = new HashMap<>();
    private final Spread[] spreads = new Spread[4];

    OutageProgram(
            Plan plan,
            Hops hops,
            Feeds feeds,
            Iterable<String> ids,
            Map<String, List<JobWays>> jobs,
            Map<String, Formula> stuck,
            Predicate<Device> alone) {
        this.plan = plan;
        this.hops = hops;
        this.feeds = feeds;
        ids.forEach(this::number);
        mains = number(Component.MAINS);
        circuits = List.copyOf(plan.circuits().keySet());
        circuitComponent = new int[circuits.size()];
        circuitFrom = new int[circuits.size()];
        for (int i = 0; i < circuits.size(); i++) {
            Circuit circuit = plan.circuits().get(circuits.get(i));
            circuitComponent[i] = number(Component.circuit(circuits.get(i)));
            circuitFrom[i] = circuit.from() == null ? -1 : hops.number(circuit.from());
        }
        int n = hops.size();
        sources = new Feed[n][];
        unitComponent = new int[n];
        hangsComponent = new int[n];
        stored = new boolean[n];
        passesWithoutAddress = new boolean[n];
        for (int u = 0; u < n; u++) {
            String id = hops.unit(u);
            unitComponent[u] = number(Component.unit(id));
            hangsComponent[u] = number(Component.hangs(id));
            stored[u] = feeds.stores().containsKey(id);
            passesWithoutAddress[u] = Hops.bridges(plan.units().get(id));
            sources[u] = plan.units().get(id).power().sources().stream()
                    .filter(Source::steady)
                    .map(s -> feed(id, s))
                    .filter(f -> f != null)
                    .toArray(Feed[]::new);
        }
        powerOrder = powerOrder();
        couplers = plan.units().entrySet().stream()
                .filter(e -> e.getValue().is(UnitKind.COUPLER))
                .mapToInt(e -> hops.number(e.getKey()))
                .toArray();
        TreeSet<Double> all = new TreeSet<>();
        plan.devices().values().forEach(d -> all.add(Chance.target(d.criticality())));
        targets = all.stream().mapToDouble(Double::doubleValue).toArray();
        jobs.forEach((id, list) -> device(id, plan.devices().get(id), list, stuck.get(id), alone));
        spoken = new boolean[nodes.size()];
        ops = nodes.stream().map(Node::op).toArray(Op[]::new);
        parts = nodes.stream().map(Node::parts).toArray(int[][]::new);
        whats = nodes.stream().mapToInt(Node::what).toArray();
        for (int i = 0; i < spoken.length; i++) {
            Node node = nodes.get(i);
            spoken[i] = node.op == Op.REACHES
                    || (node.op == Op.ALL || node.op == Op.ANY)
                            && Arrays.stream(node.parts).anyMatch(p -> spoken[p]);
        }
        strongNodes = new int[targets.length][];
        for (int t = 0; t < targets.length; t++) {
            boolean[] wanted = new boolean[nodes.size()];
            for (JobNode job : allJobs) {
                if (job.target == t) {
                    job.ways.forEach(w -> wanted[w.node] = true);
                }
            }
            for (int i = wanted.length - 1; i >= 0; i--) {
                if (wanted[i] && nodes.get(i).op != Op.NOT) {
                    for (int part : nodes.get(i).parts) {
                        wanted[part] = true;
                    }
                }
            }
            strongNodes[t] = IntStream.range(0, wanted.length)
                    .filter(i -> wanted[i] && spoken[i])
                    .toArray();
        }
    }

    private int number(String component) {
        return numbers.computeIfAbsent(component, k -> {
            components.add(k);
            return components.size() - 1;
        });
    }

    private Feed feed(String unit, Source source) {
        return switch (source.source()) {
            case BATTERY -> null;
            case MAINS ->
                new Feed(
                        source.circuit() == null ? ANY_CIRCUIT : circuits.indexOf(source.circuit()),
                        -1,
                        new int[0],
                        true);
            case SUPPLY ->
                source.from() == null
                        ? null
                        : new Feed(0, hops.number(source.from()), new int[] {number(Component.feed(unit))}, false);
            case ETHERNET ->
                source.from() == null
                        ? null
                        : new Feed(
                                0,
                                hops.number(source.from()),
                                feeds.cables(unit, source.from()).stream()
                                        .mapToInt(link -> number(Component.link(link)))
                                        .toArray(),
                                false);
        };
    }

    private int[] powerOrder() {
        int n = sources.length;
        int[] order = new int[n];
        boolean[] done = new boolean[n];
        int[] filled = {0};
        for (int u = 0; u < n; u++) {
            visit(u, done, order, filled);
        }
        return order;
    }

    private void visit(int unit, boolean[] done, int[] order, int[] filled) {
        if (done[unit]) {
            return;
        }
        done[unit] = true;
        for (Feed feed : sources[unit]) {
            if (!feed.mains) {
                visit(feed.from, done, order, filled);
            } else if (feed.circuit != ANY_CIRCUIT && circuitFrom[feed.circuit] >= 0) {
                visit(circuitFrom[feed.circuit], done, order, filled);
            }
        }
        order[filled[0]++] = unit;
    }

    private void device(String id, Device device, List<JobWays> list, Formula stuck, Predicate<Device> alone) {
        int target = Arrays.binarySearch(targets, Chance.target(device.criticality()));
        if (device.criticality() == Criticality.VITAL) {
            vital.put(id, alone.test(device) ? hops.number(device.unit()) : -1);
        }
        List<JobNode> compiled = new ArrayList<>();
        int stops = stuck == null ? -1 : node(stuck);
        for (JobWays job : list) {
            List<WayNode> ways = new ArrayList<>();
            for (PlannedWay way : job.ways()) {
                ways.add(new WayNode(way.atHand(), node(way.formula())));
            }
            boolean opens = job.job() == Job.KEEP_OUT && device.outsideDoor() && device.guards() && job.gone() != null;
            compiled.add(new JobNode(
                    id,
                    job.job(),
                    ways,
                    new Position(job.rest() == null ? -1 : node(job.rest()), opens ? node(job.gone()) : -1, stops),
                    target,
                    job.job() == Job.LET_OUT && device.exitRoute()));
        }
        jobs.put(id, compiled);
        allJobs.addAll(compiled);
    }

    private int node(Formula formula) {
        Integer known = byIdentity.get(formula);
        if (known == null) {
            ComputingBudget.step();
            known = made(formula);
            byIdentity.put(formula, known);
        }
        return known;
    }

    private int made(Formula formula) {
        if (formula instanceof All all) {
            return together(Op.ALL, all.parts());
        }
        if (formula instanceof Any any) {
            return together(Op.ANY, any.parts());
        }
        if (formula instanceof Not not) {
            return intern(Op.NOT, new int[] {node(not.power())}, 0);
        }
        if (formula instanceof Needs needs) {
            return intern(Op.NEEDS, new int[0], number(needs.component()));
        }
        if (formula instanceof Up up) {
            return intern(Op.UP, new int[0], hops.number(up.unit()));
        }
        if (formula instanceof Powered powered) {
            return intern(Op.POWERED, new int[0], hops.number(powered.unit()));
        }
        if (formula instanceof Live live) {
            return intern(Op.LIVE, new int[0], live.circuit() == null ? ANY_CIRCUIT : circuits.indexOf(live.circuit()));
        }
        return formula instanceof Reaches reaches ? reach(reaches) : intern(Op.NEVER, new int[0], 0);
    }

    private int together(Op op, List<Formula> parts) {
        int[] numbers = parts.stream().mapToInt(this::node).distinct().toArray();
        return numbers.length == 1 ? numbers[0] : intern(op, numbers, 0);
    }

    private int intern(Op op, int[] parts, int what) {
        List<Integer> key = new ArrayList<>(parts.length + 2);
        key.add(op.ordinal());
        key.add(what);
        for (int part : parts) {
            key.add(part);
        }
        return interned.computeIfAbsent(key, k -> {
            nodes.add(new Node(op, parts, what));
            return nodes.size() - 1;
        });
    }

    private int reach(Reaches reaches) {
        int from = hops.number(reaches.from());
        int to = hops.number(reaches.to());
        if (from == to) {
            return intern(Op.UP, new int[0], from);
        }
        var unit = plan.units().get(reaches.from());
        boolean outward = unit.is(UnitKind.HUB) || unit.is(UnitKind.GATEWAY) || unit.is(UnitKind.PANEL);
        int kind = (outward ? 2 : 0) + (reaches.direct() ? 1 : 0);
        int end = outward ? from : to;
        int search = searchNumbers.computeIfAbsent(List.of(end, kind), k -> {
            searches.add(new Search(end, spread(outward, reaches.direct()), new TreeSet<>()));
            return searches.size() - 1;
        });
        searches.get(search).wanted.add(outward ? to : from);
        return intern(Op.REACHES, new int[0], reachNumbers.computeIfAbsent(new Reach(from, to, search), k -> {
            this.reaches.add(k);
            return this.reaches.size() - 1;
        }));
    }

    private Spread spread(boolean outward, boolean direct) {
        int kind = (outward ? 2 : 0) + (direct ? 1 : 0);
        if (spreads[kind] == null) {
            spreads[kind] = new Spread(this, outward, direct);
        }
        return spreads[kind];
    }

    /** The number of the pair of units that a step over the mains wires joins. */
    int carrier(int one, int other) {
        return carrierNumbers.computeIfAbsent((long) one << 32 | other, k -> {
            List<int[]> ways = new ArrayList<>();
            PowerLine.joins(plan, plan.units().get(hops.unit(one)), plan.units().get(hops.unit(other)))
                    .forEach(join -> ways.add(new int[] {
                        join.here() == null ? ANY_CIRCUIT : circuits.indexOf(join.here()),
                        join.there() == null ? ANY_CIRCUIT : circuits.indexOf(join.there()),
                        join.samePhase() ? 0 : 1
                    }));
            carriers.add(new Carrier(ways));
            return carriers.size() - 1;
        });
    }

    /**
     * Where messages go from each unit, by the medium over which they came to it: steps from one such state to another.
     *
     * <p>Steps of a mesh are counted only where there are more units in it than steps allowed.
     */
    static final class Spread {
        private static final int G9959_HOPS = 5;
        private static final int MESH_802154_HOPS = 30;

        /** By state: its unit, its medium, the most steps within its mesh (1 where they need not be counted). */
        final int[] unit;

        final Medium[] medium;
        final int[] levels;

        /** The states of a unit. */
        final int[][] of;

        /** Whether messages end in a state: it is looked at only where somebody asks for its unit. */
        final boolean[] ends;

        /** Steps to states that do not end: those from each state, then those with which a search from a unit begins. */
        final int[][] steps;

        final int[][] first;

        /** Steps to each state that ends, and by step the state that it starts from, or -1 where a search begins. */
        final int[][] into;

        final int[] from;

        /** By step. */
        final int[] to;

        final int[] link;
        final int[] carrier;
        final double[] worth;
        final boolean[] within;

        /** Whether the unit that passes it on must be up. */
        final boolean[] needsUp;

        /** The unit that it starts from. */
        final int[] at;

        /** A step from a unit, and the medium over which came what it passes on, or null where it begins. */
        private record Made(int from, int state, Hop hop, Medium over) {}

        Spread(OutageProgram program, boolean outward, boolean direct) {
            Hops hops = program.hops;
            int n = hops.size();
            List<EnumMap<Medium, Integer>> states = new ArrayList<>();
            List<int[]> list = new ArrayList<>();
            for (int u = 0; u < n; u++) {
                states.add(new EnumMap<>(Medium.class));
            }
            for (int u = 0; u < n; u++) {
                for (Hop hop : outward ? hops.hearing(u) : hops.heardBy(u)) {
                    states.get(hop.at()).computeIfAbsent(hop.medium(), m -> {
                        list.add(new int[] {hop.at(), m.ordinal()});
                        return list.size() - 1;
                    });
                }
            }
            int count = list.size();
            unit = new int[count];
            medium = new Medium[count];
            levels = new int[count];
            ends = new boolean[count];
            Map<Medium, Integer> repeaters = new EnumMap<>(Medium.class);
            for (int s = 0; s < count; s++) {
                unit[s] = list.get(s)[0];
                medium[s] = Medium.values()[list.get(s)[1]];
                ends[s] = hops.ends(unit[s], medium[s]);
                if (!ends[s]) {
                    repeaters.merge(medium[s], 1, Integer::sum);
                }
            }
            for (int s = 0; s < count; s++) {
                int most = medium[s] == Medium.MESH_G9959 ? G9959_HOPS : MESH_802154_HOPS;
                // no way is longer than over all repeaters to one that ends
                levels[s] = medium[s].mesh() && repeaters.getOrDefault(medium[s], 0) + 1 > most ? most : 1;
            }
            of = new int[n][];
            for (int u = 0; u < n; u++) {
                of[u] = states.get(u).values().stream()
                        .mapToInt(Integer::intValue)
                        .toArray();
            }
            List<Made> made = new ArrayList<>();
            for (int u = 0; u < n; u++) {
                steps(program, made, u, -1, null, outward, direct);
            }
            for (int s = 0; s < count; s++) {
                ComputingBudget.step();
                if (!ends[s]) {
                    steps(program, made, unit[s], s, medium[s], outward, direct);
                }
            }
            int m = made.size();
            to = new int[m];
            from = new int[m];
            link = new int[m];
            carrier = new int[m];
            worth = new double[m];
            within = new boolean[m];
            needsUp = new boolean[m];
            at = new int[m];
            List<List<Integer>> begin = lists(n);
            List<List<Integer>> on = lists(count);
            List<List<Integer>> last = lists(count);
            for (int i = 0; i < m; i++) {
                Made step = made.get(i);
                Hop hop = step.hop;
                at[i] = step.from;
                from[i] = step.state;
                to[i] = states.get(hop.at()).get(hop.medium());
                link[i] = hop.link() == null ? -1 : program.number(Component.link(hop.link()));
                carrier[i] = hop.medium() == Medium.POWER_LINE ? program.carrier(at[i], hop.at()) : -1;
                worth[i] = hop.worth();
                within[i] = step.over == hop.medium() && hop.medium().mesh();
                needsUp[i] = step.over == Medium.RS485 && hop.medium() != Medium.RS485;
                (ends[to[i]] ? last.get(to[i]) : from[i] < 0 ? begin.get(at[i]) : on.get(from[i])).add(i);
            }
            first = arrays(begin);
            steps = arrays(on);
            into = arrays(last);
        }

        private static List<List<Integer>> lists(int count) {
            return IntStream.range(0, count)
                    .<List<Integer>>mapToObj(i -> new ArrayList<>())
                    .toList();
        }

        private static int[][] arrays(List<List<Integer>> lists) {
            return lists.stream()
                    .map(l -> l.stream().mapToInt(Integer::intValue).toArray())
                    .toArray(int[][]::new);
        }

        private static void steps(
                OutageProgram program,
                List<Made> made,
                int from,
                int state,
                Medium over,
                boolean outward,
                boolean direct) {
            Hops hops = program.hops;
            for (Hop hop : outward ? hops.hearing(from) : hops.heardBy(from)) {
                if (over == null || passes(hops, from, over, hop.medium(), outward, direct)) {
                    made.add(new Made(from, state, hop, over));
                }
            }
        }

        private static boolean passes(Hops hops, int unit, Medium over, Medium hop, boolean outward, boolean direct) {
            return over == Medium.RS485 && hop == Medium.RS485
                    || hops.passes(unit, outward ? over : hop, outward ? hop : over, direct);
        }
    }
}
