package org.skelto.core.plan.power;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Within;

/**
 * The cable that brings a unit its low voltage.
 *
 * @param cable id of its part in the catalogue, or null when not chosen
 * @param lengthM 0 to 5000 m, or null to estimate it
 * @param fuseA rating of what protects it, 0.01 to 200 A, or null when there is nothing
 */
public record Feed(
        @Nullable @Matches(value = Matches.PART, says = Matches.NOT_A_PART)
        String cable,

        @Nullable @Within(least = 0, most = 5000, unit = "m")
        Double lengthM,

        @Nullable @Within(least = 0.01, most = 200, unit = "A")
        Double fuseA) {}
