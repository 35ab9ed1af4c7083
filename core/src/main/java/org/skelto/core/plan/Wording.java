package org.skelto.core.plan;

import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.RadioBand;

/** How the words of the plan are written on screen. */
public final class Wording {
    private Wording() {}

    public static String of(Medium medium) {
        return switch (medium) {
            case ETHERNET -> "Ethernet";
            case WIFI_2G4 -> "Wi-Fi 2.4 GHz";
            case WIFI_5G -> "Wi-Fi 5 GHz";
            case BLE -> "Bluetooth LE";
            case MESH_G9959 -> "G.9959 mesh";
            case MESH_802154 -> "802.15.4 mesh";
            case SUB_GHZ -> "sub-GHz OOK/FSK";
            case CHIRP -> "long-range chirp";
            case POWER_LINE -> "power-line carrier";
            case INFRARED -> "infrared";
            case RS485 -> "RS-485 bus";
            case CONTACT -> "wired contact";
        };
    }

    public static String of(RadioBand band) {
        return switch (band) {
            case BELOW_600_MHZ -> "433 MHz";
            case SUB_GHZ -> "868 MHz";
            case AROUND_2_4_GHZ -> "2.4 GHz";
            case AROUND_5_GHZ -> "5 GHz";
        };
    }

    public static String of(UnitKind kind) {
        return switch (kind) {
            case SELF_CONTAINED -> "self-contained device";
            case COUPLER -> "power-line coupler";
            default -> words(kind);
        };
    }

    public static String of(DeviceKind kind) {
        return words(kind);
    }

    public static String of(Criticality criticality) {
        return words(criticality);
    }

    /** A constant in lower case with spaces. */
    public static String words(Enum<?> constant) {
        return constant.name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ');
    }
}
