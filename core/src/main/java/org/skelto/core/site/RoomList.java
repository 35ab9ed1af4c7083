package org.skelto.core.site;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Room;
import org.skelto.core.work.ComputingBudget;

/**
 * Reads a list of rooms, a line each: as {@link RoomLine} has it, or as rows of a spreadsheet with name, width and depth and
 * if known east, north and wall in cells of their own. Rooms without a corner are packed beside each other into a first
 * layout near a square, to be dragged right; rooms that are there already stay where they are.
 */
public final class RoomList {
    /** Lines of a list at most. */
    public static final int MOST = 200;

    private static final Pattern HEAD = Pattern.compile("(?i)\\s*(room|name)s?\\s*[\\t;].*");
    private static final Pattern POSITION = Pattern.compile("@\\s*-?\\d");

    private RoomList() {}

    /** A line that cannot be read, by its number from 1. */
    public static final class UnreadableList extends Exception {
        private static final long serialVersionUID = 1L;

        private final int line;

        UnreadableList(int line, String message) {
            super(message);
            this.line = line;
        }

        public int line() {
            return line;
        }
    }

    /** The edits that a list asks for; empty lines and a heading are passed over. */
    public static List<Edit> read(String text, String floor, Plan plan) throws UnreadableList {
        ComputingBudget.step();
        String[] lines = text.split("\\R", -1);
        if (lines.length > MOST) {
            throw new UnreadableList(MOST + 1, "A list may have at most " + MOST + " lines.");
        }
        Map<String, Room> typed = new TreeMap<>();
        List<String> order = new ArrayList<>();
        Set<String> toPack = new HashSet<>();
        for (int i = 0; i < lines.length; i++) {
            if (lines[i].isBlank() || i == 0 && HEAD.matcher(lines[i]).matches()) {
                continue;
            }
            String line = asLine(lines[i]);
            try {
                Edit edit = RoomLine.read(line, floor, plan).get(0);
                String id = edit.path().substring(edit.path().lastIndexOf('/') + 1);
                if (typed.containsKey(id)) {
                    id = Slugs.free(id, union(plan.rooms().keySet(), typed.keySet()));
                }
                typed.put(id, (Room) edit.value());
                order.add(id);
                if (!POSITION.matcher(line).find() && !plan.rooms().containsKey(id)) {
                    toPack.add(id);
                }
            } catch (RoomLine.UnreadableLine e) {
                throw new UnreadableList(i + 1, e.getMessage());
            }
        }
        pack(typed, order, toPack, floor, plan);
        List<Edit> edits = new ArrayList<>();
        for (String id : order) {
            // on an object, "add" also replaces
            edits.add(Edit.add(Pointers.of("rooms", id), typed.get(id)));
        }
        return edits;
    }

    private static Set<String> union(Set<String> one, Set<String> other) {
        Set<String> both = new HashSet<>(one);
        both.addAll(other);
        return both;
    }

    /** Cells of a spreadsheet's row written as a typed line. */
    private static String asLine(String row) {
        String[] cells = row.split("[\\t;]");
        if (cells.length < 3) {
            return row.strip();
        }
        String line = cells[0].strip() + " " + number(cells[1]) + "x" + number(cells[2]);
        if (cells.length >= 5 && !cells[3].isBlank() && !cells[4].isBlank()) {
            line += " @ " + number(cells[3]) + "," + number(cells[4]);
        }
        return cells.length >= 6 && !cells[5].isBlank() ? line + " " + cells[5].strip() : line;
    }

    private static String number(String cell) {
        Matcher unit = Pattern.compile("\\s*m\\s*$").matcher(cell.strip());
        return unit.replaceAll("").strip().replace(',', '.');
    }

    /** Shelves of rooms, deepest first, about as wide in all as they are deep, to the east of what is there. */
    private static void pack(Map<String, Room> typed, List<String> order, Set<String> toPack, String floor, Plan plan) {
        double area = 0;
        double widest = 0;
        for (String id : toPack) {
            Bounds b = typed.get(id).bounds();
            area += b.widthM() * b.depthM();
            widest = Math.max(widest, b.widthM());
        }
        double shelf = Math.max(widest, Math.sqrt(area) * 1.15);
        double start = plan.rooms().values().stream()
                .filter(r -> r.floor().equals(floor))
                .mapToDouble(r -> r.bounds().eastM())
                .max()
                .orElse(0);
        Map<String, Integer> rank = new HashMap<>();
        order.forEach(id -> rank.put(id, rank.size()));
        List<String> sorted = toPack.stream()
                .sorted(java.util.Comparator.comparingDouble(
                                (String id) -> -typed.get(id).bounds().depthM())
                        .thenComparing(rank::get))
                .toList();
        double x = 0;
        double y = 0;
        double deep = 0;
        for (String id : sorted) {
            Bounds b = typed.get(id).bounds();
            if (x > 0 && x + b.widthM() > shelf + 1e-9) {
                x = 0;
                y += deep;
                deep = 0;
            }
            double toX = Math.min(Limits.LOCAL_M, start + x);
            typed.put(id, moved(typed.get(id), toX - b.westM(), y - b.southM()));
            x += b.widthM();
            deep = Math.max(deep, b.depthM());
        }
    }

    private static Room moved(Room room, double dx, double dy) {
        List<Corner> corners = room.corners().stream()
                .map(c -> new Corner(Corner.cm(c.xM() + dx), Corner.cm(c.yM() + dy)))
                .toList();
        return room.shaped(corners, room.walls());
    }
}
