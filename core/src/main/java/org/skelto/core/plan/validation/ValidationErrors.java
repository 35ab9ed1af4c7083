package org.skelto.core.plan.validation;

import java.util.ArrayList;
import java.util.List;
import org.skelto.core.plan.format.Limits;

/** Collects the problems of a document; at most {@value #MOST} are kept. */
final class ValidationErrors {
    private static final int MOST = 50;

    private final List<Problem> problems = new ArrayList<>();

    List<Problem> problems() {
        return List.copyOf(problems);
    }

    boolean none() {
        return problems.isEmpty();
    }

    void add(CharSequence pointer, String message) {
        if (problems.size() < MOST) {
            problems.add(new Problem(pointer.toString(), message));
        }
    }

    void within(CharSequence pointer, double value, double least, double most, String unit) {
        if (!Double.isFinite(value)) {
            add(pointer, "must be a finite number");
        } else if (value < least || value > most) {
            add(pointer, "must lie between " + plain(least) + " and " + plain(most) + unit + ", not " + plain(value));
        }
    }

    void name(CharSequence pointer, String name) {
        if (name == null || name.isBlank()) {
            add(pointer, "needs a name");
        } else {
            text(pointer, name, Limits.NAME_LENGTH);
        }
    }

    void text(CharSequence pointer, String text, int longest) {
        if (text.length() > longest) {
            add(pointer, "is longer than " + longest + " characters");
        } else if (text.chars().anyMatch(c -> c < 0x20 && c != '\n' && c != '\t' || c == 0x7f)) {
            add(pointer, "holds control characters");
        }
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
