package org.skelto.core.plan.power;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.IdOf;

/**
 * A further source of power beside the first.
 *
 * @param circuit id of the mains circuit, for {@link PowerSource#MAINS}
 * @param from id of the unit that feeds it, for {@link PowerSource#ETHERNET} and {@link PowerSource#SUPPLY}
 */
public record Source(
        PowerSource source,

        @Nullable @IdOf(value = "circuits", what = "a circuit")
        String circuit,

        @Nullable @IdOf(value = "units", what = "a unit") String from) {
    /** Whether it gives power all day, unlike cells. */
    public boolean steady() {
        return source != PowerSource.BATTERY;
    }
}
