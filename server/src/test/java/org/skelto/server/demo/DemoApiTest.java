package org.skelto.server.demo;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.Http.Answer;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningSkelto.class)
class DemoApiTest {
    private Http http;

    @BeforeEach
    void connect(Skelto skelto) {
        http = new Http(skelto);
    }

    @ParameterizedTest
    // the mill keeps its honest snags; whoever begins from the flat reads the cautions first
    @CsvSource({
        "sorrel-steps,4,9,D1",
        "marrowby-leat,14,49,D2 D20 D7 D8 C10 C12 P11 R7 N1 O2 O3 O3",
        "thornfell-lodge,60,500,"
    })
    void eachDemoBecomesAPlanThatIsAssessedAndGoesOutAndIn(String id, int rooms, int devices, String expected) {
        Answer made = http.post("/api/demos/" + id, "");
        assertEquals(201, made.status(), made.text());
        String plan = "/api/plans/" + made.json().get("id").asString();
        String again = null;
        try {
            assertEquals(rooms, made.json().at("/plan/rooms").size());
            assertEquals(devices, made.json().at("/plan/devices").size());
            JsonNode assessment = http.get(plan + "/assessment").json().get("assessment");
            assertEquals(devices, assessment.get("states").size());
            List<String> stops = assessment
                    .get("snags")
                    .valueStream()
                    .filter(s -> s.get("severity").asString().equals("STOP"))
                    .map(s -> s.get("code").asString())
                    .toList();
            assertEquals(expected == null ? List.of() : List.of(expected.split(" ")), stops);
            Answer back =
                    http.post("/api/plans/import", http.get(plan + "/export").text());
            again = "/api/plans/" + back.json().get("id").asString();
            assertEquals(made.json().get("plan"), back.json().get("plan"));
        } finally {
            http.delete(plan);
            if (again != null) {
                http.delete(again);
            }
        }
    }

    @Test
    void thoseListedAreThoseThatCanBeMadeAndOthersAreNotFound() {
        JsonNode demos = http.get("/api/demos").json();
        assertEquals(3, demos.size());
        int before = http.get("/api/plans").json().size();
        Answer refused = http.post("/api/demos/..%2F..%2Fapplication", "");
        assertTrue(refused.status() == 404 || refused.status() == 400, refused.text());
        assertEquals(404, http.post("/api/demos/none", "").status());
        assertEquals(before, http.get("/api/plans").json().size());
    }
}
