package org.skelto.core.mesh;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.radio.Medium;

/**
 * A mesh looked at.
 *
 * @param nodes every placed unit with a radio of this medium
 * @param edges pairs that hear each other with their margin in both directions
 * @param cuts repeaters whose loss cuts others off
 * @param mostHops hops that a route should not exceed
 */
public record MeshReport(Medium medium, List<Node> nodes, List<Edge> edges, List<Cut> cuts, int mostHops) {
    /**
     * A unit of the mesh.
     *
     * @param repeats whether it passes messages on: a gateway or hub, or what repeats
     * @param route ids from this unit to a gateway, itself first; empty when there is none
     * @param bottleneckDb margin of the weakest hop of the route, or null without one
     * @param disjoint routes to gateways that share no repeater
     */
    public record Node(
            String unit,
            boolean gateway,
            boolean repeats,
            List<String> route,
            @Nullable Double bottleneckDb,
            int disjoint) {
        public int hops() {
            return Math.max(0, route.size() - 1);
        }
    }

    /** Two units that hear each other; margin of the worse direction, dB. */
    public record Edge(String one, String other, double marginDb) {}

    /** A unit and those that have no route without it. */
    public record Cut(String unit, List<String> loses) {}
}
