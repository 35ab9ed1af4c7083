package org.skelto.core.plan.rules;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Within;

/**
 * How the house knows that somebody is at home: by a vote of sources of which none is sure.
 *
 * @param sources what is looked at
 * @param votes how many must say so, 1 to 20, or null for one
 * @param holdMin minutes for which a source counts after it last spoke, 0 to 1440, or null for ten
 */
public record Presence(
        @Count(most = 20, of = "sources") List<PresenceSource> sources,
        @Nullable @Within(least = 1, most = 20) Integer votes,

        @Nullable @Within(least = 0, most = 1440, unit = "min")
        Integer holdMin) {
    public Presence {
        sources = sources == null ? List.of() : Copies.list(sources);
    }
}
