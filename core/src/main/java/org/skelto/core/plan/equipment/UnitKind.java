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
    SUPPLY,
    /** Keys at a door or on a wall. */
    KEYPAD,
    /** Push-buttons that people carry. */
    HANDSET,
    /** A screen on the wall that shows the house and works it. */
    WALL_TABLET,
    /** A box that is spoken to, and asks a service. */
    ASSISTANT,
    /** A camera with a network connection of its own. */
    CAMERA,
    /** Keeps what cameras see: a recorder or a file server. */
    RECORDER,
    /** Works things by infrared light, as their own handsets do. */
    INFRARED_SENDER,
    /** Carries power-line messages from one phase to the others. */
    COUPLER;

    /** Whether it belongs to the network itself, rather than hanging at its end. */
    public boolean collects() {
        return switch (this) {
            case ROUTER, SWITCH, ACCESS_POINT, GATEWAY, HUB -> true;
            default -> false;
        };
    }

    /** Whether devices are connected to its terminals. */
    public boolean drives() {
        return this == CONTROLLER || this == PANEL;
    }

    /** Whether devices sit on it, by wire, key or light. */
    public boolean carries() {
        return drives() || this == KEYPAD || this == HANDSET || this == INFRARED_SENDER;
    }

    /** Whether it is a device and its unit in one. */
    public boolean alone() {
        return this == SELF_CONTAINED || this == CAMERA;
    }
}
