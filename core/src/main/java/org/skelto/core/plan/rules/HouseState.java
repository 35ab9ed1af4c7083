package org.skelto.core.plan.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Id;
import org.skelto.core.plan.format.Words;

/**
 * What rules know of the house besides its devices: its modes, who is at home, whom it tells, when it is to be quiet.
 *
 * @param zone name of the time zone, as in the zone database ("Europe/Vienna"), or null for the whole hour nearest to the
 *     sun at the place, without daylight saving
 * @param modes values that the house remembers, by id
 * @param presence how it knows that somebody is at home, or null while nothing tells
 * @param people roles of those who are told, by id
 * @param quiet hours in which nothing is to sound, by id
 * @param screens what the house is worked with, by id
 */
@RecordBuilder
public record HouseState(
        @Nullable @Words(most = 60) String zone,
        @Count(most = 50) Map<@Id String, Mode> modes,
        @Nullable Presence presence,
        @Count(most = 50) Map<@Id String, Person> people,
        @Count(most = 50) Map<@Id String, QuietHours> quiet,
        @Count(most = 50) Map<@Id String, Screen> screens)
        implements HouseStateBuilder.With {
    /** Nothing said yet. */
    public static final HouseState NONE = new HouseState(null, Map.of(), null, Map.of(), Map.of(), Map.of());

    public HouseState {
        modes = Copies.sorted(modes);
        people = Copies.sorted(people);
        quiet = Copies.sorted(quiet);
        screens = Copies.sorted(screens);
    }
}
