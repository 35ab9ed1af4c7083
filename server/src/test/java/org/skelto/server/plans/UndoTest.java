package org.skelto.server.plans;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.Http.Answer;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;
import tools.jackson.databind.JsonNode;

/** Undo and redo as a law: however much was edited, undoing all of it leads back, redoing all of it leads forth. */
@ExtendWith(RunningSkelto.class)
class UndoTest {
    private static final int EDITS = 25;

    private Http http;
    private String plan;

    private JsonNode document() {
        return http.get(plan).json().get("plan");
    }

    private long revision() {
        return http.get(plan).json().get("revision").asLong();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void undoingAllLeadsBackAndRedoingAllLeadsForth(long seed, Skelto skelto) {
        http = new Http(skelto);
        Random random = new Random(seed);
        String mill = http.get("/api/plans").json().get(0).get("id").asString();
        plan = "/api/plans/"
                + http.post("/api/plans/" + mill + "/copy", "{\"name\":\"Undone\"}")
                        .json()
                        .get("id")
                        .asString();
        List<JsonNode> states = new ArrayList<>(List.of(document()));
        while (states.size() <= EDITS) {
            Answer made = http.patch(plan + "?label=e" + states.size(), revision(), edit(random, states.size()));
            assertEquals(200, made.status(), made.text());
            JsonNode after = made.json().get("plan");
            if (!after.equals(states.get(states.size() - 1))) {
                states.add(after);
            }
        }

        for (int i = states.size() - 2; i >= 0; i--) {
            assertEquals(200, http.postMatching(plan + "/undo", revision()).status());
            assertEquals(states.get(i), document(), "after undoing edit " + (i + 1));
        }
        assertEquals(409, http.postMatching(plan + "/undo", revision()).status());
        for (int i = 1; i < states.size(); i++) {
            assertEquals(200, http.postMatching(plan + "/redo", revision()).status());
            assertEquals(states.get(i), document(), "after redoing edit " + i);
        }
        assertEquals(409, http.postMatching(plan + "/redo", revision()).status());
    }

    /** Rooms, moves, names, radios, whole things taken away: what a person does to a plan. */
    private static String edit(Random random, int number) {
        return switch (random.nextInt(7)) {
            case 0 ->
                "[{\"op\":\"add\",\"path\":\"/rooms/extra-" + number
                        + "\",\"value\":{\"floor\":\"bin-loft\",\"name\":\"Extra ~/" + number
                        + " 🫖\",\"corners\":[{\"xM\":" + random.nextInt(20)
                        + ",\"yM\":0.1},{\"xM\":30,\"yM\":0.1},{\"xM\":25.5,\"yM\":4}]}}]";
            case 1 ->
                "[{\"op\":\"replace\",\"path\":\"/units/meal-ap/place/xM\",\"value\":" + random.nextInt(600) / 100.0
                        + "}]";
            case 2 -> "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"Name " + random.nextInt(1000) + "\"}]";
            case 3 ->
                "[{\"op\":\"replace\",\"path\":\"/devices/hall-lamp/ways\",\"value\":["
                        + (random.nextBoolean() ? "\"RULE\"" : "\"SPOKEN\",\"HOME_APP\"") + "]}]";
            case 4 ->
                "[{\"op\":\"replace\",\"path\":\"/units/hub/ipv4\",\"value\":"
                        + (random.nextBoolean() ? "null" : "\"192.168.40." + (60 + random.nextInt(40)) + "\"") + "}]";
            case 5 ->
                "[{\"op\":\"add\",\"path\":\"/accepted/H4~1units~1hub\",\"value\":\"reason " + number + "\"},"
                        + "{\"op\":\"replace\",\"path\":\"/units/chirp-gw/radios/chirp/chirp/spreadingFactor\",\"value\":"
                        + (6 + random.nextInt(7)) + "}]";
            default ->
                "[{\"op\":\"replace\",\"path\":\"/devices/dust-fan/topic\",\"value\":"
                        + (random.nextBoolean() ? "null" : "\"leat/x/" + number + "\"") + "}]";
        };
    }
}
