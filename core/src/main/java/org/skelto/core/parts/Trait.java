package org.skelto.core.parts;

import java.util.Locale;

/** Something a part is or has, besides its figures. In files it is written in small letters with hyphens. */
public enum Trait {
    /** Its inputs switch on when they are pulled low. */
    ACTIVE_LOW,
    ACTIVE_HIGH,
    /** Sits on the two-wire bus. */
    BUS,
    /** Sits on RS-485. */
    SERIAL,
    PANEL_BUS,
    SPI,
    IRQ,
    ANALOGUE,
    PULSE_WIDTH,
    /** Its contacts stay as they are without power. */
    BISTABLE,
    /** Its coils have their diodes. */
    DIODE,
    /** Its coils are driven by transistors of its own. */
    TRANSISTOR,
    TRAILING_EDGE,
    LEADING_EDGE,
    ISOLATED,
    ETHERNET,
    ETHERNET_POWERED,
    PASSIVE_POE,
    WIFI,
    BLE,
    MESH,
    SUB_GHZ,
    CHIRP,
    FAIL_SAFE,
    FAIL_SECURE,
    DIRECT_CURRENT,
    ALTERNATING,
    SINGLE_PULSE,
    TWO_WAY,
    /** Closes or opens by a spring when its power goes. */
    SPRUNG,
    /** Tells its position. */
    CONTACT,
    LITHIUM,
    /** A cell with its own protection. */
    PROTECTED,
    /** A cell that is not charged again. */
    PRIMARY,
    METAL,
    /** Two halves for mains and low voltage. */
    SEPARATED;

    /** How files write it. */
    public String word() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
