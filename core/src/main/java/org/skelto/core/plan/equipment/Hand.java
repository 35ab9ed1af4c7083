package org.skelto.core.plan.equipment;

/** How a device can be worked at hand, without any controller. */
public enum Hand {
    NONE,
    /** A switch in its circuit: works as long as the circuit is live. */
    SWITCH,
    /** A key, a crank, a handle: works always. */
    MECHANICAL
}
