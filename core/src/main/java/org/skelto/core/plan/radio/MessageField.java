package org.skelto.core.plan.radio;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Within;

/**
 * A field of a radio message.
 *
 * @param name in words
 * @param least smallest value of a {@link Kind#VALUE}, or null
 * @param most largest value, or null
 * @param step between two values that can be told apart, above 0, or null
 * @param bits of a field of any other kind, 1 to 64, or null for what is usual
 */
public record MessageField(
        @Name String name,
        Kind kind,
        @Nullable @Within(least = -1e12, most = 1e12) Double least,
        @Nullable @Within(least = -1e12, most = 1e12) Double most,
        @Nullable @Within(least = 1e-09, most = 1e12) Double step,
        @Nullable @Within(least = 1, most = 64) Integer bits) {
    /** How many bits it takes; a value takes as many as tell all its steps apart. */
    public int width() {
        if (kind == Kind.VALUE && least != null && most != null && step != null) {
            double values = Math.floor((most - least) / step + 1e-9) + 1;
            return Math.max(1, 64 - Long.numberOfLeadingZeros((long) values - 1));
        }
        if (bits != null) {
            return bits;
        }
        return kind == Kind.FLAG ? 1 : kind == Kind.CHECK ? 16 : 8;
    }

    /** What it says. */
    public enum Kind {
        /** Which unit sends. */
        NODE_ID,
        /** Counts messages, so that a repeat is known as one. */
        COUNTER,
        /** A reading within a range. */
        VALUE,
        /** Something that is on or off, open or shut. */
        FLAG,
        /** Shows that the message was not changed on its way. */
        CHECK
    }
}
