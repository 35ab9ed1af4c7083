package org.skelto.server.longrange;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.Http.Answer;
import org.skelto.server.testing.OnTheMill;
import tools.jackson.databind.JsonNode;

/** The long-range bench over HTTP, on a copy of the mill. */
class LongRangeApiTest extends OnTheMill {
    private static final String CSV = "text/csv";

    private JsonNode put(String name, byte[] file, int status) {
        try {
            HttpResponse<String> answer = HttpClient.newHttpClient()
                    .send(
                            HttpRequest.newBuilder(URI.create(skelto.url + plan + "/ground?name=" + name))
                                    .header("Content-Type", "application/octet-stream")
                                    .PUT(HttpRequest.BodyPublishers.ofByteArray(file))
                                    .build(),
                            HttpResponse.BodyHandlers.ofString());
            assertEquals(status, answer.statusCode(), answer.body());
            return Http.MAPPER.readTree(answer.body());
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void theMillHasPathsWithGroundAndEveryPartOfTheBenchAnswers() {
        JsonNode overview = http.get(plan + "/long-range").json();
        assertTrue(overview.get("rows").size() >= 4);
        assertEquals(136, overview.at("/ground/columns").asInt());
        assertTrue(overview.at("/law/advice").asString().contains("check with your regulator"));
        JsonNode sluice = http.get(plan + "/long-range/paths/sluice").json();
        assertEquals(2, sluice.at("/report/runs").size());
        assertTrue(sluice.at("/clearance/clearanceM").asDouble() < 0, "the spur is in the way");
        assertTrue(http.get(plan + "/long-range/paths/sluice/changes")
                        .json()
                        .get("changes")
                        .size()
                > 3);
        assertEquals(
                70,
                http.get(plan + "/long-range/paths/sluice/settings")
                        .json()
                        .get("settings")
                        .size());
        assertFalse(http.get(plan + "/long-range/air").json().isEmpty());
        assertTrue(http.get(plan + "/long-range/energy")
                .json()
                .at("/sluice-board/months/0/month")
                .asString()
                .equals("July"));
        assertEquals(
                8,
                http.get(plan + "/long-range/messages/sluice-board")
                        .json()
                        .at("/payload/bytes")
                        .asInt());
        JsonNode routes = http.get(plan + "/long-range/routes?from=paddle-button&to=sluice-board")
                .json();
        assertTrue(
                routes.at("/0/possible").asBoolean() && routes.at("/1/possible").asBoolean());
    }

    @Test
    void aDraggedAntennaIsPreviewedAndNothingIsStored() {
        String before = document();
        String patch = "[{\"op\":\"replace\",\"path\":\"/units/sluice-board/radios/chirp/air/mastM\",\"value\":14}]";
        JsonNode there = http.postAs(plan + "/long-range/paths/sluice/preview", patch, "application/json-patch+json")
                .json();
        assertEquals(14, there.at("/to/heightM").asDouble());
        double now = http.get(plan + "/long-range/paths/sluice")
                .json()
                .at("/report/marginDb")
                .asDouble();
        assertTrue(there.at("/report/marginDb").asDouble() > now + 1);
        assertEquals(before, document());
    }

    @Test
    void aProfileFromTheGridGoesAlongWhenItsEndMovesAndComesBackWithUndo() {
        String before = document();
        JsonNode old = Http.MAPPER.readTree(before).at("/paths/sluice/profile");
        String patch = "[{\"op\":\"replace\",\"path\":\"/units/sluice-board/place/yM\",\"value\":30}]";
        JsonNode previewed = http.postAs(plan + "/preview", patch, "application/json-patch+json")
                .json()
                .at("/plan/paths/sluice/profile");
        assertNotEquals(old, previewed);
        assertEquals(before, document(), "a preview stores nothing");
        long revision = revision();
        JsonNode after = http.patch(plan, revision, patch).json();
        assertEquals(previewed, after.at("/plan/paths/sluice/profile"));
        assertEquals(
                after.at("/plan/paths/sluice/profile"),
                http.postAs(plan + "/ground/profile?from=chirp-gw&to=sluice-board", "", "application/json")
                        .json()
                        .at("/path/profile"));
        assertEquals(
                Http.MAPPER.readTree(before).at("/paths/cistern"),
                after.at("/plan/paths/cistern"),
                "nothing else moved");
        http.postMatching(plan + "/undo", revision + 1);
        assertEquals(before, document());
    }

    @Test
    void groundIsLaidUnderEveryFarLinkAndTheWaysOfACommandKnowIt() {
        JsonNode bare = http.get(plan + "/long-range").json().get("rows");
        List<String> open = new ArrayList<>();
        bare.forEach(r -> {
            if (r.get("openAir").asBoolean()) {
                open.add(r.get("from").asString());
            }
        });
        assertFalse(open.isEmpty());
        JsonNode laid =
                http.postAs(plan + "/ground/profiles", "", "application/json").json();
        assertEquals(
                open, laid.valueStream().map(p -> p.at("/path/from").asString()).toList());
        // nothing but air would let the button hear the sluice over the hill with 50 dB to spare
        JsonNode straight = http.get(plan + "/long-range/routes?from=paddle-button&to=sluice-board")
                .json()
                .get(0);
        assertFalse(straight.at("/legs/0/openAir").asBoolean());
        assertTrue(straight.at("/legs/0/marginDb").asDouble() < 25, straight.toString());
        // the paths that were cut out of a grid are there again, out of the one that is there now
        put(
                "flat.asc",
                "ncols 2\nnrows 2\nxllcenter -4000\nyllcenter -4000\ncellsize 8000\n7 7\n7 7\n"
                        .getBytes(StandardCharsets.UTF_8),
                200);
        JsonNode anew = http.postAs(plan + "/ground/profiles?anew=true", "", "application/json")
                .json();
        assertEquals(2, anew.size());
        anew.forEach(p -> p.at("/path/profile")
                .forEach(point -> assertEquals(7, point.get("elevationM").asDouble())));
        http.delete(plan + "/ground");
        assertEquals(
                409,
                http.postAs(plan + "/ground/profiles", "", "application/json").status());
        assertTrue(http.get(plan + "/long-range/routes?from=paddle-button&to=sluice-board")
                .json()
                .at("/0/legs/0/openAir")
                .asBoolean());
    }

    @Test
    void figuresOfASettingAndOfAPlaceOfTheMapAreThere() {
        JsonNode figures = http.get(plan + "/long-range/paths/sluice/settings/12/125?payloadBytes=20")
                .json();
        assertEquals("20 bytes", figures.at("/airtime/inputs/PL, payload").asString());
        assertEquals(
                404, http.get(plan + "/long-range/paths/sluice/settings/12/126").status());
        assertEquals(
                List.of("/payloadBytes"),
                http.get(plan + "/long-range/paths/sluice/settings/12/125?payloadBytes=300")
                        .places());
        String ask = "{\"unit\":\"chirp-gw\",\"medium\":\"CHIRP\",\"heightM\":3,\"chance\":0.95}";
        JsonNode place = http.post(plan + "/ground/map/place?x=200&y=300", ask).json();
        assertEquals(220, place.get("xM").asDouble(), 20, "the next node");
        assertFalse(place.at("/figure/inputs").isEmpty());
        assertEquals(
                List.of("/x"),
                http.post(plan + "/ground/map/place?x=99999&y=300", ask).places());
        assertEquals(400, http.post(plan + "/ground/map/place?x=NaN&y=ten", ask).status());
    }

    @Test
    void aProfileFromTheGridIsThatOfTheMillAndOthersAreRead() {
        JsonNode taken = http.postAs(plan + "/ground/profile?from=chirp-gw&to=sluice-board", "", "application/json")
                .json();
        JsonNode known = at("/paths/sluice/profile");
        assertEquals(known.size(), taken.at("/path/profile").size());
        assertEquals(
                known.get(30).get("elevationM").asDouble(),
                taken.at("/path/profile/30/elevationM").asDouble(),
                0.02);
        assertEquals(
                3,
                http.postAs(plan + "/ground/profile/csv?from=gate-board&to=chirp-gw", "0;1\n50;3,5\n90;2", CSV)
                        .json()
                        .get("read")
                        .asInt());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/ground/profile/csv?from=gate-board&to=chirp-gw | 0,1~ten,2 | /line 2",
                "/ground/profile/csv?from=gate-board&to=chirp-gw | 0,1~10,2~10,3 | /line 3",
                "/ground/profile/csv?from=gate-board&to=gate-board | 0,1~10,2 | /to",
                "/long-range/paths/sluice/readings/csv | distanceM,dBm~120,-300 | /line 2",
                "/long-range/paths/sluice/readings/csv | distanceM,dBm~99999,-80 | /line 2",
                "/long-range/paths/sluice/readings/csv | distance~1 | /line 1",
            })
    void whatCannotBeReadNamesItsLineAndChangesNothing(String path, String table, String place) {
        String before = document();
        Answer refused = http.postAs(plan + path, table.replace('~', '\n'), CSV);
        assertEquals(422, refused.status(), refused.text());
        assertEquals(List.of(place), refused.places());
        assertEquals(before, document());
    }

    @ParameterizedTest
    @CsvSource({
        "payloadBytes=0, /payloadBytes",
        "payloadBytes=300, /payloadBytes",
        "tries=11, /tries",
        "codingRate=4, /codingRate",
        "frequencyMHz=868.65, /frequencyMHz",
        "frequencyMHz=2440, /frequencyMHz",
    })
    void settingsOutsideEveryBoundAreRefused(String query, String place) {
        Answer refused = http.get(plan + "/long-range/paths/sluice/settings?" + query);
        assertEquals(422, refused.status(), refused.text());
        assertEquals(List.of(place), refused.places());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/paths/sluice/profile/3/distanceM | 5 | /paths/sluice/profile/3/distanceM",
                "/paths/sluice/profile | [] | /paths/sluice/profile",
                "/units/sluice-board/message/fields | FIELDS | /units/sluice-board/message/fields",
                "/units/sluice-board/radios/chirp/air/networkId | 70000 | /units/sluice-board/radios/chirp/air/networkId",
            })
    void documentsThatCannotBeAreRefusedWithTheirPlace(String path, String value, String place) {
        String before = document();
        String fields = "[" + "{\"name\":\"x\",\"kind\":\"COUNTER\",\"bits\":60},".repeat(40)
                + "{\"name\":\"y\",\"kind\":\"FLAG\"}]";
        long revision = revision();
        Answer refused = http.patch(
                plan,
                revision,
                "[{\"op\":\"replace\",\"path\":\"" + path + "\",\"value\":" + value.replace("FIELDS", fields) + "}]");
        assertEquals(422, refused.status(), refused.text());
        assertEquals(place, refused.places().get(0));
        assertEquals(before, document());
    }

    @Test
    void heightsComeInGoOutAndAreKeptWhenAFileIsWrong() throws Exception {
        String stored = http.get(plan + "/ground/file").text();
        for (String[] wrong : new String[][] {
            {"N52W003.hgt", "short"}, {"x.asc", "ncols 2\nnrows 2\n"}, {"x.asc", "hello"}, {"a%2Fb.asc", stored}
        }) {
            JsonNode refused = put(wrong[0], wrong[1].getBytes(StandardCharsets.UTF_8), 422);
            assertTrue(refused.get("detail").asString().contains("kept"));
        }
        assertEquals(stored, http.get(plan + "/ground/file").text());
        JsonNode info = put("again.asc", stored.getBytes(StandardCharsets.UTF_8), 200);
        assertEquals(136, info.get("columns").asInt());
        assertEquals(stored, http.get(plan + "/ground/file").text());
        assertEquals(204, http.delete(plan + "/ground").status());
        assertEquals(404, http.get(plan + "/ground/file").status());
        assertEquals(
                409,
                http.postAs(plan + "/ground/profile?from=chirp-gw&to=sluice-board", "", "application/json")
                        .status());
    }

    @Test
    void gpxWithEntitiesIsRefused() {
        Answer refused = http.postAs(
                plan + "/ground/profile/gpx?from=chirp-gw&to=sluice-board",
                "<!DOCTYPE gpx [<!ENTITY x SYSTEM \"file:///etc/passwd\">]><gpx><wpt lat=\"1\" lon=\"1\"><ele>&x;</ele></wpt></gpx>",
                "application/octet-stream");
        assertEquals(422, refused.status());
        assertFalse(refused.text().contains("root:"));
    }

    @Test
    void aFieldTestIsKeptTravelsWithThePlanAndTeaches() {
        Answer stored = http.postAs(
                plan + "/long-range/paths/sluice/readings/csv",
                "distanceM,dBm,snrDb,note\n100,-75,9,=cmd\n200,-78,8,\n330,-98,-3,behind\n560,-125,-9,",
                CSV);
        assertEquals(4, stored.json().get("readings").asInt(), stored.text());
        JsonNode report = http.get(plan + "/long-range/paths/sluice/readings").json();
        assertEquals(11, report.get("lines").size());
        assertEquals(11, report.at("/lesson/learned/readings").asInt());
        String table = http.get(plan + "/long-range/paths/sluice/readings/csv").text();
        assertTrue(table.contains(",'=cmd"), "no formula where it is opened");
        http.postAs(
                plan + "/long-range/paths/cistern/readings/csv", table.replace("sluice-board", "cistern-board"), CSV);
        List<String> notes = new ArrayList<>();
        http.get(plan + "/long-range/paths/cistern/readings")
                .json()
                .get("lines")
                .forEach(l -> notes.add(l.at("/compared/reading/note").asString("")));
        assertTrue(notes.contains("=cmd"), notes + " come back as they were");
        Answer back = http.post("/api/plans/import", document());
        String copy = "/api/plans/" + back.json().get("id").asString();
        assertEquals(document(), http.get(copy + "/export").text());
        http.delete(copy);
        String first = report.at("/lines/0/id").asString();
        http.delete(plan + "/long-range/readings/" + first);
        assertEquals(
                10,
                http.get(plan + "/long-range/paths/sluice/readings")
                        .json()
                        .get("lines")
                        .size());
    }

    @Test
    void aFileWhoseGroundIsBrokenIsRefusedWhole() {
        int before = http.get("/api/plans").json().size();
        String file = document();
        int at = file.indexOf("\"asciiGridGzip\":\"") + 17;
        for (String broken : List.of("####", "AAAA")) {
            Answer refused = http.post("/api/plans/import", file.substring(0, at) + broken + file.substring(at + 4));
            assertEquals(422, refused.status(), refused.text());
            assertTrue(refused.places().get(0).startsWith("/ground"), refused.text());
        }
        assertEquals(before, http.get("/api/plans").json().size());
    }

    @Test
    void aMapIsDrawnAsAJobAndAWrongQuestionIsNamed() throws InterruptedException {
        String ask =
                "{\"unit\":\"chirp-gw\",\"medium\":\"CHIRP\",\"other\":\"sluice-board\",\"heightM\":3,\"chance\":0.95}";
        Answer started = http.post(plan + "/ground/map", ask);
        assertEquals(202, started.status(), started.text());
        String job = "/api/jobs/" + started.json().get("job").asString();
        JsonNode view = http.get(job).json();
        for (int i = 0; i < 200 && !view.get("state").asString().equals("DONE"); i++) {
            Thread.sleep(100);
            view = http.get(job).json();
        }
        assertEquals("DONE", view.get("state").asString(), view.toString());
        assertEquals(136 * 96, view.at("/result/marginDb").size());
        assertFalse(view.at("/result/candidates").isEmpty());
        Answer wrong = http.post(
                plan + "/ground/map",
                ask.replace("\"chirp-gw\"", "\"nobody\"").replace("0.95", "2").replace(":3,", ":99,"));
        assertEquals(422, wrong.status());
        assertEquals(List.of("/unit", "/heightM", "/chance"), wrong.places());
    }
}
