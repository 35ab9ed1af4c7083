package org.skelto.core.links;

import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Direction;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;

/** What a kind of link costs and what it does to a battery: guide figures for a choice, not prices. */
final class LinkCosts {
    private static final double CABLE_PER_M = 1.2;
    private static final double CABLE_ENDS = 22;

    private LinkCosts() {}

    /** What the unit's battery has to say to it. */
    static String battery(Medium medium, Direction direction, boolean onBattery) {
        if (!onBattery) {
            return "has mains";
        }
        return switch (medium) {
            case ETHERNET -> "days";
            case WIFI_2G4, WIFI_5G -> "weeks";
            case BLE -> "a year or so";
            case MESH_802154, MESH_G9959 -> "years";
            case SUB_GHZ -> direction == Direction.ONE_WAY ? "many years" : "a year or two";
            case CHIRP -> "years if it sends rarely";
            case POWER_LINE -> "needs the mains";
            case INFRARED, CONTACT -> "years";
            case RS485 -> "months";
        };
    }

    private static double radio(Medium medium) {
        return switch (medium) {
            case ETHERNET, POWER_LINE, INFRARED, RS485, CONTACT -> 0;
            case WIFI_2G4, BLE -> 5;
            case WIFI_5G -> 12;
            case MESH_802154 -> 8;
            case MESH_G9959 -> 14;
            case SUB_GHZ -> 6;
            case CHIRP -> 14;
        };
    }

    /** Cable by the metre and its ends, or a radio if the unit has none yet. */
    static double cost(Medium medium, Unit unit, Double distanceM) {
        if (medium == Medium.ETHERNET) {
            return CABLE_ENDS + CABLE_PER_M * (distanceM == null ? 0 : distanceM);
        }
        return unit.radio(medium).isPresent() ? 0 : radio(medium);
    }

    static Figure figure(Medium medium, Unit unit, Double distanceM) {
        if (medium == Medium.ETHERNET) {
            return Figure.of(
                    "two ends and a port + price per metre · length",
                    "guide prices of this version; your own prices come with the parts list",
                    false,
                    "ends and port",
                    Text.number(CABLE_ENDS, 0),
                    "per metre",
                    Text.number(CABLE_PER_M, 1),
                    "length",
                    Text.metres(distanceM == null ? 0 : distanceM));
        }
        return Figure.of(
                unit.radio(medium).isPresent() ? "it has this radio already" : "a radio of this kind",
                "guide prices of this version; your own prices come with the parts list",
                false);
    }
}
