package org.skelto.server.plans;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
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
class PlanApiTest {
    private Http http;
    private String plan;
    private String url;

    @BeforeEach
    void makeAPlan(Skelto skelto) {
        http = new Http(skelto);
        url = skelto.url;
        Answer made =
                http.post("/api/plans", "{\"name\":\"Trial\",\"region\":\"EU\",\"mainsVoltageV\":230,\"place\":null}");
        assertEquals(201, made.status(), made.text());
        plan = "/api/plans/" + made.json().get("id").asString();
    }

    private static String room(String id, double width) {
        return "[{\"op\":\"add\",\"path\":\"/rooms/" + id + "\",\"value\":{\"floor\":\"ground\",\"name\":\"" + id
                + "\",\"corners\":[{\"xM\":0,\"yM\":0},{\"xM\":" + width + ",\"yM\":0},{\"xM\":" + width
                + ",\"yM\":3},{\"xM\":0,\"yM\":3}]}}]";
    }

    private JsonNode document() {
        return http.get(plan).json().get("plan");
    }

    @Test
    void theDemoIsThereOnceWithAllItsParts() {
        List<String> names = new ArrayList<>();
        http.get("/api/plans").json().forEach(p -> names.add(p.get("name").asString()));
        assertEquals(1, names.stream().filter("Marrowby Leat"::equals).count());
        assertEquals("Marrowby Leat", names.get(0));
        String id = http.get("/api/plans").json().get(0).get("id").asString();
        JsonNode mill = http.get("/api/plans/" + id).json().get("plan");
        assertEquals(49, mill.get("devices").size());
        assertEquals(
                14,
                mill.get("units")
                        .valueStream()
                        .filter(u -> u.get("kind").asString().equals("CONTROLLER"))
                        .count());
        JsonNode assessment = http.get("/api/plans/" + id + "/assessment?without=internet")
                .json()
                .get("assessment");
        assertTrue(assessment.get("sentence").asString().startsWith("Without internet: "));
        assertTrue(assessment.get("snags").size() >= 15);
    }

    @Test
    void anOutageHasALengthABeginningAndAMomentAndAWayOpens() {
        String mill =
                "/api/plans/" + http.get("/api/plans").json().get(0).get("id").asString();
        JsonNode end = http.get(mill + "/assessment?without=mains&for=PT8H&from=2027-01-15T18:00")
                .json()
                .get("assessment");
        assertEquals(8, end.at("/outage/atH").asDouble());
        assertEquals("at 15.1. 22:00", end.at("/moments/0/when").asString());
        assertTrue(end.at("/troubles/router/why").asString().contains("ran out after 4 h"));
        JsonNode then = http.get(mill + "/assessment?without=mains&for=PT8H&at=PT4H")
                .json()
                .get("assessment");
        assertTrue(then.at("/troubles/router").isMissingNode(), "what runs out at a moment still works at it");
        for (String wrong : List.of("for=8h", "for=-PT1H", "for=P2000D", "for=PT1H&at=PT2H", "at=PT1H", "from=today")) {
            Answer refused = http.get(mill + "/assessment?without=mains&" + wrong);
            assertEquals(422, refused.status(), wrong);
            assertEquals(
                    List.of("/" + (wrong.contains("at=") ? "at" : wrong.substring(0, wrong.indexOf('=')))),
                    refused.places());
        }
        JsonNode ways =
                http.get(mill + "/devices/study-lamp/ways?without=unit:hub").json();
        assertTrue(ways.valueStream()
                .anyMatch(w -> w.get("way").asString().equals("rule")
                        && w.get("brokenBy").asString().equals("house hub is out")));
        assertEquals(404, http.get(mill + "/devices/nothing/ways").status());
    }

    @Test
    void anEditIsARevisionThatUndoAndRedoWalk() {
        assertEquals(
                "\"2\"", http.patch(plan + "?label=first", 1L, room("a", 4)).tag());
        assertEquals(200, http.patch(plan + "?label=second", 2L, room("b", 5)).status());
        JsonNode both = document();

        Answer undone = http.postMatching(plan + "/undo", 3);
        assertEquals("first", undone.json().get("undo").asString());
        assertEquals("second", undone.json().get("redo").asString());
        assertFalse(undone.json().get("plan").get("rooms").has("b"));
        Answer twice = http.postMatching(plan + "/undo", 4);
        assertTrue(twice.json().get("undo").isNull());
        assertEquals(409, http.postMatching(plan + "/undo", 5).status());

        http.postMatching(plan + "/redo", 5);
        Answer redone = http.postMatching(plan + "/redo", 6);
        assertEquals(both, redone.json().get("plan"));
        assertTrue(redone.json().get("redo").isNull());
        assertEquals(409, http.postMatching(plan + "/redo", 7).status());

        http.postMatching(plan + "/undo", 7);
        http.patch(plan + "?label=third", 8L, room("c", 2));
        assertEquals(409, http.postMatching(plan + "/redo", 9).status(), "a new edit ends what could be redone");
        assertEquals(
                "third",
                http.get(plan + "/revisions").json().get(0).get("label").asString());
    }

    @Test
    void manyEditsUndoneOneByOneLeadBackToTheBeginning() {
        JsonNode beginning = document();
        for (long i = 1; i <= 30; i++) {
            assertEquals(200, http.patch(plan, i, room("r" + i % 7, i)).status());
        }
        for (long i = 31; i <= 60; i++) {
            assertEquals(200, http.postMatching(plan + "/undo", i).status());
        }
        assertEquals(beginning, document());
    }

    @Test
    void aStaleEditIsRefusedAndOneWithoutRevisionToo() {
        http.patch(plan, 1L, room("a", 4));
        Answer stale = http.patch(plan, 1L, room("b", 4));
        assertEquals(412, stale.status());
        assertTrue(stale.type().startsWith("application/problem+json"));
        assertEquals(428, http.patch(plan, null, room("b", 4)).status());
        assertFalse(document().get("rooms").has("b"));
    }

    @Test
    void ofManyEditsOfOneRevisionAtOnceExactlyOneIsStored() throws Exception {
        List<Callable<Integer>> edits = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            String id = "r" + i;
            edits.add(() -> http.patch(plan, 1L, room(id, 4)).status());
        }
        var pool = Executors.newFixedThreadPool(8);
        List<Integer> statuses = new ArrayList<>();
        for (var future : pool.invokeAll(edits)) {
            statuses.add(future.get());
        }
        pool.shutdown();
        assertEquals(1, statuses.stream().filter(s -> s == 200).count(), statuses.toString());
        assertEquals(7, statuses.stream().filter(s -> s == 412).count());
        assertEquals(1, document().get("rooms").size());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "not json | 400 | ",
                "{} | 400 | ",
                "[{\"op\":\"fly\",\"path\":\"/name\"}] | 400 | /name",
                "[{\"op\":\"replace\",\"path\":\"/nowhere/at/all\",\"value\":1}] | 400 | /nowhere/at/all",
                "[{\"op\":\"test\",\"path\":\"/name\",\"value\":\"Other\"}] | 409 | /name",
                "[{\"op\":5,\"path\":\"/name\"},7] | 400 | /name",
                "[7] | 400 | ",
                "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"\"}] | 422 | /name",
                "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":5}] | 422 | /name",
                "[{\"op\":\"add\",\"path\":\"/colour\",\"value\":5}] | 422 | /colour",
                "[{\"op\":\"remove\",\"path\":\"/buildings/house\"}] | 422 | /floors/ground/building",
                "[{\"op\":\"replace\",\"path\":\"/mainsVoltageV\",\"value\":1e999}] | 422 | /mainsVoltageV",
                "[{\"op\":\"replace\",\"path\":\"/mainsVoltageV\",\"value\":1e999999999}] | 422 | /mainsVoltageV",
                "[{\"op\":\"replace\",\"path\":\"/floors/ground/heightM\",\"value\":-2}] | 422 | /floors/ground/heightM",
                "[{\"op\":\"replace\",\"path\":\"/region\",\"value\":\"MOON\"}] | 422 | /region",
            })
    void refusesABadEditNamingThePlaceAndKeepsThePlan(String patch, int status, String place) {
        JsonNode before = document();
        Answer refused = http.patch(plan, 1L, patch);
        assertEquals(status, refused.status(), refused.text());
        assertTrue(refused.type().startsWith("application/problem+json"), refused.type());
        if (place != null) {
            assertTrue(refused.places().contains(place), refused.text());
        }
        assertFalse(refused.text().contains("Exception") || refused.text().contains("org.skelto"), refused.text());
        assertEquals(before, document());
    }

    @Test
    void aPatchNestedTooDeepIsRefusedAndQuotesNothingOfThePlan() {
        Answer deep = http.patch(plan, 1L, "[".repeat(50_000));
        assertEquals(400, deep.status(), deep.text());
        Answer lost = http.patch(plan, 1L, "[{\"op\":\"replace\",\"path\":\"/rooms/x/name\",\"value\":1}]");
        assertFalse(lost.text().contains("Trial"), lost.text());
    }

    @Test
    void whatTheFrameworkRefusesHasTheSameForm() {
        for (Answer refused :
                List.of(http.get("/api/plans/x"), http.get("/api/none"), http.post(plan + "/preview", ""))) {
            assertTrue(refused.type().startsWith("application/problem+json"), refused.type());
            assertEquals(List.of(), refused.places());
        }
    }

    @Test
    void numbersWrittenDifferentlyAreTheSameToATest() {
        String patch = "[{\"op\":\"test\",\"path\":\"/floors/ground/heightM\",\"value\":2.50},"
                + "{\"op\":\"test\",\"path\":\"/mainsVoltageV\",\"value\":230}]";
        assertEquals(200, http.patch(plan, 1L, patch).status());
    }

    @Test
    void aPreviewShowsWhatWouldFollowAndStoresNothing() {
        http.patch(plan, 1L, room("a", 4));
        Answer preview = http.post(plan + "/preview", "[]");
        assertEquals(415, preview.status());
        Answer shown = http.postAs(plan + "/preview", room("b", 4), "application/json-patch+json");
        assertEquals(200, shown.status(), shown.text());
        assertTrue(shown.json().get("assessment").get("snags").toString().contains("\"S1\""), "two rooms overlap");
        assertFalse(document().get("rooms").has("b"));
    }

    @Test
    void typedRoomsBecomeEdits() {
        Answer read = http.post(plan + "/typed-room", "{\"floor\":\"ground\",\"text\":\"hall 3x4 @ 1,2 stone-450\"}");
        assertEquals("/rooms/hall", read.json().get("edits").get(0).get("path").asString());
        Answer refused = http.post(plan + "/typed-room", "{\"floor\":\"ground\",\"text\":\"hall\"}");
        assertEquals(422, refused.status());
        assertEquals(List.of("/text"), refused.places());
    }

    @Test
    void copiesAndDeletesWithUndo() {
        Answer copy = http.post(plan + "/copy", "{\"name\":\"Second\"}");
        assertEquals("Second", copy.json().get("plan").get("name").asString());
        assertEquals(204, http.delete(plan).status());
        assertEquals(404, http.get(plan).status());
        assertEquals(404, http.patch(plan, 1L, room("a", 4)).status());
        assertEquals(200, http.post(plan + "/restore", "").status());
        assertEquals(200, http.get(plan).status());
        assertEquals(
                404, http.get("/api/plans/00000000-0000-0000-0000-000000000000").status());
        assertEquals(400, http.get("/api/plans/not-an-id").status());
    }

    @Test
    void otherSitesPagesGetNothing() {
        assertEquals(
                403,
                http.with("/api/plans", "Origin", "http://elsewhere.example").status());
        assertEquals(200, http.get("/plans/some/site").status());
        assertFalse(http.get("/").text().contains("__NONCE__"));
    }

    @Test
    void withTheDatabaseGoneItSaysSoAndGoesOnWhenItIsBack(Skelto skelto) throws Exception {
        JsonNode before = document();
        skelto.database.stop();
        Answer refused = http.patch(plan, 1L, room("a", 4));
        assertEquals(503, refused.status(), refused.text());
        assertTrue(refused.json().get("detail").asString().contains("Nothing was changed"));
        assertEquals(503, http.get(plan).status());
        skelto.database.start();
        Answer back = http.get(plan);
        for (int tries = 0; tries < 50 && back.status() != 200; tries++) {
            Thread.sleep(200);
            back = http.get(plan);
        }
        assertEquals(before, back.json().get("plan"));
        assertEquals(200, http.patch(plan, 1L, room("a", 4)).status());
    }

    @Test
    void thePageIsKeptSafeByItsHeaders() throws Exception {
        var request = java.net.http.HttpRequest.newBuilder(java.net.URI.create(url + "/plans"))
                .build();
        var client = java.net.http.HttpClient.newHttpClient();
        var first = client.send(request, java.net.http.HttpResponse.BodyHandlers.ofString());
        var second = client.send(request, java.net.http.HttpResponse.BodyHandlers.ofString());
        String policy = first.headers().firstValue("Content-Security-Policy").orElseThrow();
        String nonce = policy.replaceAll("(?s).*'nonce-([^']+)'.*", "$1");
        assertTrue(first.body().contains("nonce=\"" + nonce + "\""));
        assertFalse(second.body().contains(nonce), "a nonce is for one page");
        assertTrue(policy.contains("default-src 'self'") && !policy.contains("unsafe"), policy);
        assertEquals(
                "nosniff", first.headers().firstValue("X-Content-Type-Options").orElse(""));
    }

    @Test
    void aBodyThatDoesNotSayHowLongItIsIsLimitedToo() throws Exception {
        byte[] piece = " ".repeat(64 * 1024).getBytes(java.nio.charset.StandardCharsets.UTF_8);
        var endless = new java.io.InputStream() {
            private long left = 110L * 1024 * 1024;

            @Override
            public int read() {
                return left-- > 0 ? ' ' : -1;
            }

            @Override
            public int read(byte[] buffer, int offset, int length) {
                int count = (int) Math.min(Math.min(length, piece.length), left);
                System.arraycopy(piece, 0, buffer, offset, Math.max(count, 0));
                left -= count;
                return count > 0 ? count : -1;
            }
        };
        var request = java.net.http.HttpRequest.newBuilder(java.net.URI.create(url + "/api/plans/import"))
                .header("Content-Type", "application/json")
                .POST(java.net.http.HttpRequest.BodyPublishers.ofInputStream(() -> endless))
                .build();
        var answer = java.net.http.HttpClient.newHttpClient()
                .send(request, java.net.http.HttpResponse.BodyHandlers.ofString());
        assertEquals(413, answer.statusCode(), answer.body());
    }
}
