package org.skelto.core.plan.power;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Words;

/**
 * A state that a sleeping unit goes through in each cycle.
 *
 * @param name in words
 * @param currentMa 0 to 50 000 mA
 * @param durationMs 0 to 86 400 000 ms
 * @param kind what it does meanwhile, or null when nobody said
 */
public record Pulse(
        @Nullable @Words(most = Limits.NAME_LENGTH) String name,
        @Within(least = 0, most = 50_000, unit = "mA") double currentMa,
        @Within(least = 0, most = 86_400_000, unit = "ms") double durationMs,
        @Nullable Kind kind) {
    /** What the unit does meanwhile. */
    public enum Kind {
        SENSE,
        /** Its radio sends; where the message is known, it lasts as long as that takes. */
        SEND,
        /** Its radio listens. */
        LISTEN,
        OTHER
    }

    /** A state of which only current and duration matter. */
    public Pulse(String name, double currentMa, double durationMs) {
        this(name, currentMa, durationMs, null);
    }

    /** The same for another time. */
    public Pulse lasting(double otherMs) {
        return new Pulse(name, currentMa, otherMs, kind);
    }
}
