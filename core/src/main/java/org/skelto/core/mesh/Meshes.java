package org.skelto.core.mesh;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.jgrapht.alg.flow.PushRelabelMFImpl;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleDirectedWeightedGraph;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.work.ComputingBudget;

/**
 * Looks at the meshes of a plan: a forecast that keeps something in hand, where the model of the house says what works at all. A
 * pair counts when both directions have the margin of a routine link. Who repeats is the same as there: what has steady power,
 * unless its radio says no. Routes have the fewest hops and, among those, the best weakest hop.
 */
public final class Meshes {
    /** Hops to plan for in an IEEE 802.15.4 mesh, which allows 30. */
    private static final int HOPS_802154 = 5;

    /** Hops that the four repeaters of ITU-T G.9959 make. */
    private static final int HOPS_G9959 = 5;

    private final Medium medium;
    private final Map<String, Unit> units = new TreeMap<>();
    private final Map<String, Map<String, Double>> heard = new LinkedHashMap<>();
    private final List<MeshReport.Edge> edges = new ArrayList<>();

    private Meshes(Plan plan, Medium medium, List<MeshReport.Edge> pairs) {
        this.medium = medium;
        plan.units().forEach((id, u) -> {
            if (u.place() != null && u.radio(medium).isPresent()) {
                units.put(id, u);
                heard.put(id, new TreeMap<>());
            }
        });
        for (MeshReport.Edge pair : pairs) {
            ComputingBudget.step();
            if (passes(units.get(pair.one())) || passes(units.get(pair.other()))) {
                heard.get(pair.one()).merge(pair.other(), pair.marginDb(), Math::max);
                heard.get(pair.other()).merge(pair.one(), pair.marginDb(), Math::max);
                edges.add(pair);
            }
        }
        edges.sort(Comparator.comparing(MeshReport.Edge::one).thenComparing(MeshReport.Edge::other));
    }

    /**
     * One report for each mesh medium that has units.
     *
     * @param pairs placed units with radios of a medium that hear each other with the margin of a routine link, each pair once
     * @param separate whether to count the routes that share no repeater; else those are 0
     */
    public static List<MeshReport> of(Plan plan, Map<Medium, List<MeshReport.Edge>> pairs, boolean separate) {
        List<MeshReport> reports = new ArrayList<>();
        for (Medium medium : Medium.values()) {
            ComputingBudget.step();
            if (medium.mesh()) {
                Meshes mesh = new Meshes(plan, medium, pairs.getOrDefault(medium, List.of()));
                if (!mesh.units.isEmpty()) {
                    reports.add(mesh.report(separate));
                }
            }
        }
        return reports;
    }

    /** What a mesh ends at, or what says again what it hears. */
    private boolean passes(Unit unit) {
        return unit.sink() || unit.repeats(medium);
    }

    private MeshReport report(boolean separate) {
        Map<String, List<String>> routes = routes(Set.of());
        List<MeshReport.Node> nodes = new ArrayList<>();
        units.forEach((id, unit) -> {
            List<String> route = routes.getOrDefault(id, List.of());
            nodes.add(new MeshReport.Node(
                    id,
                    unit.sink(),
                    passes(unit),
                    route,
                    route.size() < 2 ? null : bottleneck(route),
                    !separate || unit.sink() || route.isEmpty() ? 0 : disjoint(id)));
        });
        return new MeshReport(
                medium, nodes, edges, cuts(routes), medium == Medium.MESH_G9959 ? HOPS_G9959 : HOPS_802154);
    }

    private double bottleneck(List<String> route) {
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i + 1 < route.size(); i++) {
            least = Math.min(least, heard.get(route.get(i)).get(route.get(i + 1)));
        }
        return least;
    }

    /** The route of every unit that has one, without these units; layer by layer out from the gateways. */
    private Map<String, List<String>> routes(Set<String> gone) {
        Map<String, List<String>> routes = new HashMap<>();
        Map<String, Double> weakest = new HashMap<>();
        List<String> layer = new ArrayList<>();
        units.forEach((id, unit) -> {
            if (unit.sink() && !gone.contains(id)) {
                routes.put(id, List.of(id));
                weakest.put(id, Double.POSITIVE_INFINITY);
                layer.add(id);
            }
        });
        List<String> now = layer;
        while (!now.isEmpty()) {
            Map<String, String> next = new TreeMap<>();
            Map<String, Double> margins = new HashMap<>();
            for (String at : now) {
                ComputingBudget.step();
                if (!passes(units.get(at))) {
                    continue;
                }
                heard.get(at).forEach((to, margin) -> {
                    double through = Math.min(margin, weakest.get(at));
                    if (!routes.containsKey(to)
                            && !gone.contains(to)
                            && through > margins.getOrDefault(to, Double.NEGATIVE_INFINITY)) {
                        margins.put(to, through);
                        next.put(to, at);
                    }
                });
            }
            next.forEach((to, via) -> {
                List<String> route = new ArrayList<>(List.of(to));
                route.addAll(routes.get(via));
                routes.put(to, List.copyOf(route));
                weakest.put(to, margins.get(to));
            });
            now = List.copyOf(next.keySet());
        }
        return routes;
    }

    private List<MeshReport.Cut> cuts(Map<String, List<String>> routes) {
        Set<String> used = new HashSet<>();
        routes.values().forEach(route -> used.addAll(route.subList(1, route.size())));
        List<MeshReport.Cut> cuts = new ArrayList<>();
        used.stream().sorted().forEach(id -> {
            Set<String> left = reachable(id);
            List<String> loses = routes.keySet().stream()
                    .filter(other -> !other.equals(id) && !left.contains(other))
                    .sorted()
                    .toList();
            if (!loses.isEmpty()) {
                cuts.add(new MeshReport.Cut(id, loses));
            }
        });
        cuts.sort(Comparator.comparingInt(c -> -c.loses().size()));
        return cuts;
    }

    private Set<String> reachable(String without) {
        Set<String> seen = new HashSet<>();
        Deque<String> open = new ArrayDeque<>();
        units.forEach((id, unit) -> {
            if (unit.sink() && !id.equals(without)) {
                open.add(id);
                seen.add(id);
            }
        });
        while (!open.isEmpty()) {
            ComputingBudget.step();
            String at = open.remove();
            if (passes(units.get(at))) {
                heard.get(at).keySet().stream()
                        .filter(to -> !to.equals(without) && seen.add(to))
                        .forEach(open::add);
            }
        }
        return seen;
    }

    /** Routes from a unit to the gateways that share no unit between: the greatest flow when each passes one unit. */
    private int disjoint(String from) {
        ComputingBudget.step();
        var graph = new SimpleDirectedWeightedGraph<String, DefaultWeightedEdge>(DefaultWeightedEdge.class);
        graph.addVertex("out " + from);
        graph.addVertex("sink");
        units.forEach((id, unit) -> {
            if (!id.equals(from) && passes(unit)) {
                graph.addVertex("in " + id);
                graph.addVertex("out " + id);
                // several routes may end at one gateway
                double most = unit.sink() ? units.size() : 1;
                graph.setEdgeWeight(graph.addEdge("in " + id, "out " + id), most);
                if (unit.sink()) {
                    graph.setEdgeWeight(graph.addEdge("out " + id, "sink"), most);
                }
            }
        });
        heard.forEach((id, others) -> {
            if (graph.containsVertex("out " + id)) {
                others.keySet().stream()
                        .filter(to -> graph.containsVertex("in " + to))
                        .forEach(to -> graph.setEdgeWeight(graph.addEdge("out " + id, "in " + to), 1));
            }
        });
        return (int) Math.round(new PushRelabelMFImpl<>(graph).calculateMaximumFlow("out " + from, "sink"));
    }
}
