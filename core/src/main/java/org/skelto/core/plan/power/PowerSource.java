package org.skelto.core.plan.power;

/** Where a unit takes its power from. */
public enum PowerSource {
    MAINS,
    BATTERY,
    /** Over the Ethernet cable, from the unit named. */
    ETHERNET,
    /** Low voltage, from the supply unit named. */
    SUPPLY
}
