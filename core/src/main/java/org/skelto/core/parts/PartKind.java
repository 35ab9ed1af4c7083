package org.skelto.core.parts;

/** What a part is. */
public enum PartKind {
    /** A controller board with a pin table. */
    BOARD,
    RELAY_BOARD,
    DIMMER_BOARD,
    INPUT_BOARD,
    /** More zones or outputs for an alarm panel. */
    EXPANDER,
    RADIO_MODULE,
    HUB_COMPUTER,
    /** A router, access point, gateway, recorder or coupler. */
    NETWORK_BOX,
    /** What people press, carry, look at or speak to, and what looks at them: keypads, handsets, tablets, assistants, cameras. */
    CONTROL_POINT,
    PANEL,
    POWER_LINE,
    /** A strike or bolt. */
    STRIKE,
    /** A door, gate or blind drive. */
    DRIVE,
    VALVE,
    SENSOR,
    /** Makes a low voltage from the mains. */
    SUPPLY,
    /** A switching converter from one low voltage to another. */
    CONVERTER,
    /** A linear regulator. */
    REGULATOR,
    /** Takes power off an Ethernet cable. */
    SPLITTER,
    SWITCH,
    BATTERY,
    BACKUP,
    CABLE,
    WALL_BOX,
    ENCLOSURE,
    /** A lamp, siren, heater or fan that is switched. */
    LOAD,
    /** Small things that every unit needs some of. */
    SUNDRY,
    /** A smart device that is bought finished. */
    FINISHED,
    /** A module with its own radio that fits behind a switch. */
    MODULE;

    /** Whether its channels are wired to a board's pins or chained on its bus. */
    public boolean extendsBoard() {
        return this == RELAY_BOARD || this == DIMMER_BOARD || this == INPUT_BOARD;
    }
}
