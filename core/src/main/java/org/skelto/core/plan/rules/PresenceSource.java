package org.skelto.core.plan.rules;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Id;

/**
 * One thing by which presence shows.
 *
 * @param device id of the device that sees somebody ({@link Kind#DEVICE}), or null
 */
public record PresenceSource(Kind kind, @Nullable @Id String device) {
    /** What is looked at. */
    public enum Kind {
        /** A phone is in the network of the house; phones sleep. */
        PHONE_IN_NETWORK,
        /** A phone says where it is, by a service outside. */
        PHONE_LOCATION,
        /** A motion sensor, beam, contact or button. */
        DEVICE,
        /** A lock that was worked from inside or outside. */
        LOCK_WORKED
    }
}
