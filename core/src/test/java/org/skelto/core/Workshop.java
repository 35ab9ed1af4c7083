package org.skelto.core;

import org.skelto.core.plan.Plan;

/** The sound house with its power, boards, a box and devices said in full; it has none of the snags of controllers. */
public final class Workshop {
    private Workshop() {}

    private static String works(String... fields) {
        return "{" + String.join(",", fields) + "}";
    }

    /** The plan. */
    public static Plan plan() {
        return Changed.with(
                Plans.sound(),
                "/circuits/mains/breakerA",
                "16",
                "/circuits/mains/cable",
                "\"cable-mains-25\"",
                "/housings/cabinet",
                "{\"name\":\"cabinet\",\"part\":\"case-metal-24\",\"closed\":false,\"riseK\":null}",
                "/units/rail",
                "{\"name\":\"rail\",\"kind\":\"SUPPLY\",\"place\":{\"room\":\"east\",\"xM\":5,\"yM\":1,\"heightM\":1.5},"
                        + "\"power\":{\"source\":\"MAINS\",\"circuit\":\"mains\",\"backupH\":0},\"channels\":0,"
                        + "\"maxClients\":0,\"internetEntry\":false,\"broker\":false,\"boards\":{\"main\":\"rail-12\"},"
                        + "\"housing\":\"cabinet\"}",
                "/units/board/power",
                "{\"source\":\"SUPPLY\",\"from\":\"rail\",\"backupH\":0,\"part\":\"step-5\","
                        + "\"feed\":{\"cable\":\"cable-low-15\",\"lengthM\":8,\"fuseA\":5}}",
                "/units/board/boards",
                "{\"main\":\"broad-22\",\"more\":{\"relays\":{\"part\":\"relay-4-high\"},"
                        + "\"dimmers\":{\"part\":\"dimmer-2\",\"address\":40}}}",
                "/units/board/housing",
                "\"cabinet\"",
                "/units/hub/boards",
                "{\"main\":\"hub-small\"}",
                "/units/hub/power/part",
                "\"brick-hub\"",
                "/units/switch/boards",
                "{\"main\":\"switch-8\"}",
                "/units/ap/power",
                "{\"source\":\"ETHERNET\",\"from\":\"switch\",\"backupH\":0}",
                "/units/probe/power/part",
                "\"cell-aa\"",
                "/units/probe/power/feed",
                "{\"fuseA\":1}",
                "/units/probe/duty",
                "{\"sleepUa\":10,\"cycleS\":600,\"pulses\":[{\"name\":\"send\",\"currentMa\":20,\"durationMs\":80}],"
                        + "\"wishYears\":2}",
                "/devices/lamp/works",
                works("\"volts\":230", "\"watts\":9", "\"load\":\"LED\"", "\"afterPower\":\"LAST\""),
                "/devices/lamp/wiring",
                "{\"terminals\":{\"switch\":\"main/G4 relays/1\"},\"fixed\":false}",
                "/devices/spot",
                "{\"name\":\"spot\",\"kind\":\"DIMMED_LAMP\",\"place\":{\"room\":\"east\",\"xM\":6,\"yM\":2,\"heightM\":2},"
                        + "\"hand\":\"SWITCH\",\"unit\":\"board\",\"circuit\":\"mains\",\"ways\":[\"RULE\"],\"exitRoute\":false,"
                        + "\"outsideDoor\":false,\"obstacleDetection\":false,\"wiring\":{\"terminals\":{\"dim\":\"dimmers/1\"},"
                        + "\"fixed\":false},\"works\":{\"volts\":230,\"watts\":20,\"load\":\"LED\",\"afterPower\":\"OFF\"}}",
                "/devices/stop",
                "{\"name\":\"stop\",\"kind\":\"VALVE\",\"place\":{\"room\":\"east\",\"xM\":5,\"yM\":3,\"heightM\":1},"
                        + "\"hand\":\"MECHANICAL\",\"rest\":\"CLOSED\",\"unit\":\"board\",\"ways\":[\"RULE\",\"ALONE\"],"
                        + "\"exitRoute\":false,\"outsideDoor\":false,\"obstacleDetection\":false,\"wiring\":{\"terminals\":"
                        + "{\"turn\":\"main/G16 relays/2\",\"endshut\":\"main/G17\"},\"fixed\":false},"
                        + "\"works\":{\"part\":\"valve-ball\",\"supply\":\"rail\",\"load\":\"COIL\",\"endSensors\":1,"
                        + "\"travelS\":7}}",
                "/cautions/LITHIUM",
                "\"2026-10-01\"");
    }
}
