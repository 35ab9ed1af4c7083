package org.skelto.core.plan.equipment;

/** How a device wants to be driven. */
public enum Drive {
    /** On as long as its contact is closed. */
    MAINTAINED,
    /** Moves or opens while its contact is held for a moment. */
    MOMENTARY,
    /** Each pulse starts, stops or reverses it in turn. */
    SINGLE_PULSE,
    /** One contact for each direction. */
    TWO_WAY
}
