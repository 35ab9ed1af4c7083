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
    CHIRP;

    public boolean mesh() {
        return this == MESH_802154 || this == MESH_G9959;
    }

    /** Whether its ends answer each other, so that it carries nothing where one direction fails. */
    public boolean answered() {
        return this != SUB_GHZ && this != CHIRP;
    }

    public boolean wifi() {
        return this == WIFI_2G4 || this == WIFI_5G;
    }
}
