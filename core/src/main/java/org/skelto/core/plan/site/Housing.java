package org.skelto.core.plan.site;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Within;

/**
 * A wall box or enclosure that units are mounted in.
 *
 * @param part id of its part in the catalogue, or null when not chosen
 * @param closed whether it can no longer be reached once the wall is closed
 * @param riseK measured rise of the air inside over the air outside, with everything on; null when not measured
 */
public record Housing(
        @Name String name,

        @Nullable @Matches(value = Matches.PART, says = Matches.NOT_A_PART)
        String part,

        boolean closed,
        @Nullable @Within(least = 0, most = 100, unit = "K") Double riseK) {}
