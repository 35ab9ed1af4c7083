package org.skelto.core.plan;

/** What a unit is: anything with a place that is powered or talks. */
public enum UnitKind {
    CONTROLLER,
    /** A device with a radio of its own: a sensor, a lock, a siren. */
    SELF_CONTAINED,
    ROUTER,
    SWITCH,
    ACCESS_POINT,
    GATEWAY,
    HUB;

    /** Whether it belongs to the network itself, rather than hanging at its end. */
    public boolean collects() {
        return this != CONTROLLER && this != SELF_CONTAINED;
    }
}
