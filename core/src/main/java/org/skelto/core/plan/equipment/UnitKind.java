package org.skelto.core.plan.equipment;

/** What a unit is: anything with a place that is powered or talks. */
public enum UnitKind {
    CONTROLLER,
    /** A device with a radio of its own: a sensor, a lock, a siren. */
    SELF_CONTAINED,
    ROUTER,
    SWITCH,
    ACCESS_POINT,
    GATEWAY,
    HUB,
    /** An alarm panel with zones and outputs. */
    PANEL,
    /** Makes low voltage for others: a supply, a transformer, a converter, a backup. */
    SUPPLY;

    /** Whether it belongs to the network itself, rather than hanging at its end. */
    public boolean collects() {
        return this != CONTROLLER && this != SELF_CONTAINED && this != PANEL && this != SUPPLY;
    }

    /** Whether devices are connected to its terminals. */
    public boolean drives() {
        return this == CONTROLLER || this == PANEL;
    }
}
