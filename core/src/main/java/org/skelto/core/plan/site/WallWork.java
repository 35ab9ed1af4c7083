package org.skelto.core.plan.site;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Matches;

/**
 * Whether cables can still go into the walls.
 *
 * @param open whether the walls are open now
 * @param closesOn the day on which they close, as 2027-03-31, or null
 */
public record WallWork(
        boolean open,

        @Nullable @Matches(value = "[0-9]{4}-[0-9]{2}-[0-9]{2}", says = WallWork.NO_DAY)
        String closesOn) {
    /** What is said of a text that names no day. */
    public static final String NO_DAY = "is not a day such as 2027-03-31";
}
