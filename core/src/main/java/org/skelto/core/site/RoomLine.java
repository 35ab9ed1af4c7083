package org.skelto.core.site;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Feet;
import org.skelto.core.plan.Measures;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.site.Construction;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Room;
import org.skelto.core.work.ComputingBudget;

/**
 * Reads a typed room such as {@code scullery 6.2x4.8 @ 7,0 brick} or {@code scullery 20'6"x16'}: a name, width by depth in
 * the plan's measures or with feet and inches written out, the south-west corner, and the start of a construction's name or id. Corner and construction may be left out. A name that is in the
 * plan on the same floor changes that room.
 */
public final class RoomLine {
    private static final Pattern LINE =
            Pattern.compile("(?<name>.+?)\\s+(?<w>" + Feet.LENGTH + ")\\s*[x×]\\s*(?<d>" + Feet.LENGTH + ")"
                    + "(?:\\s*@\\s*(?<x>-?\\d+(?:\\.\\d+)?)\\s*,\\s*(?<y>-?\\d+(?:\\.\\d+)?))?(?:\\s+(?<wall>\\S.*))?");

    private static final int LONGEST = 200;

    private RoomLine() {}

    /** A line that cannot be read, with what to do about it. */
    public static final class UnreadableLine extends Exception {
        private static final long serialVersionUID = 1L;

        UnreadableLine(String message) {
            super(message);
        }
    }

    /** The edits that a typed line asks for. */
    public static List<Edit> read(String line, String floor, Plan plan) throws UnreadableLine {
        ComputingBudget.step();
        String text = line.strip();
        Matcher matcher = LINE.matcher(text);
        if (text.length() > LONGEST || !matcher.matches()) {
            throw new UnreadableLine("Write a name, width x depth and, if you like, @ x,y and a wall: "
                    + "\"scullery 6.2x4.8 @ 7,0 brick\".");
        }
        String name = matcher.group("name").strip();
        String wall = matcher.group("wall");
        String construction = wall == null ? null : construction(wall.strip(), plan);
        double[] corner = corner(matcher, floor, plan);
        String existing = existing(name, floor, plan);
        Room old = existing == null ? null : plan.rooms().get(existing);
        boolean moves = old == null || matcher.group("x") != null;
        Measures measures = plan.measures();
        double widthM = within("The width", matcher.group("w"), Limits.ROOM_LEAST_M, Limits.ROOM_MOST_M, measures);
        double depthM = within("The depth", matcher.group("d"), Limits.ROOM_LEAST_M, Limits.ROOM_MOST_M, measures);
        double xM = moves ? corner[0] : old.bounds().westM();
        double yM = moves ? corner[1] : old.bounds().southM();
        Room typed = Room.rectangle(floor, name, xM, yM, widthM, depthM, construction, null);
        Room room = old == null ? typed : reshaped(old, typed, construction == null);
        String id = existing == null
                ? Slugs.free(Slugs.slug(name, "room"), plan.rooms().keySet())
                : existing;
        return List.of(
                existing == null
                        ? Edit.add(Pointers.of("rooms", id), room)
                        : Edit.replace(Pointers.of("rooms", id), room));
    }

    /** A rectangular room that is typed again keeps its walls; one of another outline becomes a rectangle. */
    private static Room reshaped(Room old, Room typed, boolean keepWalls) {
        boolean sameWalls = keepWalls && old.corners().size() == 4;
        return old.shaped(typed.corners(), sameWalls ? old.walls() : keepWalls ? usual(old) : typed.walls());
    }

    private static List<String> usual(Room old) {
        return Collections.nCopies(4, old.walls().get(0));
    }

    private static String existing(String name, String floor, Plan plan) {
        return plan.rooms().entrySet().stream()
                .filter(e -> e.getValue().floor().equals(floor))
                .filter(e -> e.getValue().name().equalsIgnoreCase(name))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
    }

    /** Where it says, or to the east of what is there. */
    private static double[] corner(Matcher matcher, String floor, Plan plan) throws UnreadableLine {
        if (matcher.group("x") != null) {
            return new double[] {
                within("East", matcher.group("x"), -Limits.LOCAL_M, Limits.LOCAL_M, plan.measures()),
                within("North", matcher.group("y"), -Limits.LOCAL_M, Limits.LOCAL_M, plan.measures())
            };
        }
        double east = plan.rooms().values().stream()
                .filter(r -> r.floor().equals(floor))
                .mapToDouble(r -> r.bounds().eastM())
                .max()
                .orElse(0);
        return new double[] {Corner.cm(east), 0};
    }

    private static double within(String what, String digits, double least, double most, Measures measures)
            throws UnreadableLine {
        double value = Feet.metres(digits, measures);
        if (value < least || value > most) {
            throw new UnreadableLine(what + " must lie between " + number(least) + " and " + number(most) + " m, not "
                    + digits.substring(0, Math.min(digits.length(), 12)) + ".");
        }
        return value;
    }

    private static String number(double metres) {
        return metres == Math.rint(metres) ? Long.toString((long) metres) : Double.toString(metres);
    }

    private static String construction(String typed, Plan plan) throws UnreadableLine {
        String wanted = typed.toLowerCase(Locale.ROOT);
        Map<String, Construction> walls = new LinkedHashMap<>(plan.everyConstruction());
        walls.values().removeIf(Construction::slab);
        return walls.entrySet().stream()
                .filter(c -> c.getKey().startsWith(wanted)
                        || c.getValue().name().toLowerCase(Locale.ROOT).startsWith(wanted))
                .findFirst()
                .map(Map.Entry::getKey)
                .orElseThrow(() -> new UnreadableLine(
                        "\"" + typed + "\" is no wall of the list. It has " + String.join(", ", walls.keySet()) + "."));
    }
}
