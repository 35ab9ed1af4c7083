package org.skelto.core.plan.radio;

/** What a link runs over, named by standard or modulation. */
public enum Medium {
    /** IEEE 802.3 over twisted pair. */
    ETHERNET,
    /** IEEE 802.11 at 2.4 GHz. */
    WIFI_2G4,
    /** IEEE 802.11 at 5 GHz. */
    WIFI_5G,
    /** Bluetooth LE. */
    BLE,
    /** IEEE 802.15.4 mesh at 2.4 GHz. */
    MESH_802154,
    /** ITU-T G.9959 mesh below 1 GHz. */
    MESH_G9959,
    /** On-off or frequency-shift keying below 1 GHz. */
    SUB_GHZ,
    /** Long-range chirp spread spectrum (CSS). */
    CHIRP,
    /** A carrier on the mains wires. */
    POWER_LINE,
    /** Infrared light, one way, within a room. */
    INFRARED,
    /** TIA-485 over a pair of wires from unit to unit. */
    RS485,
    /** A contact of one unit wired to an input of another. */
    CONTACT;

    public boolean mesh() {
        return this == MESH_802154 || this == MESH_G9959;
    }

    /** Whether its ends answer each other, so that it carries nothing where one direction fails. */
    public boolean answered() {
        return this != SUB_GHZ && this != CHIRP && !oneWay();
    }

    /** Whether units need a radio for it. */
    public boolean radio() {
        return this != ETHERNET && this != POWER_LINE && this != INFRARED && this != RS485 && this != CONTACT;
    }

    /** Whether only one end can speak. */
    public boolean oneWay() {
        return this == INFRARED || this == CONTACT;
    }

    /** Whether it needs a cable of its own between the two ends. */
    public boolean cable() {
        return this == ETHERNET || this == RS485 || this == CONTACT;
    }

    /** Those that units need a radio for. */
    public static java.util.List<Medium> radios() {
        return java.util.Arrays.stream(values()).filter(Medium::radio).toList();
    }

    public boolean wifi() {
        return this == WIFI_2G4 || this == WIFI_5G;
    }
}
