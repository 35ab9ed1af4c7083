package org.skelto.core.plan;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Within;

/**
 * What the plan may cost.
 *
 * @param currency three letters, such as EUR
 * @param budget 0 to 1e9, or null when there is none
 * @param spareShare of each small part that is bought too many, 0 to 1; 0 for no spares
 * @param energyPrice of one kilowatt-hour, 0 to 100
 * @param hourPrice of one hour of the person's own work, 0 to 10 000
 */
public record Money(
        @Matches(value = "[A-Z]{3}", says = "is not three capital letters such as EUR")
        String currency,

        @Nullable @Within(least = 0, most = 1e9) Double budget,
        @Within(least = 0, most = 1) double spareShare,
        @Within(least = 0, most = 100) double energyPrice,
        @Within(least = 0, most = 10_000) double hourPrice) {
    /** What holds while nobody has said anything. */
    public static final Money USUAL = new Money("EUR", null, 0, 0.3, 0);
}
