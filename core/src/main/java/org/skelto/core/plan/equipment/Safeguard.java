package org.skelto.core.plan.equipment;

/** What stands beside a device so that a fault of its controller hurts nobody; none of them hangs on the controller. */
public enum Safeguard {
    /** Switches it off by itself: a thermal cut-out, a float, a dry-run switch. */
    LIMITER,
    /** A button on the way out that breaks the supply of a held lock by wire. */
    WIRED_RELEASE,
    /** The fire alarm breaks the supply of a held lock by wire. */
    FIRE_RELEASE,
    /** A light or sound before and while it moves. */
    WARNING,
    /** Ends its sound by itself after the time that the law allows. */
    CUT_OFF,
    /** No sprinkler or hydrant hangs behind it. */
    NO_SPRINKLER
}
