package org.skelto.core.plan.equipment;

/** How much hangs on a device. */
public enum Criticality {
    COMFORT,
    /** Daily, must be usable by hand. */
    ROUTINE,
    /** Guards property: locks, alarm, frost, flood. */
    PROTECTIVE,
    /** Life safety: must act alone. */
    VITAL
}
