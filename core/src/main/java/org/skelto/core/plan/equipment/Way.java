package org.skelto.core.plan.equipment;

/** A planned way to operate or to learn about a device, besides the hand. */
public enum Way {
    /** A push-button wired to the same controller, or reaching it through the hub. */
    WALL_CONTROL,
    RULE,
    HOME_APP,
    AWAY_APP,
    SPOKEN,
    /** A message to a person's phone. */
    MESSAGE,
    /** The device acts alone, from its own sensor. */
    ALONE
}
