package org.skelto.core.plan.validation;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.site.Place;

/** Collects the problems of a document; at most {@value #MOST} are kept. */
final class ValidationErrors {
    private static final int MOST = 50;
    private static final Pattern ID = Pattern.compile("[A-Za-z0-9][A-Za-z0-9_.-]*");

    private final List<Problem> problems = new ArrayList<>();

    List<Problem> problems() {
        return List.copyOf(problems);
    }

    void add(String pointer, String message) {
        if (problems.size() < MOST) {
            problems.add(new Problem(pointer, message));
        }
    }

    void required(String pointer, Object value) {
        if (value == null) {
            add(pointer, "is missing");
        }
    }

    void within(String pointer, double value, double least, double most, String unit) {
        if (!Double.isFinite(value)) {
            add(pointer, "must be a finite number");
        } else if (value < least || value > most) {
            add(pointer, "must lie between " + plain(least) + " and " + plain(most) + unit + ", not " + plain(value));
        }
    }

    void withinOrNull(String pointer, Double value, double least, double most, String unit) {
        if (value != null) {
            within(pointer, value, least, most, unit);
        }
    }

    void withinOrNull(String pointer, Integer value, int least, int most, String unit) {
        if (value != null) {
            within(pointer, value.doubleValue(), least, most, unit);
        }
    }

    void name(String pointer, String name) {
        if (name == null || name.isBlank()) {
            add(pointer, "needs a name");
        } else {
            text(pointer, name, Limits.NAME_LENGTH);
        }
    }

    void text(String pointer, String text, int longest) {
        if (text == null) {
            return;
        }
        if (text.length() > longest) {
            add(pointer, "is longer than " + longest + " characters");
        } else if (text.chars().anyMatch(c -> c < 0x20 && c != '\n' && c != '\t' || c == 0x7f)) {
            add(pointer, "holds control characters");
        }
    }

    void known(String pointer, String id, Map<String, ?> map, String what) {
        if (id == null) {
            add(pointer, "is missing: it names " + what);
        } else if (!map.containsKey(id)) {
            add(pointer, "names " + what + " that is not in the plan: \"" + shown(id) + "\"");
        }
    }

    void knownOrNull(String pointer, String id, Map<String, ?> map, String what) {
        if (id != null) {
            known(pointer, id, map, what);
        }
    }

    /** Checks size and ids of a map; true when its entries are worth looking at. */
    boolean map(String name, Map<String, ?> map, int most) {
        String pointer = Pointers.of(name);
        if (map.size() > most) {
            add(pointer, "holds " + map.size() + " entries; at most " + most + " are allowed");
            return false;
        }
        map.forEach((id, value) -> {
            if (!ID.matcher(id).matches() || id.length() > Limits.ID_LENGTH) {
                add(
                        Pointers.of(name, shown(id)),
                        "is not an id: use 1 to " + Limits.ID_LENGTH + " letters, digits, '-', '_' or '.'");
            }
            if (value == null) {
                add(Pointers.of(name, shown(id)), "is null");
            }
        });
        return map.values().stream().noneMatch(java.util.Objects::isNull);
    }

    void place(String at, Place place, Plan plan) {
        if (place == null) {
            return;
        }
        knownOrNull(at + "/room", place.room(), plan.rooms(), "a room");
        knownOrNull(at + "/spot", place.spot(), plan.spots(), "a spot");
        if (place.room() != null && place.spot() != null) {
            add(at, "names both a room and a spot");
        }
        within(at + "/xM", place.xM(), -Limits.LOCAL_M, Limits.LOCAL_M, " m");
        within(at + "/yM", place.yM(), -Limits.LOCAL_M, Limits.LOCAL_M, " m");
        within(at + "/heightM", place.heightM(), -10, 100, " m");
    }

    static String shown(String id) {
        return id.length() <= Limits.ID_LENGTH ? id : id.substring(0, Limits.ID_LENGTH) + "…";
    }

    private static String plain(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e15
                ? Long.toString((long) value)
                : Double.toString(value);
    }
}
