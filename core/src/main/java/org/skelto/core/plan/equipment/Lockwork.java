package org.skelto.core.plan.equipment;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Within;

/**
 * What matters about a lock besides its drive.
 *
 * @param gapMm between door and frame, 0 to 30 mm, or null when not measured
 * @param offsetMm of the bolt against its hole, 0 to 30 mm, or null when not measured
 * @param doorContact whether a contact tells that the door is shut
 * @param key whether a key opens it from outside, or null when nobody said
 */
public record Lockwork(
        @Nullable @Within(least = 0, most = 30, unit = "mm") Double gapMm,
        @Nullable @Within(least = 0, most = 30, unit = "mm") Double offsetMm,
        boolean doorContact,
        @Nullable Boolean key) {
    /** A lock of whose key nothing is said. */
    public Lockwork(@Nullable Double gapMm, @Nullable Double offsetMm, boolean doorContact) {
        this(gapMm, offsetMm, doorContact, null);
    }

    /** Whether a key opens it from outside. */
    public boolean hasKey() {
        return Boolean.TRUE.equals(key);
    }
}
