package org.skelto.core.plan.network;

import org.skelto.core.plan.equipment.UnitKind;

/** Units that take their addresses one after another from a first host of their own, so that the number tells what it is. */
public enum AddressFamily {
    ROUTER("router", 1),
    SWITCHES("switches", 2),
    ACCESS_POINTS("access points", 6),
    HUBS("hubs", 16),
    GATEWAYS("gateways", 20),
    PANELS("panels", 28),
    RECORDERS("recorders", 30),
    CONTROLLERS("controllers and hand units", 32),
    SELF_CONTAINED("self-contained devices and cameras", 100);

    private final String words;
    private final int first;

    AddressFamily(String words, int first) {
        this.words = words;
        this.first = first;
    }

    public String words() {
        return words;
    }

    /** First host within the subnet, unless the plan says another. */
    public int first() {
        return first;
    }

    /** The family of a kind. */
    public static AddressFamily of(UnitKind kind) {
        return switch (kind) {
            case ROUTER -> ROUTER;
            case SWITCH -> SWITCHES;
            case ACCESS_POINT -> ACCESS_POINTS;
            case HUB -> HUBS;
            case GATEWAY -> GATEWAYS;
            case PANEL -> PANELS;
            case RECORDER -> RECORDERS;
            case CONTROLLER, SUPPLY, KEYPAD, HANDSET, WALL_TABLET, ASSISTANT, INFRARED_SENDER, COUPLER -> CONTROLLERS;
            case SELF_CONTAINED, CAMERA -> SELF_CONTAINED;
        };
    }
}
