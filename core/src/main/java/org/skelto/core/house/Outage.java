package org.skelto.core.house;

import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What is supposed to have failed, and the moment that is looked at.
 *
 * @param without ids of components
 * @param lastsH how long it lasts, hours, 0 to {@link #LONGEST_H}; null looks at the moment after it began, when nothing has run down
 * @param from when it begins, or null
 * @param atH the moment looked at, hours after it began, 0 to {@code lastsH}
 */
public record Outage(
        Set<String> without,
        @Nullable Double lastsH,
        @Nullable LocalDateTime from,
        double atH) {
    /** The longest outage that is worked out: a year. */
    public static final double LONGEST_H = 8784;

    public Outage {
        without = Set.copyOf(without);
        if (lastsH != null && !(lastsH >= 0 && lastsH <= LONGEST_H)) {
            throw new IllegalArgumentException("An outage lasts 0 to " + LONGEST_H + " h");
        }
        if (!(atH >= 0 && atH <= (lastsH == null ? 0 : lastsH))) {
            throw new IllegalArgumentException("The moment lies within the outage");
        }
    }

    /** The moment after these components have gone. */
    public static Outage of(Set<String> without) {
        return new Outage(without, null, null, 0);
    }

    /** The same with other components. */
    public Outage without(Set<String> others) {
        return new Outage(others, lastsH, from, atH);
    }

    /** The same at another moment. */
    public Outage at(double hours) {
        return new Outage(without, lastsH, from, hours);
    }

    double horizonH() {
        return lastsH == null ? 0 : lastsH;
    }

    /** A moment in words: "after 2 h 10 min", or by the clock where it is said when the outage begins. */
    public String when(double hours) {
        return from == null
                ? "after " + words(hours)
                : "at " + from.plusSeconds(Math.round(hours * 3600)).format(DateTimeFormatter.ofPattern("d.M. HH:mm"));
    }

    /** A span in words: "2 h 10 min", "3 days". */
    public static String words(double hours) {
        long minutes = Math.round(hours * 60);
        if (minutes >= 72 * 60) {
            return Math.round(hours / 24) + " days";
        }
        return minutes < 60
                ? minutes + " min"
                : minutes / 60 + " h" + (minutes % 60 == 0 ? "" : " " + minutes % 60 + " min");
    }
}
