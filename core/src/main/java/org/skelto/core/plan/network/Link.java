package org.skelto.core.plan.network;

import io.soabase.recordbuilder.core.RecordBuilder;
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
 * @param lengthM length of the cable along its route, metres, or null to estimate it; for cables only
 * @param why why it was chosen, in words, or null
 * @param input number of the input of {@code to} that a contact is wired to, 1 to 64, or null when nobody said; for {@link Medium#CONTACT}
 * @param joined how several contacts share one input, or null where it is alone there; for {@link Medium#CONTACT}
 */
@RecordBuilder
public record Link(
        @IdOf(value = "units", what = "a unit") String from,
        @IdOf(value = "units", what = "a unit") String to,
        Medium medium,
        @Otherwise("TWO_WAY") Direction direction,

        @Nullable @Within(least = 0, most = 100_000, unit = "m")
        Double lengthM,

        @Nullable @Words(most = Limits.TEXT_LENGTH) String why,
        @Nullable @Within(least = 1, most = 64) Integer input,
        @Nullable Joined joined)
        implements LinkBuilder.With {
    /** How contacts share one input. */
    public enum Joined {
        /** One that opens is felt. */
        SERIES,
        /** One that closes is felt. */
        PARALLEL
    }

    /** A link that is no wired contact. */
    public static Link of(
            String from,
            String to,
            Medium medium,
            @Nullable Direction direction,
            @Nullable Double lengthM,
            @Nullable String why) {
        return LinkBuilder.builder()
                .from(from)
                .to(to)
                .medium(medium)
                .direction(direction == null ? Direction.TWO_WAY : direction)
                .lengthM(lengthM)
                .why(why)
                .build();
    }

    public Link {
        direction = medium != null && medium.oneWay()
                ? Direction.ONE_WAY
                : direction == null ? Direction.TWO_WAY : direction;
    }

    /** Whether a unit is one of its ends. */
    public boolean joins(String unit) {
        return from.equals(unit) || to.equals(unit);
    }

    /** The end that is not this one. */
    public String other(String end) {
        return from.equals(end) ? to : from;
    }

    public boolean twoWay() {
        return direction == Direction.TWO_WAY;
    }
}
