package org.skelto.core.plan.equipment;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.radio.Medium;

/**
 * A part in the drawer, at no cost.
 *
 * @param kind the unit it would be, or null for other parts
 * @param medium the radio it brings, or null
 * @param count 1 to 10 000
 * @param part id of the part in the catalogue that it is, or null when it is none of them
 */
public record OwnedPart(
        @Name String name,
        @Nullable UnitKind kind,
        @Nullable Medium medium,
        @Within(least = 1, most = 10_000) int count,

        @Nullable @Matches(value = Matches.PART, says = Matches.NOT_A_PART)
        String part) {}
