package org.skelto.core.plan.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.DayOfWeek;
import java.util.SortedSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Id;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Within;

/**
 * Hours in which nothing is to sound.
 *
 * @param rooms ids of the rooms that they hold for; empty means the whole house
 * @param from time of day, as 22:00
 * @param to time of day; before {@code from} it is that of the next day
 * @param days of the week on which they begin; empty means every day
 * @param fromMonth first month of the season, 1 to 12, or null for the whole year
 * @param toMonth last month of the season; before {@code fromMonth} it is that of the next year
 */
@RecordBuilder
public record QuietHours(
        @Name String name,
        SortedSet<@Id String> rooms,

        @Matches(value = Rule.CLOCK, says = Rule.NO_CLOCK) String from,

        @Matches(value = Rule.CLOCK, says = Rule.NO_CLOCK) String to,

        SortedSet<DayOfWeek> days,
        @Nullable @Within(least = 1, most = 12) Integer fromMonth,
        @Nullable @Within(least = 1, most = 12) Integer toMonth)
        implements QuietHoursBuilder.With {
    public QuietHours {
        rooms = Copies.sorted(rooms);
        days = Copies.sorted(days);
    }
}
