package org.skelto.core.plan.equipment;

/** How the switch at hand works. */
public enum HandControl {
    /** A button that springs back. */
    PUSH,
    /** A switch that stays as it was left. */
    LATCH
}
