package org.skelto.core.plan.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.DayOfWeek;
import java.util.SortedSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Id;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;

/**
 * What must be so for a rule to act, or must not be so.
 *
 * @param not whether the opposite is meant
 * @param device id of the device ({@link Kind#IS}, {@link Kind#VALUE}), or null
 * @param reading that it has ({@link Kind#IS})
 * @param above value that it is over ({@link Kind#VALUE}), −1 000 000 to 1 000 000 in the unit of the device, or null
 * @param below value that it is under, or null
 * @param from time of day ({@link Kind#BETWEEN}), as 22:00
 * @param to time of day; before {@code from} it is that of the next day
 * @param days of the week on which the window begins; empty means every day
 * @param mode id of the mode of the house ({@link Kind#MODE})
 * @param value that the mode has
 * @param rule id of the rule whose timed action still holds ({@link Kind#HOLDS})
 */
@RecordBuilder
public record Term(
        Kind kind,
        boolean not,
        @Nullable @Id String device,
        @Nullable Reading reading,

        @Nullable @Within(least = -1_000_000, most = 1_000_000)
        Double above,

        @Nullable @Within(least = -1_000_000, most = 1_000_000)
        Double below,

        @Nullable @Matches(value = Rule.CLOCK, says = Rule.NO_CLOCK)
        String from,

        @Nullable @Matches(value = Rule.CLOCK, says = Rule.NO_CLOCK)
        String to,

        SortedSet<DayOfWeek> days,
        @Nullable @Id String mode,
        @Nullable @Words(most = Limits.NAME_LENGTH) String value,
        @Nullable @Id String rule)
        implements TermBuilder.With {
    /** What is looked at. */
    public enum Kind {
        /** A device has a reading. */
        IS,
        /** A measured value lies over or under a bound. */
        VALUE,
        /** The clock and the day of the week. */
        BETWEEN,
        /** The sun is down. */
        DARK,
        /** A mode of the house has a value. */
        MODE,
        /** Somebody is at home. */
        HOME,
        /** What another rule switched for a time has not gone back yet. */
        HOLDS
    }

    public Term {
        days = Copies.sorted(days);
    }
}
