package org.skelto.core.plan.network;

import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.site.WallWork;

/**
 * By which rule addresses are given.
 *
 * @param floors the block of the boards of a floor, by its id
 * @param resting addresses of what was removed, with the day from which they may be given again
 * @param families first hosts of families that are not the usual ones
 * @param restDays how long an address rests after what had it is removed, 0 to 365; null means {@value #USUAL_DAYS}
 */
public record Addressing(
        @Count(most = 100) Map<@IdOf(value = "floors", what = "a floor") String, AddressBlock> floors,

        @Count(most = 3000)
        Map<
                        @Matches(value = Matches.IPV4, says = Matches.NOT_AN_ADDRESS) String,
                        @Matches(value = "[0-9]{4}-[0-9]{2}-[0-9]{2}", says = WallWork.NO_DAY) String>
                resting,

        @Nullable @Within(least = 0, most = 365, unit = "days")
        Integer restDays,

        Map<AddressFamily, @Within(least = 1, most = 65_534) Integer> families) {
    /** As long as most leases are remembered by what asks for them. */
    public static final int USUAL_DAYS = 14;

    /** Nothing but the families. */
    public static final Addressing USUAL = new Addressing(Map.of(), Map.of(), null, Map.of());

    public Addressing {
        floors = Copies.sorted(floors);
        resting = Copies.sorted(resting);
        families = Copies.sorted(families);
    }

    /** First host of a family. */
    public int first(AddressFamily family) {
        return families.getOrDefault(family, family.first());
    }

    /** The days that an address rests. */
    public int days() {
        return restDays == null ? USUAL_DAYS : restDays;
    }

    /** The same with other addresses at rest. */
    public Addressing resting(Map<String, String> others) {
        return new Addressing(floors, others, restDays, families);
    }
}
