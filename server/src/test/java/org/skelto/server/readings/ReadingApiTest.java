package org.skelto.server.readings;

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
class ReadingApiTest {
    private Http http;
    private String plan;

    @BeforeEach
    void copyTheMill(Skelto skelto) {
        http = new Http(skelto);
        String mill = http.get("/api/plans").json().get(0).get("id").asString();
        plan = "/api/plans/"
                + http.post("/api/plans/" + mill + "/copy", "{\"name\":\"Walked\"}")
                        .json()
                        .get("id")
                        .asString();
        // the mill's own walk came along
        assertTrue(stored() > 50);
        http.delete(plan + "/readings");
    }

    private int stored() {
        return http.get(plan + "/readings").json().size();
    }

    /** What is judged while something is dragged is judged with the readings too. */
    @Test
    void aDragKeepsTheSnagsThatReadingsTell() {
        StringBuilder table = new StringBuilder("Room;Transmitter;dBm\n");
        for (int i = 0; i < 12; i++) {
            table.append("hall;meal floor AP;-104\n");
        }
        assertEquals(
                201,
                http.postAs(plan + "/readings/csv", table.toString(), "text/csv")
                        .status());
        JsonNode stored = http.get(plan + "/assessment").json().at("/assessment/snags");
        Answer dragged = http.postAs(
                plan + "/preview",
                "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"Walked on\"}]",
                "application/json-patch+json");
        assertEquals(200, dragged.status(), dragged.text());
        assertEquals(stored, dragged.json().at("/assessment/snags"));
        assertTrue(stored.valueStream().anyMatch(s -> s.get("code").asString().equals("R21")), "readings are far off");
    }

    @Test
    void takesInAPastedTableWithNamesAndSemicolons() {
        Answer taken = http.postAs(
                plan + "/readings/csv",
                "Room;Transmitter;dBm;at\nhall;meal floor AP;-52;2026-11-20 10:15:00\nScullery;lathe-ap;−61,5;\n",
                "text/csv");

        assertEquals(201, taken.status(), taken.text());
        JsonNode first = http.get(plan + "/readings").json().get(0);
        // the hall is 6.2..11.6 by 4.2..8.4 m: its middle is 8.9, 6.3
        assertEquals(8.9, first.at("/reading/xM").asDouble(), 1e-9);
        assertEquals("meal-ap", first.at("/reading/unit").asString());
        assertEquals("2026-11-20T10:15:00Z", first.at("/reading/at").asString());
        assertTrue(first.get("predictedDbm").asDouble() < -30);
        assertEquals(2, stored());
        http.delete(plan + "/readings");
        assertEquals(0, stored());
        assertEquals(
                2,
                http.post(plan + "/readings/restore", "").json().get("readings").asInt());
        assertEquals(2, stored());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "room,transmitter,dBm~hall,nobody,-50 | /line 2",
                "room,transmitter,dBm~hall,meal-ap,-50~hall,meal-ap,50 | /line 3",
                "room,transmitter,dBm~hall,meal-ap,-121 | /line 2",
                "room,transmitter,dBm~cellar,meal-ap,-50 | /line 2",
                "room,transmitter,dBm~hall,meal-ap,strong | /line 2",
                "room,transmitter,dBm,medium~hall,meal-ap,-50,SMOKE | /line 2",
                "room,transmitter,dBm,medium~hall,meal-ap,-50,CHIRP | /line 2",
                "floor,xM,yM,transmitter,dBm~attic,1,1,meal-ap,-50 | /line 2",
                "level,where~1,2 | /line 1",
                "nonsense | /line 1",
                "room,transmitter,dBm | ''",
            })
    void namesTheLineThatCannotBeReadAndStoresNothing(String table, String place) {
        Answer refused = http.postAs(plan + "/readings/csv", table.replace("~", "\n"), "text/csv");
        assertEquals(422, refused.status(), refused.text());
        assertEquals(place == null ? "" : place, refused.places().get(0), refused.text());
        assertEquals(0, stored());
    }

    @Test
    void refusesReadingsOfUnknownTransmittersAndInOtherUnits() {
        String reading =
                "[{\"floor\":\"meal-floor\",\"xM\":1,\"yM\":1,\"heightM\":1,\"unit\":\"%s\",\"medium\":\"WIFI_2G4\","
                        + "\"dbm\":%s,\"at\":\"2026-11-20T10:15:00Z\"}]";
        assertEquals(
                List.of("/0/unit"),
                http.post(plan + "/readings", reading.formatted("x", "-50")).places());
        assertEquals(
                List.of("/0/dbm"),
                http.post(plan + "/readings", reading.formatted("meal-ap", "63"))
                        .places());
        assertEquals(
                List.of("/0/dbm"),
                http.post(plan + "/readings", reading.formatted("meal-ap", "-130"))
                        .places());
        assertEquals(0, stored());
    }

    @Test
    void learnsFromTheSimulatedPhoneAndKeepsWhatItLearnedAsOneEdit() {
        assertEquals(409, http.get(plan + "/calibration").status());
        for (int i = 0; i < 24; i++) {
            double x = 0.6 + (i * 1.7) % 10.6;
            double y = 0.6 + (i * 2.3) % 7.2;
            Answer heard = http.post(
                    plan + "/readings/stand-in",
                    "{\"medium\":\"WIFI_2G4\",\"floor\":\"meal-floor\",\"xM\":" + x + ",\"yM\":" + y
                            + ",\"heightM\":1}");
            assertEquals(201, heard.status(), heard.text());
        }
        JsonNode fit = http.get(plan + "/calibration").json();
        assertTrue(fit.get("better").asBoolean(), fit.get("beforeDb") + " " + fit.get("afterDb"));
        Answer edited = http.patch(
                plan, 1L, "[{\"op\":\"add\",\"path\":\"/calibration\",\"value\":" + fit.get("calibration") + "}]");
        assertEquals(200, edited.status(), edited.text());
        assertTrue(http.get(plan + "/coverage/WIFI_2G4/meal-floor")
                .json()
                .get("model")
                .asString()
                .contains("calibrated"));
        assertEquals(200, http.postMatching(plan + "/undo", 2).status());
        assertTrue(http.get(plan).json().at("/plan/calibration").isNull());
    }

    @Test
    void readingsTravelWithTheExportedPlan() {
        http.postAs(plan + "/readings/csv", "room,transmitter,dBm\nhall,meal-ap,-50\n", "text/csv");
        String file = http.get(plan + "/export").text();
        Answer made = http.post("/api/plans/import", file);
        assertEquals(201, made.status(), made.text());
        String again = "/api/plans/" + made.json().get("id").asString();
        assertEquals(file, http.get(again + "/export").text());
        Answer broken = http.post("/api/plans/import", file.replace("\"dbm\":-50.0", "\"dbm\":50.0"));
        assertEquals(422, broken.status());
        assertEquals(List.of("/readings/0"), broken.places());
    }
}
