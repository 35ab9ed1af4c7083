package org.skelto.core.plan.site;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;

/**
 * A cable that is in the wall already.
 *
 * @param from id of the fitting at one end, or null when it ends nowhere yet
 * @param to id of the fitting at the other end, or null
 * @param kind in words, such as "twisted pair" or "two-core 1.5 mm²"
 * @param pairs pairs or cores it has, 1 to 200
 * @param freePairs of them not in use
 */
public record Cable(
        @Name String name,

        @Nullable @IdOf(value = "fittings", what = "a fitting")
        String from,

        @Nullable @IdOf(value = "fittings", what = "a fitting")
        String to,

        @Nullable @Words(most = Limits.NAME_LENGTH) String kind,
        @Within(least = 1, most = 200) int pairs,
        @Within(least = 0, most = 200) int freePairs) {}
