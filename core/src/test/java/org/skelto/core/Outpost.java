package org.skelto.core;

import org.skelto.core.plan.Plan;

/** The sound house with an outpost on the hill: a chirp link over known ground, and a one-way sensor; no snag of the air. */
public final class Outpost {
    private Outpost() {}

    private static String chirp(double mastM) {
        return "{\"medium\":\"CHIRP\",\"frequencyMHz\":868.3,\"txPowerDbm\":13.5,\"antennaGainDbi\":2,"
                + "\"feederLossDb\":0,\"chirp\":{\"spreadingFactor\":9,\"bandwidthKHz\":125,\"codingRateDenominator\":5},"
                + "\"receives\":true,\"metalBox\":false,\"air\":{\"mastM\":" + mastM
                + ",\"networkId\":171,\"keyChanged\":true}}";
    }

    private static String keyed(boolean receives, boolean knownOnly) {
        return "{\"medium\":\"SUB_GHZ\",\"frequencyMHz\":868.3,\"txPowerDbm\":10,\"antennaGainDbi\":0,\"feederLossDb\":0,"
                + "\"sensitivityDbm\":-105,\"receives\":" + receives + ",\"metalBox\":false,\"air\":{\"knownOnly\":"
                + knownOnly + "}}";
    }

    private static String unit(String name, String kind, String place, String power, String radio, String more) {
        return "{\"name\":\"" + name + "\",\"kind\":\"" + kind + "\",\"place\":" + place + ",\"power\":" + power
                + ",\"channels\":2,\"maxClients\":0,\"internetEntry\":false,\"broker\":false,\"hub\":\"hub\",\"radios\":{"
                + radio + "}" + more + "}";
    }

    /** The plan. */
    public static Plan plan() {
        String mains = "{\"source\":\"MAINS\",\"circuit\":\"mains\",\"backupH\":0}";
        String cells = "{\"source\":\"BATTERY\",\"backupH\":0,\"part\":\"cell-cold\",\"count\":2}";
        String link = "{\"from\":\"%s\",\"to\":\"%s\",\"medium\":\"%s\",\"direction\":\"%s\"}";
        return Changed.with(
                Workshop.plan(),
                "/place",
                "{\"latitudeDeg\":52.3,\"longitudeDeg\":-2.9}",
                "/spots/hill",
                "{\"name\":\"Hill\",\"xM\":0,\"yM\":1500,\"zM\":20,\"exposure\":\"OUTDOOR\"}",
                "/units/far-gw",
                unit(
                        "far gateway",
                        "GATEWAY",
                        "{\"room\":\"east\",\"xM\":5,\"yM\":2,\"heightM\":2}",
                        mains,
                        "\"chirp\":" + chirp(12) + ",\"keyed\":" + keyed(true, true),
                        ""),
                "/units/outpost",
                unit(
                        "outpost",
                        "CONTROLLER",
                        "{\"spot\":\"hill\",\"xM\":0,\"yM\":0,\"heightM\":3}",
                        cells,
                        "\"chirp\":" + chirp(12),
                        ",\"duty\":{\"sleepUa\":12,\"cycleS\":1800,\"pulses\":[{\"name\":\"send\",\"currentMa\":45,"
                                + "\"durationMs\":200,\"kind\":\"SEND\"},{\"name\":\"listen\",\"currentMa\":12,"
                                + "\"durationMs\":800,\"kind\":\"LISTEN\"}],\"wishYears\":1},"
                                + "\"message\":{\"fields\":[{\"name\":\"who\",\"kind\":\"NODE_ID\"},{\"name\":\"count\","
                                + "\"kind\":\"COUNTER\"},{\"name\":\"level\",\"kind\":\"VALUE\",\"least\":0,\"most\":4,"
                                + "\"step\":0.01}],\"intervalS\":1800,\"tries\":3,\"acknowledged\":true,\"command\":\"STATE\"}"),
                "/units/tag",
                unit(
                        "tag",
                        "SELF_CONTAINED",
                        "{\"room\":\"east\",\"xM\":6,\"yM\":1,\"heightM\":1}",
                        cells,
                        "\"keyed\":" + keyed(false, true),
                        ""),
                "/links/outpost-far-gw",
                link.formatted("outpost", "far-gw", "CHIRP", "TWO_WAY"),
                "/links/tag-far-gw",
                link.formatted("tag", "far-gw", "SUB_GHZ", "ONE_WAY"),
                "/links/far-gw-switch",
                link.formatted("far-gw", "switch", "ETHERNET", "TWO_WAY"),
                "/paths/hill",
                "{\"from\":\"far-gw\",\"to\":\"outpost\",\"profile\":[{\"distanceM\":0,\"elevationM\":100},"
                        + "{\"distanceM\":700,\"elevationM\":92},{\"distanceM\":1496,\"elevationM\":120}]}");
    }
}
