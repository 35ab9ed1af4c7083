package org.skelto.core.site;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.skelto.core.plan.Building;
import org.skelto.core.plan.Floor;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Room;
import org.skelto.core.plan.Side;

/**
 * Cuts the sides of the rooms of one floor into wall pieces, so that a wall between two rooms counts once. Sides lie on
 * the same line when they agree to a centimetre. Where the two rooms say different constructions, the thicker one
 * stands, as it would on site.
 */
final class WallPieces {
    private record Edge(double fromM, double toM, String construction, String owner) {}

    private final Map<Long, List<Edge>> alongX = new TreeMap<>();
    private final Map<Long, List<Edge>> alongY = new TreeMap<>();

    private WallPieces() {}

    static List<WallPiece> of(String floorId, Floor floor, Building building, Map<String, Room> rooms) {
        WallPieces cutter = new WallPieces();
        rooms.forEach((id, room) -> cutter.add(id, room, building));
        double footM = building.zM() + floor.baseM();
        List<WallPiece> pieces = new ArrayList<>();
        cutter.alongX.forEach((y, edges) -> cut(
                edges,
                (from, to, edge, owners) -> pieces.add(new WallPiece(
                        floorId, from, y / 100.0, to, y / 100.0, footM, footM + floor.heightM(), edge, owners))));
        cutter.alongY.forEach((x, edges) -> cut(
                edges,
                (from, to, edge, owners) -> pieces.add(new WallPiece(
                        floorId, x / 100.0, from, x / 100.0, to, footM, footM + floor.heightM(), edge, owners))));
        return pieces;
    }

    private void add(String id, Room room, Building building) {
        double west = building.xM() + room.xM();
        double south = building.yM() + room.yM();
        double east = west + room.widthM();
        double north = south + room.depthM();
        put(alongX, north, west, east, id, room, Side.NORTH);
        put(alongX, south, west, east, id, room, Side.SOUTH);
        put(alongY, east, south, north, id, room, Side.EAST);
        put(alongY, west, south, north, id, room, Side.WEST);
    }

    private static void put(
            Map<Long, List<Edge>> lines, double at, double from, double to, String id, Room room, Side side) {
        String owner = Pointers.of("rooms", id, "walls", side.name().toLowerCase(java.util.Locale.ROOT));
        lines.computeIfAbsent(Math.round(at * 100), k -> new ArrayList<>())
                .add(new Edge(centimetres(from), centimetres(to), room.walls().on(side), owner));
    }

    private static double centimetres(double metres) {
        return Math.round(metres * 100) / 100.0;
    }

    private interface PieceSink {
        void piece(double fromM, double toM, String construction, List<String> owners);
    }

    private static void cut(List<Edge> edges, PieceSink sink) {
        TreeSet<Double> ends = new TreeSet<>();
        edges.forEach(e -> {
            ends.add(e.fromM());
            ends.add(e.toM());
        });
        Double from = null;
        for (Double to : ends) {
            if (from != null) {
                double left = from;
                List<Edge> here = edges.stream()
                        .filter(e -> e.fromM() <= left && e.toM() >= to)
                        .toList();
                if (!here.isEmpty()) {
                    sink.piece(
                            left,
                            to,
                            stands(here),
                            here.stream().map(Edge::owner).toList());
                }
            }
            from = to;
        }
    }

    private static String stands(List<Edge> edges) {
        return edges.stream()
                .map(Edge::construction)
                .max(Comparator.comparingDouble(
                                (String id) -> Constructions.of(id).thicknessM())
                        .thenComparing(Comparator.naturalOrder()))
                .orElseThrow();
    }
}
