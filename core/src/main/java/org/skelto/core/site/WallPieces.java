package org.skelto.core.site;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.site.Building;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.Opening;
import org.skelto.core.plan.site.Room;
import org.skelto.core.work.ComputingBudget;

/**
 * Cuts the walls of the rooms of one floor into pieces, so that a wall between two rooms counts once, and the pieces
 * with their openings into panels. Walls lie on the same line when both ends agree to a centimetre. Where the rooms say
 * different constructions, the thicker one stands, as it would on site.
 */
final class WallPieces {
    /** Lines and ends nearer than this are the same, metres. */
    private static final double SAME_M = 0.01;

    /** A wall of a room, placed along the line that it lies on. */
    private record Edge(double fromM, double toM, String construction, String owner) {}

    /** An opening along the line that it lies on; heights above the site's datum. */
    private record Hole(double fromM, double toM, double sillZM, double headZM, String construction) {}

    /** A line that walls lie on, from its origin in its direction. */
    private static final class Line {
        private final double ox;
        private final double oy;
        private final double dx;
        private final double dy;
        private final List<Edge> edges = new ArrayList<>();
        private final List<Hole> holes = new ArrayList<>();

        Line(double ax, double ay, double bx, double by) {
            double length = Math.hypot(bx - ax, by - ay);
            boolean turned = bx < ax || bx == ax && by < ay;
            ox = ax;
            oy = ay;
            dx = (turned ? ax - bx : bx - ax) / length;
            dy = (turned ? ay - by : by - ay) / length;
        }

        boolean holds(double x, double y) {
            return Math.abs((x - ox) * dy - (y - oy) * dx) < SAME_M;
        }

        double along(double x, double y) {
            return (x - ox) * dx + (y - oy) * dy;
        }

        double x(double along) {
            return tidy(ox + along * dx);
        }

        double y(double along) {
            return tidy(oy + along * dy);
        }

        private static double tidy(double metres) {
            return Math.round(metres * 10_000) / 10_000.0;
        }
    }

    private final Plan plan;
    private final String floorId;
    private final double footM;
    private final double headM;
    private final List<Line> lines = new ArrayList<>();
    private final List<WallPiece> pieces = new ArrayList<>();
    private final List<Panel> panels = new ArrayList<>();
    private final List<WallGap> gaps = new ArrayList<>();

    private WallPieces(Plan plan, String floorId, Floor floor, Building building) {
        this.plan = plan;
        this.floorId = floorId;
        this.footM = building.zM() + floor.baseM();
        this.headM = footM + floor.heightM();
    }

    static WallPieces of(
            Plan plan, String floorId, Floor floor, Building building, Map<String, Room> rooms, List<String> openings) {
        ComputingBudget.step();
        WallPieces cutter = new WallPieces(plan, floorId, floor, building);
        rooms.forEach((id, room) -> cutter.add(id, room, building));
        openings.forEach(id -> cutter.add(id, plan.openings().get(id), building));
        cutter.lines.forEach(cutter::cut);
        return cutter;
    }

    List<WallPiece> pieces() {
        return pieces;
    }

    List<Panel> panels() {
        return panels;
    }

    List<WallGap> gaps() {
        return gaps;
    }

    private void add(String id, Room room, Building building) {
        List<Corner> corners = room.corners();
        for (int i = 0; i < corners.size(); i++) {
            Corner a = corners.get(i);
            Corner b = corners.get((i + 1) % corners.size());
            Line line = line(
                    building.xM() + a.xM(), building.yM() + a.yM(), building.xM() + b.xM(), building.yM() + b.yM());
            double one = line.along(building.xM() + a.xM(), building.yM() + a.yM());
            double other = line.along(building.xM() + b.xM(), building.yM() + b.yM());
            String owner = Pointers.of("rooms", id, "walls", Integer.toString(i));
            line.edges.add(new Edge(
                    Math.min(one, other), Math.max(one, other), room.walls().get(i), owner));
        }
    }

    private Line line(double ax, double ay, double bx, double by) {
        for (Line line : lines) {
            if (line.holds(ax, ay) && line.holds(bx, by)) {
                return line;
            }
        }
        Line line = new Line(ax, ay, bx, by);
        lines.add(line);
        return line;
    }

    /** An opening is as long as its wall allows; beyond the wall's ends there is none. */
    private void add(String id, Opening opening, Building building) {
        Room room = plan.rooms().get(opening.room());
        Corner a = room.corners().get(opening.wall());
        Corner b = room.corners().get((opening.wall() + 1) % room.corners().size());
        double ax = building.xM() + a.xM();
        double ay = building.yM() + a.yM();
        double bx = building.xM() + b.xM();
        double by = building.yM() + b.yM();
        double length = Math.hypot(bx - ax, by - ay);
        double from = Math.max(0, opening.atM()) / length;
        double to = Math.min(length, opening.atM() + opening.widthM()) / length;
        if (to <= from) {
            return;
        }
        Line line = line(ax, ay, bx, by);
        double one = line.along(ax + from * (bx - ax), ay + from * (by - ay));
        double other = line.along(ax + to * (bx - ax), ay + to * (by - ay));
        double low = Math.min(one, other);
        double high = Math.max(one, other);
        double sill = Math.min(headM, footM + opening.sillM());
        double head = Math.min(headM, footM + opening.headM());
        line.holes.add(new Hole(low, high, sill, head, opening.construction()));
        gaps.add(WallGapBuilder.builder()
                .opening(id)
                .floor(floorId)
                .kind(opening.kind())
                .axM(line.x(low))
                .ayM(line.y(low))
                .bxM(line.x(high))
                .byM(line.y(high))
                .build());
    }

    private void cut(Line line) {
        List<Double> ends = ends(line.edges);
        for (int i = 0; i + 1 < ends.size(); i++) {
            double from = ends.get(i);
            double to = ends.get(i + 1);
            double middle = (from + to) / 2;
            List<Edge> here = line.edges.stream()
                    .filter(e -> e.fromM() < middle && e.toM() > middle)
                    .toList();
            if (!here.isEmpty()) {
                String construction = stands(here);
                pieces.add(WallPieceBuilder.builder()
                        .floor(floorId)
                        .axM(line.x(from))
                        .ayM(line.y(from))
                        .bxM(line.x(to))
                        .byM(line.y(to))
                        .fromZM(footM)
                        .toZM(headM)
                        .construction(construction)
                        .owners(here.stream().map(Edge::owner).toList())
                        .build());
                panels(line, from, to, construction);
            }
        }
    }

    /** All ends along a line in order, those that are the same taken together. */
    private static List<Double> ends(List<Edge> edges) {
        List<Double> sorted = edges.stream()
                .flatMap(e -> java.util.stream.Stream.of(e.fromM(), e.toM()))
                .sorted()
                .toList();
        List<Double> ends = new ArrayList<>();
        for (double end : sorted) {
            if (ends.isEmpty() || end - ends.get(ends.size() - 1) >= SAME_M) {
                ends.add(end);
            }
        }
        return ends;
    }

    private void panels(Line line, double from, double to, String wall) {
        ComputingBudget.step();
        List<Double> cuts = new ArrayList<>(List.of(from, to));
        for (Hole hole : line.holes) {
            java.util.stream.Stream.of(hole.fromM(), hole.toM())
                    .filter(at -> at > from && at < to)
                    .forEach(cuts::add);
        }
        cuts.sort(Comparator.naturalOrder());
        for (int i = 0; i + 1 < cuts.size(); i++) {
            double left = cuts.get(i);
            double right = cuts.get(i + 1);
            if (right > left) {
                stack(line, left, right, wall);
            }
        }
    }

    /** From the foot up: wall, opening, wall. */
    private void stack(Line line, double from, double to, String wall) {
        ComputingBudget.step();
        double middle = (from + to) / 2;
        double z = footM;
        List<Hole> holes = line.holes.stream()
                .filter(h -> h.fromM() < middle && h.toM() > middle)
                .sorted(Comparator.comparingDouble(Hole::sillZM).thenComparing(Hole::headZM))
                .toList();
        for (Hole hole : holes) {
            panel(line, from, to, z, hole.sillZM(), wall);
            panel(line, from, to, Math.max(z, hole.sillZM()), hole.headZM(), hole.construction());
            z = Math.max(z, hole.headZM());
        }
        panel(line, from, to, z, headM, wall);
    }

    private void panel(Line line, double from, double to, double footZ, double headZ, String construction) {
        ComputingBudget.step();
        if (headZ > footZ && !plan.construction(construction).open()) {
            panels.add(PanelBuilder.builder()
                    .floor(floorId)
                    .axM(line.x(from))
                    .ayM(line.y(from))
                    .bxM(line.x(to))
                    .byM(line.y(to))
                    .fromZM(footZ)
                    .toZM(headZ)
                    .construction(construction)
                    .build());
        }
    }

    private String stands(List<Edge> edges) {
        return edges.stream()
                .map(Edge::construction)
                .max(Comparator.comparingDouble(
                                (String id) -> plan.construction(id).thicknessM())
                        .thenComparing(Comparator.naturalOrder()))
                .orElseThrow();
    }
}
