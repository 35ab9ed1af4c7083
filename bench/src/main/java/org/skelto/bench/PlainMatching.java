package org.skelto.bench;

import java.util.Collection;
import java.util.HashSet;
import java.util.Set;
import org.jgrapht.alg.matching.KuhnMunkresMinimalWeightBipartitePerfectMatching;
import org.jgrapht.graph.DefaultWeightedEdge;
import org.jgrapht.graph.SimpleWeightedGraph;

/** Assignment by the matching of a graph library; rows that are missing to a square cost nothing. */
final class PlainMatching {
    private static final double OFF = 2e5;

    private PlainMatching() {}

    static double all(Collection<double[][]> costs) {
        return costs.stream()
                .filter(c -> c.length > 0)
                .mapToDouble(PlainMatching::one)
                .sum();
    }

    private static double one(double[][] cost) {
        var graph = new SimpleWeightedGraph<Integer, DefaultWeightedEdge>(DefaultWeightedEdge.class);
        Set<Integer> rows = new HashSet<>();
        Set<Integer> columns = new HashSet<>();
        int size = cost[0].length;
        for (int i = 0; i < size; i++) {
            rows.add(i);
            columns.add(-1 - i);
            graph.addVertex(i);
            graph.addVertex(-1 - i);
        }
        for (int r = 0; r < size; r++) {
            for (int c = 0; c < size; c++) {
                graph.setEdgeWeight(graph.addEdge(r, -1 - c), r < cost.length ? cost[r][c] + OFF : 0);
            }
        }
        double sum = new KuhnMunkresMinimalWeightBipartitePerfectMatching<>(graph, rows, columns)
                .getMatching()
                .getWeight();
        return sum - OFF * cost.length;
    }
}
