package org.skelto.core.plan.network;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Otherwise;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;
import org.skelto.core.plan.radio.Medium;

/**
 * A link from the unit further out to the unit nearer the hub.
 *
 * @param from id of the unit that reports
 * @param to id of the unit that it reaches
 * @param direction {@link Direction#ONE_WAY} means that only {@code from} speaks
 * @param lengthM length of the cable along its route, metres, or null to estimate it; for {@link Medium#ETHERNET} only
 * @param why why it was chosen, in words, or null
 */
public record Link(
        @IdOf(value = "units", what = "a unit") String from,
        @IdOf(value = "units", what = "a unit") String to,
        Medium medium,
        @Otherwise("TWO_WAY") Direction direction,

        @Nullable @Within(least = 0, most = 100_000, unit = "m")
        Double lengthM,

        @Nullable @Words(most = Limits.TEXT_LENGTH) String why) {
    public Link {
        direction = direction == null ? Direction.TWO_WAY : direction;
    }

    public boolean twoWay() {
        return direction == Direction.TWO_WAY;
    }
}
