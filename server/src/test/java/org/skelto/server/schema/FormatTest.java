package org.skelto.server.schema;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
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
import tools.jackson.databind.node.ObjectNode;

/** Import, export and the published descriptions, read by an independent validator. */
@ExtendWith(RunningSkelto.class)
class FormatTest {
    private Http http;
    private String demo;

    @BeforeEach
    void exportTheDemo(Skelto skelto) {
        http = new Http(skelto);
        String id = http.get("/api/plans").json().get(0).get("id").asString();
        demo = http.get("/api/plans/" + id + "/export").text();
    }

    private JsonSchema schema() {
        return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(http.get("/formats/skelto-plan-1.schema.json").text());
    }

    private static Set<?> faults(JsonSchema schema, String document) {
        return schema.validate(document, com.networknt.schema.InputFormat.JSON);
    }

    @Test
    void anIndependentReaderAcceptsWhatIsExportedAndRefusesWhatImportRefuses() {
        JsonSchema schema = schema();
        assertEquals(Set.of(), faults(schema, demo));
        for (String[] bad : new String[][] {
            {"\"xM\":6.2,\"yM\":4.2", "\"xM\":6200,\"yM\":4.2"},
            {"skelto-plan/1", "skelto-plan/2"},
            {"\"region\":\"EU\"", "\"region\":\"MARS\""},
            {"\"cautionsRead\":", "\"colour\":1,\"cautionsRead\":"},
        }) {
            String broken = demo.replace(bad[0], bad[1]);
            assertFalse(broken.equals(demo), bad[0]);
            assertFalse(faults(schema, broken).isEmpty(), bad[1]);
            assertEquals(422, http.post("/api/plans/import", broken).status(), bad[1]);
        }
    }

    @Test
    void exportThenImportThenExportIsTheSame() {
        Answer again = http.post("/api/plans/import", demo);
        assertEquals(201, again.status(), again.text());
        String id = again.json().get("id").asString();
        assertEquals(demo, http.get("/api/plans/" + id + "/export").text());
        http.delete("/api/plans/" + id);
    }

    @Test
    void aRoomOfTheFirstDaysBecomesAnOutline() {
        ObjectNode plan = (ObjectNode) Http.MAPPER.readTree(demo);
        ((ObjectNode) plan.get("rooms"))
                .set(
                        "hall",
                        Http.MAPPER.readTree("{\"floor\":\"meal-floor\",\"name\":\"Hall\",\"xM\":6.2,\"yM\":4.2,"
                                + "\"widthM\":5.4,\"depthM\":4.2,\"walls\":{\"north\":\"stone-600\",\"east\":\"stone-450\","
                                + "\"south\":\"brick-110\",\"west\":\"brick-220\"},\"clutter\":\"EMPTY\"}"));
        Answer made = http.post("/api/plans/import", plan.toString());
        assertEquals(201, made.status(), made.text());
        JsonNode hall = made.json().at("/plan/rooms/hall");
        assertEquals(
                "[\"brick-110\",\"stone-450\",\"stone-600\",\"brick-220\"]",
                hall.get("walls").toString());
        assertEquals(11.6, hall.at("/corners/2/xM").asDouble());
        assertEquals(8.4, hall.at("/corners/2/yM").asDouble());
        http.delete("/api/plans/" + made.json().get("id").asString());
    }

    @Test
    void oddNamesSurviveTheJourney() {
        ObjectNode plan = (ObjectNode) Http.MAPPER.readTree(demo);
        String name = "<img src=x onerror=alert(1)> 🫖 بيت \"quoted\"";
        plan.put("name", name);
        Answer made = http.post("/api/plans/import", plan.toString());
        assertEquals(name, made.json().get("plan").get("name").asString());
        http.delete("/api/plans/" + made.json().get("id").asString());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/rooms/hall/corners/0/xM | \"wide\" | 422 | /rooms/hall/corners/0/xM",
                "/rooms/hall/corners/0/xM | null | 422 | /rooms/hall/corners/0/xM",
                "/rooms/hall/corners/0/xM | 1e999 | 422 | /rooms/hall/corners/0/xM",
                "/rooms/hall/floor | \"nowhere\" | 422 | /rooms/hall/floor",
                "/units/hub/channels | 1.5 | 422 | /units/hub/channels",
                "/units/meal-ap/radios/wifi/frequencyMHz | 1 | 422 | /units/meal-ap/radios/wifi/frequencyMHz",
                "/links/hub-loft-switch/to | \"gone\" | 422 | /links/hub-loft-switch/to",
                "/devices/front-lock/kind | \"DRAGON\" | 422 | /devices/front-lock/kind",
                "/format | \"skelto-plan/99\" | 422 | /format",
            })
    void refusesADocumentNamingThePlace(String place, String value, int status, String wanted) {
        int before = http.get("/api/plans").json().size();
        JsonNode plan = Http.MAPPER.readTree(demo);
        int cut = place.lastIndexOf('/');
        ((ObjectNode) plan.at(place.substring(0, cut))).put(place.substring(cut + 1), "@@");
        Answer refused = http.post("/api/plans/import", plan.toString().replace("\"@@\"", value));
        assertEquals(status, refused.status(), refused.text());
        assertTrue(refused.places().contains(wanted), refused.text());
        assertFalse(refused.text().contains("Exception") || refused.text().contains("skelto.core"), refused.text());
        assertEquals(before, http.get("/api/plans").json().size());
    }

    @Test
    void refusesWhatIsNoDocumentAtAll() {
        for (String bad :
                new String[] {demo.substring(0, demo.length() / 2), "", "NaN", "[1,2]", "null", demo + demo}) {
            Answer refused = http.post("/api/plans/import", bad);
            assertTrue(refused.status() == 400 || refused.status() == 422, refused.status() + " " + refused.text());
            assertTrue(refused.type().startsWith("application/problem+json"));
        }
        Answer nan = http.post("/api/plans/import", demo.replace("\"heightM\":2.6", "\"heightM\":NaN"));
        assertEquals(400, nan.status(), nan.text());
        Answer twice = http.post("/api/plans/import", demo.replaceFirst("\"name\":", "\"name\":\"x\",\"name\":"));
        assertTrue(twice.status() == 400 || twice.status() == 422, twice.text());
    }

    @Test
    void refusesAFileOfAHundredAndTenMegabytesAndTenThousandRooms() {
        assertEquals(
                413,
                http.post("/api/plans/import", "[" + " ".repeat(110 * 1024 * 1024) + "]")
                        .status());
        StringBuilder rooms = new StringBuilder();
        for (int i = 0; i < 10_000; i++) {
            rooms.append("\"r")
                    .append(i)
                    .append("\":{\"floor\":\"meal-floor\",\"name\":\"r\",\"corners\":[")
                    .append("{\"xM\":0,\"yM\":0},{\"xM\":1,\"yM\":0},{\"xM\":1,\"yM\":1}]},");
        }
        Answer refused = http.post("/api/plans/import", demo.replace("\"rooms\":{", "\"rooms\":{" + rooms));
        assertEquals(422, refused.status());
        assertEquals(java.util.List.of("/rooms"), refused.places());
    }

    @Test
    void calculatorsAnswerWithFormulaAndSource() {
        Answer loss = http.post("/api/calculators/free-space-loss", "{\"frequencyMHz\":868,\"distanceM\":1000}");
        // 20 log10(4π·1000·868e6/299792458) = 91.22 dB
        assertEquals(91.22, loss.json().at("/out/lossDb").asDouble(), 0.01);
        assertTrue(loss.json().get("source").asString().contains("P.525"));
        Answer bad = http.post("/api/calculators/free-space-loss", "{\"frequencyMHz\":\"x\",\"distanceM\":1000}");
        assertEquals(java.util.List.of("/frequencyMHz"), bad.places());
        assertEquals(404, http.post("/api/calculators/horoscope", "{}").status());
    }

    /** The page's types come from this document; write it anew with -Dskelto.openapi.write=true. */
    @Test
    void theCommittedApiDocumentIsTheServedOne() throws IOException {
        Path committed = Path.of("../web/src/api/openapi.json");
        JsonNode served = http.get("/v3/api-docs").json();
        if (Boolean.getBoolean("skelto.openapi.write")) {
            Files.writeString(
                    committed,
                    Http.MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(served) + "\n",
                    StandardCharsets.UTF_8);
        }
        assertEquals(Http.MAPPER.readTree(Files.readString(committed)), served);
    }
}
