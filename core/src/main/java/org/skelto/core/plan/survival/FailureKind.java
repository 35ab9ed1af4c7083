package org.skelto.core.plan.survival;

/** Kinds of things that fail about as often as each other. */
public enum FailureKind {
    /** The mains of the whole street. */
    MAINS("mains"),
    /** A circuit of the house: its breaker trips. */
    CIRCUIT("circuit"),
    SUPPLY("supply"),
    /** Any cable, of data or of low voltage. */
    CABLE("cable"),
    /** The way in from outside that all lines share. */
    INTERNET("internet"),
    /** One line into the house. */
    LINE("line"),
    SERVICE("service"),
    ROUTER("router"),
    SWITCH("switch"),
    ACCESS_POINT("access point"),
    GATEWAY("gateway"),
    HUB("hub box"),
    HUB_RULES("rules of a hub"),
    BROKER("broker"),
    PANEL("panel"),
    CONTROLLER("controller"),
    /** A unit with a radio of its own: a sensor, a lock, a handset. */
    OWN_RADIO("unit with its own radio"),
    /** Cells that carry nothing when they are wanted; nobody sees it before. */
    BACKUP("backup");

    private final String words;

    FailureKind(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
