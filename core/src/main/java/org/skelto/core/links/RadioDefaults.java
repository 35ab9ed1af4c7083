package org.skelto.core.links;

import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioBuilder;
import org.skelto.core.plan.radio.Region;

/** The radio that a unit gets when a medium is chosen for it: a generic part that keeps the region's limits. */
public final class RadioDefaults {
    private static final int CHIRP_CODING = 5;

    private RadioDefaults() {}

    /** Id of the radio among the unit's radios. */
    public static String id(Medium medium) {
        return switch (medium) {
            case WIFI_2G4 -> "wifi";
            case WIFI_5G -> "wifi5";
            case BLE -> "ble";
            case MESH_G9959 -> "g9959";
            case MESH_802154 -> "mesh";
            case SUB_GHZ -> "subghz";
            case CHIRP -> "chirp";
            case ETHERNET, POWER_LINE, INFRARED, RS485, CONTACT ->
                throw new IllegalArgumentException(medium + " is no radio");
        };
    }

    /** A generic radio for that medium. */
    public static Radio radio(Medium medium, Region region, UnitKind kind) {
        boolean infrastructure = kind.collects();
        return switch (medium) {
            case WIFI_2G4 -> infrastructure ? plain(medium, 2437, 17, 2, -82) : plain(medium, 2437, 14, 0, -75);
            case WIFI_5G -> infrastructure ? plain(medium, 5180, 18, 3, -80) : plain(medium, 5180, 14, 0, -75);
            case BLE -> plain(medium, 2440, infrastructure ? 8 : 4, 0, -94);
            case MESH_G9959 ->
                plain(medium, subGHz(region), region == Region.US ? -2 : 10, infrastructure ? 0 : -3, -100);
            case MESH_802154 -> plain(medium, 2450, 8, infrastructure ? 2 : 0, -97);
            case SUB_GHZ -> plain(medium, subGHz(region), region == Region.US ? -2 : 10, infrastructure ? 0 : -3, -105);
            case CHIRP -> chirp(region);
            case ETHERNET, POWER_LINE, INFRARED, RS485, CONTACT ->
                throw new IllegalArgumentException(medium + " is no radio");
        };
    }

    private static Radio plain(Medium medium, double frequencyMHz, double power, double gain, double sensitivity) {
        return RadioBuilder.builder()
                .medium(medium)
                .frequencyMHz(frequencyMHz)
                .txPowerDbm(power)
                .antennaGainDbi(gain)
                .feederLossDb(0)
                .sensitivityDbm(sensitivity)
                .receives(true)
                .metalBox(false)
                .build();
    }

    private static Radio chirp(Region region) {
        boolean wide = region == Region.US;
        Chirp settings = new Chirp(wide ? 8 : 9, wide ? 500 : 125, CHIRP_CODING);
        double power = region == Region.JP ? 13 : 14;
        return RadioBuilder.builder()
                .medium(Medium.CHIRP)
                .frequencyMHz(subGHz(region))
                .txPowerDbm(power)
                .antennaGainDbi(2)
                .feederLossDb(0)
                .chirp(settings)
                .receives(true)
                .metalBox(false)
                .build();
    }

    private static double subGHz(Region region) {
        return switch (region) {
            case EU, UK -> 868.3;
            case US -> 915;
            case AU -> 917;
            case IN -> 866;
            case JP -> 921;
        };
    }
}
