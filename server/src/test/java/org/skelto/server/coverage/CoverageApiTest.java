package org.skelto.server.coverage;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.Http.Answer;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;
import tools.jackson.databind.JsonNode;

@ExtendWith(RunningSkelto.class)
class CoverageApiTest {
    private static String mill(Http http) {
        return "/api/plans/" + http.get("/api/plans").json().get(0).get("id").asString();
    }

    /** Reads the binary form by its description alone. */
    @Test
    void theBinaryFormHoldsTheDocumentAndEveryCell(Skelto skelto) throws IOException, InterruptedException {
        Http http = new Http(skelto);
        String at = mill(http) + "/coverage/WIFI_2G4/meal-floor";
        byte[] bytes = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(skelto.url + at + "/grid"))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray())
                .body();
        ByteBuffer in = ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN);
        assertEquals("SKC1", new String(bytes, 0, 4, StandardCharsets.US_ASCII));
        int length = in.getInt(4);
        JsonNode document = Http.MAPPER.readTree(new String(bytes, 8, length, StandardCharsets.UTF_8));
        JsonNode grid = document.get("grid");
        int columns = grid.get("columns").asInt();
        int cells = columns * grid.get("rows").asInt();
        assertEquals(8 + length + 6 * cells, bytes.length);

        int cell = cells / 2 + columns / 3;
        double x = grid.get("westM").asDouble()
                + (cell % columns + 0.5) * grid.get("cellM").asDouble();
        double y = grid.get("southM").asDouble()
                + (cell / columns + 0.5) * grid.get("cellM").asDouble();
        JsonNode heard = http.get(at + "/at?xM=" + x + "&yM=" + y).json().get("heard");
        assertEquals(heard.at("/0/levelDbm").asDouble(), in.getShort(8 + length + 4 * cell) / 100.0, 0.02);
        assertEquals(heard.at("/1/levelDbm").asDouble(), in.getShort(8 + length + 4 * cell + 2) / 100.0, 0.02);
        int server = bytes[8 + length + 4 * cells + 2 * cell] & 0xff;
        assertEquals(
                heard.at("/0/unit").asString(),
                document.get("servers").get(server).get("unit").asString());
    }

    @Test
    void followsTheOutageAndSaysWhatItCannotMap(Skelto skelto) {
        Http http = new Http(skelto);
        String mill = mill(http);
        String at = mill + "/coverage/WIFI_2G4/meal-floor";
        assertEquals(2, http.get(at).json().get("servers").size());
        assertEquals(
                1, http.get(at + "?without=unit:lathe-ap").json().get("servers").size());
        assertEquals(404, http.get(mill + "/coverage/ETHERNET/meal-floor").status());
        assertEquals(404, http.get(mill + "/coverage/WIFI_2G4/attic").status());
        assertEquals(400, http.get(mill + "/coverage/SMOKE/meal-floor").status());
        assertEquals(400, http.get(at + "/at?xM=here&yM=1").status());
        Answer preview = http.postAs(at + "/preview", "[{\"op\":\"replace\"}]", "application/json-patch+json");
        assertEquals(400, preview.status());
    }

    @Test
    void aProposalIsAJobThatEndsWithAnAnswer(Skelto skelto) throws InterruptedException {
        Http http = new Http(skelto);
        String mill = mill(http);
        String ask = "{\"medium\":\"WIFI_2G4\",\"goal\":\"FEWEST\",\"cover\":\"DEVICES\",\"times\":1,\"keep\":true,"
                + "\"building\":null,\"boxCost\":60,\"outletCost\":90}";
        Answer started = http.post(mill + "/placement", ask);
        assertEquals(202, started.status(), started.text());
        String job = "/api/jobs/" + started.json().get("job").asString();
        // the stream ends by itself, and its last event is the answer
        String events =
                http.with(job + "/events", "Accept", "text/event-stream").text();
        assertTrue(events.contains("\"state\":\"DONE\""), events);
        JsonNode result = http.get(job).json().get("result");
        assertTrue(result.get("proven").asBoolean());
        JsonNode edits = result.at("/placings/0/edits");
        Answer after = http.postAs(mill + "/preview", edits.toString(), "application/json-patch+json");
        assertEquals(200, after.status(), after.text());
        assertEquals(
                0,
                after.json()
                        .at("/assessment/snags")
                        .valueStream()
                        .filter(s -> s.get("code").asString().equals("R1")
                                && s.get("subjects").toString().contains("pit-sender"))
                        .count());
        Answer cancelled = http.delete(job);
        assertEquals(204, cancelled.status());
        assertEquals(
                404, http.get("/api/jobs/00000000-0000-0000-0000-000000000000").status());
        Answer bad = http.post(mill + "/placement", ask.replace("\"times\":1", "\"times\":7"));
        assertEquals(java.util.List.of("/times"), bad.places());
    }
}
