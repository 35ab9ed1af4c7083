package org.skelto.server.commands;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.Http.Answer;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** From nothing to a judged flat, and templates kept from plan to plan. */
@ExtendWith(RunningSkelto.class)
class FirstMinutesApiTest {
    private static final String ROOMS = "hall 4x1.6\\nliving room 5x4\\nbedroom 4x3.5\\nbathroom 2.4x2";

    private Http http;
    private String plan;
    private long revision;

    @BeforeEach
    void anEmptyPlan(Skelto skelto) {
        http = new Http(skelto);
        JsonNode made = http.post(
                        "/api/plans",
                        "{\"name\":\"Four rooms\",\"region\":\"EU\",\"mainsVoltageV\":230,\"place\":null}")
                .json();
        plan = "/api/plans/" + made.get("id").asString();
        revision = 1;
    }

    @AfterEach
    void away() {
        http.delete(plan);
    }

    /** Stores the edits of a proposal. */
    private JsonNode store(Answer proposal) {
        assertEquals(200, proposal.status(), proposal.text());
        Answer stored = http.patch(plan, revision, proposal.json().get("edits").toString());
        assertEquals(200, stored.status(), stored.text());
        revision = stored.json().get("revision").asLong();
        return stored.json().get("plan");
    }

    private JsonNode flat() {
        store(http.post(plan + "/typed-rooms", "{\"floor\":\"ground\",\"text\":\"" + ROOMS + "\"}"));
        JsonNode sets = http.get(plan + "/room-sets").json();
        assertEquals(4, sets.get("suggested").size(), "each room has a template by its name");
        StringBuilder placings = new StringBuilder();
        sets.get("suggested")
                .propertyStream()
                .forEach(e -> placings.append(placings.isEmpty() ? "" : ",")
                        .append("{\"room\":\"" + e.getKey() + "\",\"set\":" + e.getValue() + "}"));
        return store(http.post(plan + "/commands/place-room-set", "{\"own\":true,\"placings\":[" + placings + "]}"));
    }

    @Test
    void fourRoomsAreJudgedAfterThreeCommands() {
        JsonNode devices = flat().get("devices");
        assertTrue(devices.size() >= 20, devices.size() + " devices");
        JsonNode now = store(http.post(plan + "/commands/network-like", "{\"room\":null}"));
        assertTrue(now.get("units")
                .valueStream()
                .anyMatch(u -> u.get("internetEntry").asBoolean()));
        JsonNode overview = http.get(plan + "/overview").json();
        assertEquals(0, overview.get("failures").size());
        overview.get("stages")
                .valueStream()
                .filter(s -> List.of("SITE", "DEVICES", "CONTROLLERS", "LINKS", "NAMES", "OUTAGES")
                        .contains(s.get("stage").asString()))
                .forEach(s -> assertTrue(s.get("judged").asBoolean(), s.toString()));
        // every figure of the first sheet is that of the stage it comes from
        JsonNode assessment = http.get(plan + "/assessment").json().get("assessment");
        assertEquals(assessment.get("stages"), overview.get("stages"));
        overview.get("outages").forEach(o -> {
            String without = o.get("without").get(0).asString();
            JsonNode there =
                    http.get(plan + "/assessment?without=" + without).json().at("/assessment/counts");
            assertEquals(there, o.get("counts"), without);
        });
        assertEquals(
                http.get(plan + "/parts-list").json().get("total").asDouble(),
                overview.at("/money/total").asDouble(),
                1e-9);
        long open = assessment
                .get("snags")
                .valueStream()
                .filter(s -> s.get("accepted").isNull())
                .count();
        assertEquals(
                open,
                overview.get("stops").asInt()
                        + overview.get("fixes").asInt()
                        + overview.get("looks").asInt());
    }

    @Test
    void aTemplateOfOnesOwnServesAnotherPlanAndGoesWhenItIsRemoved() {
        flat();
        Answer kept = http.post(plan + "/room-sets", "{\"room\":\"bedroom\",\"name\":\"Guest <room>\"}");
        assertEquals(201, kept.status(), kept.text());
        String id = kept.json().get("id").asString();
        String first = plan;
        JsonNode lodge = http.post("/api/demos/thornfell-lodge", "").json();
        plan = "/api/plans/" + lodge.get("id").asString();
        revision = lodge.get("revision").asLong();
        try {
            assertTrue(http.get(plan + "/room-sets").text().contains("Guest <room>"));
            int before = lodge.at("/plan/devices").size();
            JsonNode now = store(http.post(
                    plan + "/commands/place-room-set",
                    "{\"own\":false,\"placings\":[{\"room\":\"ground-1\",\"set\":\"" + id + "\"}]}"));
            assertTrue(now.get("devices").size() > before);
            assertEquals(204, http.delete("/api/room-sets/" + id).status());
            assertEquals(404, http.delete("/api/room-sets/" + id).status());
            assertFalse(http.get(plan + "/room-sets").text().contains("Guest <room>"));
        } finally {
            http.delete(plan);
            plan = first;
        }
    }

    @Test
    void whatCannotBeIsRefusedWithItsPlaceAndNothingIsKept() {
        assertEquals(
                List.of("/room"),
                http.post(plan + "/commands/network-like", "{\"room\":null}").places(),
                "there is no room yet");
        flat();
        assertEquals(
                List.of("/name"),
                http.post(plan + "/room-sets", "{\"room\":\"bedroom\",\"name\":\" \"}")
                        .places());
        assertEquals(
                List.of("/room"),
                http.post(plan + "/room-sets", "{\"room\":\"moon\",\"name\":\"x\"}")
                        .places());
        assertEquals(
                List.of("/placings"),
                http.post(plan + "/commands/place-room-set", "{\"own\":true,\"placings\":null}")
                        .places());
        assertEquals(
                404,
                http.post(
                                plan + "/commands/place-room-set",
                                "{\"own\":true,\"placings\":[{\"room\":\"hall\",\"set\":\"built-in:Dungeon\"}]}")
                        .status());
        assertEquals(
                404,
                http.post(
                                plan + "/commands/place-room-set",
                                "{\"own\":true,\"placings\":[{\"room\":\"hall\",\"set\":\"no id\"}]}")
                        .status());
        assertTrue(http.get(plan + "/room-sets")
                .json()
                .get("templates")
                .valueStream()
                .noneMatch(t -> t.get("own").asBoolean()));
    }

    /** Whoever looks for edits of others is told in a word that there are none. */
    @Test
    void aPlanThatIsAsItWasIsNotSentAgain() {
        Answer got = http.get(plan);
        assertEquals(304, http.with(plan, "If-None-Match", got.tag()).status());
        flat();
        assertEquals(200, http.with(plan, "If-None-Match", got.tag()).status());
    }

    /** A curve goes through the very figures that the calculator gives, and has gaps where it refuses. */
    @Test
    void aCurveGoesThroughTheCalculatorsOwnFigures() {
        JsonNode forms = http.get("/api/calculators/forms").json();
        int drawn = 0;
        for (JsonNode form : forms) {
            String name = form.get("name").asString();
            ObjectNode inputs = Http.MAPPER.createObjectNode();
            form.get("inputs").forEach(i -> inputs.set(i.get("name").asString(), i.get("example")));
            for (JsonNode input : form.get("inputs")) {
                String kind = input.get("kind").asString();
                String over = input.get("name").asString();
                if (!kind.equals("NUMBER") && !kind.equals("WHOLE")
                        || inputs.get(over).isNull()) {
                    continue;
                }
                Answer curve = http.post(
                        "/api/calculators/" + name + "/curve", "{\"over\":\"" + over + "\",\"inputs\":" + inputs + "}");
                assertEquals(200, curve.status(), name + " over " + over + ": " + curve.text());
                JsonNode x = curve.json().get("x");
                int middle = x.size() / 2;
                ObjectNode there = inputs.deepCopy();
                there.set(
                        over,
                        kind.equals("WHOLE")
                                ? Http.MAPPER.valueToTree(x.get(middle).asInt())
                                : x.get(middle));
                Answer alone = http.post("/api/calculators/" + name, there.toString());
                curve.json().get("out").propertyStream().forEach(e -> {
                    JsonNode at = e.getValue().get(middle);
                    assertEquals(alone.status() != 200, at.isNull(), name + " over " + over);
                    if (!at.isNull()) {
                        assertEquals(alone.json().at("/out/" + e.getKey()), at, name + " over " + over);
                    }
                });
                drawn++;
            }
        }
        assertTrue(drawn > 40, drawn + " curves");
        assertEquals(
                List.of("/over"),
                http.post("/api/calculators/" + forms.get(0).get("name").asString() + "/curve", "{\"inputs\":{}}")
                        .places());
    }
}
