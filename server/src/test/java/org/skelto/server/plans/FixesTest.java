package org.skelto.server.plans;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.Http.Answer;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;
import tools.jackson.databind.JsonNode;

/** Every fix that is offered, on a house with much wrong with it: it applies, its snag is gone, and nothing worse has come. */
@ExtendWith(RunningSkelto.class)
class FixesTest {
    /** What a person could do to the mill, one mistake each. */
    private static final String MISTAKES = """
            [{"op":"replace","path":"/mainsVoltageV","value":null},
             {"op":"replace","path":"/cautionsRead","value":false},
             {"op":"remove","path":"/cautions/MAINS"},
             {"op":"remove","path":"/cautions/LITHIUM"},
             {"op":"replace","path":"/units/meal-relays/boards/more/dimmers/address","value":3},
             {"op":"add","path":"/units/meal-relays/boards/more/twins","value":{"part":"dimmer-2","address":41}},
             {"op":"add","path":"/units/meal-relays/boards/more/twin","value":{"part":"dimmer-2","address":41}},
             {"op":"add","path":"/units/annexe-board/boards","value":
               {"main":"broad-22","more":{"remote":{"part":"relay-8-serial","address":1}}}},
             {"op":"replace","path":"/units/hub/power/part","value":"brick-5"},
             {"op":"replace","path":"/units/loft-switch/boards/main","value":"switch-8"},
             {"op":"replace","path":"/units/river-door/duty/sleepUa","value":60},
             {"op":"replace","path":"/units/bath-temp/duty/pulses/0/currentMa","value":200},
             {"op":"replace","path":"/circuits/mill-lights/breakerA","value":25},
             {"op":"replace","path":"/units/lathe-board/power/feed/fuseA","value":5},
             {"op":"add","path":"/units/loft-board/boards/more/eight","value":{"part":"relay-8-high"}},
             {"op":"add","path":"/units/loft-board/boards/more/bare","value":{"part":"relay-bare"}},
             {"op":"replace","path":"/units/study-board/name","value":"bath board"},
             {"op":"replace","path":"/devices/study-lamp/works/afterPower","value":null},
             {"op":"replace","path":"/devices/turbine-valve/works/endSensors","value":null},
             {"op":"replace","path":"/devices/yard-gate/obstacleDetection","value":false},
             {"op":"replace","path":"/devices/yard-gate/hand","value":"NONE"},
             {"op":"replace","path":"/devices/front-lock/hand","value":"NONE"},
             {"op":"replace","path":"/devices/leak-strip/criticality","value":"VITAL"},
             {"op":"replace","path":"/devices/stone-lamp/channel","value":3},
             {"op":"replace","path":"/devices/bath-lamp/channel","value":12},
             {"op":"replace","path":"/devices/range-fan/wiring/terminals/switch","value":"main/G2 relays/4"},
             {"op":"replace","path":"/devices/meal-button/wiring/terminals/sense","value":"main/TX"},
             {"op":"replace","path":"/devices/front-lock/wiring/terminals/release","value":"main/E2 relays/1"},
             {"op":"replace","path":"/devices/dust-fan/ways","value":["AWAY_APP"]},
             {"op":"replace","path":"/devices/dust-fan/hand","value":"NONE"},
             {"op":"replace","path":"/devices/table-lamp/topic","value":"leat/+/lamp"},
             {"op":"replace","path":"/devices/stone-lamp/topic","value":"LEAT/x"},
             {"op":"replace","path":"/devices/study-lamp/topic","value":"leat/x"},
             {"op":"replace","path":"/units/hub/ipv4","value":"192.168.40.160"},
             {"op":"replace","path":"/units/hub/mac","value":"01:00:5e:00:00:01"},
             {"op":"replace","path":"/units/loft-switch/mac","value":"02:5b:1e:00:00:09"},
             {"op":"replace","path":"/units/mesh-gw/mac","value":"02:5b:1e:00:00:09"},
             {"op":"replace","path":"/units/sluice-board/nodeId","value":9},
             {"op":"replace","path":"/units/cistern-board/nodeId","value":9},
             {"op":"replace","path":"/units/lathe-ap/radios/wifi/txPowerDbm","value":25},
             {"op":"replace","path":"/units/meal-ap/radios/wifi/metalBox","value":true},
             {"op":"replace","path":"/units/bath-leak/radios/mesh/receives","value":false},
             {"op":"replace","path":"/units/paddle-button/radios/chirp/chirp/spreadingFactor","value":8},
             {"op":"replace","path":"/links/gate-board-sensor-gw/direction","value":"ONE_WAY"},
             {"op":"replace","path":"/links/annexe-board-lathe-ap/to","value":"mesh-gw"},
             {"op":"remove","path":"/links/study-board-mesh-gw"},
             {"op":"copy","from":"/units/mesh-gw","path":"/units/attic-gw"},
             {"op":"add","path":"/network/topicRoot","value":"home"}]
            """;

    /** So many snags of a code are mended over the wire; the core mends all of them. */
    private static final int MOST = Boolean.getBoolean("skelto.long") ? 1000 : 2;

    /** Keys of what is unsafe, unlawful or cannot work. */
    private static Set<String> stops(JsonNode snags) {
        Set<String> keys = new TreeSet<>();
        for (JsonNode snag : snags) {
            if (snag.get("severity").asString().equals("STOP")) {
                keys.add(snag.get("key").asString());
            }
        }
        return keys;
    }

    @Test
    void everyFixClearsItsSnagAndBringsNothingWorse(Skelto skelto) {
        Http http = new Http(skelto);
        String mill = http.get("/api/plans").json().get(0).get("id").asString();
        String plan = "/api/plans/"
                + http.post("/api/plans/" + mill + "/copy", "{\"name\":\"Mistakes\"}")
                        .json()
                        .get("id")
                        .asString();
        Answer spoiled = http.patch(plan, 1L, MISTAKES);
        assertEquals(200, spoiled.status(), spoiled.text());
        JsonNode snags = http.get(plan + "/assessment").json().at("/assessment/snags");

        Set<String> stops = stops(snags);
        Set<String> fixed = new TreeSet<>();
        List<String> useless = new ArrayList<>();
        Map<String, Integer> tried = new TreeMap<>();
        for (JsonNode snag : snags) {
            if (tried.merge(snag.get("code").asString(), 1, Integer::sum) > MOST) {
                continue;
            }
            for (JsonNode fix : snag.get("fixes")) {
                Answer after =
                        http.postAs(plan + "/preview", fix.get("edits").toString(), "application/json-patch+json");
                assertEquals(200, after.status(), snag.get("title") + ": " + after.text());
                boolean still = after.json()
                        .at("/assessment/snags")
                        .valueStream()
                        .anyMatch(s -> s.get("key").equals(snag.get("key")));
                Set<String> worse = stops(after.json().at("/assessment/snags"));
                worse.removeAll(stops);
                fixed.add(snag.get("code").asString());
                if (still || !worse.isEmpty()) {
                    useless.add(snag.get("title").asString() + " / "
                            + fix.get("label").asString() + " " + worse);
                }
            }
        }

        assertEquals(List.of(), useless);
        assertTrue(
                fixed.containsAll(Set.of(
                        "S3", "D1", "D2", "D3", "D5", "D6", "D7", "D8", "D9", "D11", "D14", "D15", "C1", "C2", "C3",
                        "C4", "C9", "C12", "C15", "C17", "P4", "P5", "P6", "P9", "P10", "P12", "P13", "B1", "B2", "B6",
                        "R1", "R2", "R3", "R6", "R7", "R16", "R19", "N1", "N3", "N5", "O1", "O2", "O3", "T1", "T2")),
                fixed.toString());
    }
}
