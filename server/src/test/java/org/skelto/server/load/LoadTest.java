package org.skelto.server.load;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.skelto.server.testing.Http.Answer;
import org.skelto.server.testing.OnTheMill;
import org.skelto.server.testing.Wire;
import tools.jackson.databind.JsonNode;

/** What one client does must not keep another from working: real connections to the real server. */
class LoadTest extends OnTheMill {
    private static final Duration SOON = Duration.ofSeconds(20);
    private static final String PATCH = "application/json-patch+json";

    private final List<Wire> wires = new ArrayList<>();

    @AfterEach
    void hangUp() throws IOException {
        skelto.bean(Budgets.class).boundSteps(Long.MAX_VALUE);
        for (Wire wire : wires) {
            wire.close();
        }
    }

    private Wire wire() throws IOException {
        Wire wire = new Wire(skelto);
        wires.add(wire);
        return wire;
    }

    private void anotherPersonWorks() {
        assertTimeoutPreemptively(SOON, () -> {
            assertEquals(200, http.get(plan + "/assessment").status());
            Answer edited = http.patch(
                    plan,
                    revision(),
                    "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"" + System.nanoTime() + "\"}]");
            assertEquals(200, edited.status(), edited.text());
        });
    }

    @Test
    void bodiesThatDoNotArriveAndConnectionsThatDoNothingHoldUpNobody() throws IOException {
        for (int i = 0; i < 110; i++) {
            wire().send(Wire.post("/api/plans", 200, "application/json") + "{");
            wire().send(Wire.post(plan + "/preview", 200_000, PATCH) + "[");
            wire();
            wire().send("GET /api/pl");
        }
        anotherPersonWorks();
    }

    @Test
    void oneClientHasOnlySoManyUnfinishedBodies() throws IOException {
        int refused = 0;
        for (int i = 0; i < 430; i++) {
            wire().send(Wire.post("/api/plans", 200, "application/json") + "{");
        }
        for (Wire wire : wires) {
            String line = wire.firstLine(5);
            refused += line != null && line.contains("429") ? 1 : 0;
        }
        assertTrue(refused >= 20 && refused <= 40, refused + " refused");
    }

    @Test
    void headersAndBodiesHaveATimeAndNotOnlyABetweenTwoLetters() throws Exception {
        Wire head = wire();
        Wire body = wire().send(Wire.post("/api/plans", 2000, "application/json"));
        long began = System.nanoTime();
        head.send("GET /api/plans HTTP/1.1\r\nHost: 127.0.0.1\r\nX: ");
        boolean headOpen = true;
        String bodyAnswer = "";
        while ((headOpen || bodyAnswer.isEmpty()) && System.nanoTime() - began < 30_000_000_000L) {
            Thread.sleep(400);
            try {
                head.send("x");
            } catch (IOException closed) {
                headOpen = false;
            }
            if (bodyAnswer.isEmpty()) {
                body.send(" ");
                String line = body.firstLine(20);
                bodyAnswer = line == null ? "closed" : line;
            }
        }
        assertFalse(headOpen, "headers that never end are cut off");
        assertTrue(bodyAnswer.contains("408"), bodyAnswer);
    }

    @Test
    void anAnswerThatIsNotTakenHoldsUpNobody() throws IOException {
        for (int i = 0; i < 60; i++) {
            wire().send(Wire.get("/api/catalog") + Wire.get(plan + "/export").repeat(4));
        }
        anotherPersonWorks();
    }

    @Test
    void emptyArraysByTheMillionAreRefusedAndNothingRunsOutOfMemory() throws Exception {
        String empties = "[" + "[],".repeat(10_000_000) + "[]]";
        ExecutorService people = Executors.newFixedThreadPool(4);
        try {
            List<Callable<Integer>> all = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                all.add(() -> http.post("/api/plans/import", empties).status());
            }
            List<Future<Integer>> answers = people.invokeAll(all);
            for (Future<Integer> answer : answers) {
                assertTrue(Set.of(413, 429).contains(answer.get()), "answered " + answer.get());
            }
        } finally {
            people.shutdownNow();
        }
        anotherPersonWorks();
    }

    @Test
    void nestedCopiesAreRefusedForWhatTheyWouldMake() {
        StringBuilder copies = new StringBuilder("[{\"op\":\"add\",\"path\":\"/services/a\",\"value\":{}}");
        for (int i = 0; i < 10; i++) {
            copies.append(",{\"op\":\"copy\",\"from\":\"/services\",\"path\":\"/services/a/")
                    .append(i)
                    .append("\"}");
        }
        String patch = copies.append("]").toString();
        StringBuilder doubling = new StringBuilder("[{\"op\":\"add\",\"path\":\"/spots/s\",\"value\":[\"x\"]}");
        for (int i = 0; i < 60; i++) {
            doubling.append(",{\"op\":\"copy\",\"from\":\"/spots/s\",\"path\":\"/spots/s/-\"}");
        }
        long revision = revision();
        assertTimeoutPreemptively(Duration.ofSeconds(2), () -> {
            assertTrue(http.patch(plan, revision, patch).status() >= 400);
            Answer answer = http.patch(plan, revision, doubling.append("]").toString());
            assertEquals(413, answer.status(), answer.text());
            assertTrue(answer.text().contains("8 MB"), "the limit is named: " + answer.text());
        });
        assertEquals(revision, revision());
    }

    @Test
    void patchesHaveALimitOfOperationsAndNoNameTwice() {
        String one = "{\"op\":\"test\",\"path\":\"/format\",\"value\":\"skelto-plan/1\"}";
        assertEquals(
                413,
                http.patch(plan, revision(), "[" + (one + ",").repeat(5000) + one + "]")
                        .status());
        Answer twice = http.patch(
                plan, revision(), "[{\"op\":\"replace\",\"op\":\"test\",\"path\":\"/name\",\"value\":\"x\"}]");
        assertEquals(400, twice.status(), twice.text());
        assertEquals(
                413,
                http.patch(
                                plan,
                                revision(),
                                "[{\"op\":\"replace\",\"path\":\"/mainsVoltageV\",\"value\":" + "9".repeat(5000) + "}]")
                        .status());
    }

    @Test
    void manyLongProfilesAtOnceCostWhatTheyHold() {
        List<String> units = http.get(plan).json().at("/plan/units").propertyNames().stream()
                .sorted()
                .limit(8)
                .toList();
        StringBuilder paths = new StringBuilder("[");
        int number = 0;
        for (int i = 0; i < units.size(); i++) {
            for (int j = 0; j < i && number < 25; j++) {
                paths.append(number++ == 0 ? "" : ",")
                        .append("{\"op\":\"add\",\"path\":\"/paths/p" + number + "\",\"value\":")
                        .append("{\"from\":\"" + units.get(i) + "\",\"to\":\"" + units.get(j) + "\",\"profile\":")
                        .append(profile(number))
                        .append(",\"covers\":[],\"source\":\"TYPED\",\"model\":\"DIFFRACTION\"}}");
            }
        }
        Answer added = http.patch(plan, revision(), paths.append("]").toString());
        assertEquals(
                200,
                added.status(),
                added.text().substring(0, Math.min(600, added.text().length())));
        StringBuilder replaced = new StringBuilder("[");
        for (int p = 1; p <= number; p++) {
            replaced.append(p == 1 ? "" : ",")
                    .append("{\"op\":\"replace\",\"path\":\"/paths/p" + p + "/profile\",\"value\":")
                    .append(profile(p + 100))
                    .append("}");
        }
        long revision = revision();
        String patch = replaced.append("]").toString();
        // a second is asked of it; the time is for a busy machine
        Answer answer = assertTimeoutPreemptively(SOON, () -> http.patch(plan, revision, patch));
        assertEquals(
                200,
                answer.status(),
                answer.text().substring(0, Math.min(600, answer.text().length())));
        assertEquals(200, http.postMatching(plan + "/undo", revision()).status());
        assertEquals(added.json().at("/plan/paths"), http.get(plan).json().at("/plan/paths"));
    }

    private static String profile(int seed) {
        StringBuilder points = new StringBuilder("[");
        for (int i = 0; i < 2000; i++) {
            points.append(i == 0 ? "" : ",")
                    .append("{\"distanceM\":" + i + ",\"elevationM\":" + (i * 31 + seed * 17) % 97 + "}");
        }
        return points.append("]").toString();
    }

    /** Everything that computes, by the API's own description of itself. */
    @Test
    void withNothingToSpendEveryFactReportAndJobEndsAtOnceInWords() {
        JsonNode api = http.get("/v3/api-docs").json();
        List<String> told = new ArrayList<>();
        for (Map.Entry<String, JsonNode> path : api.get("paths").properties()) {
            if (!path.getKey().startsWith("/api/plans/{id}")
                    || !path.getValue().has("get")
                    || path.getKey().substring("/api/plans/{id}".length()).contains("{")) {
                continue;
            }
            http.patch(
                    plan,
                    revision(),
                    "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"" + System.nanoTime() + "\"}]");
            skelto.bean(Budgets.class).boundSteps(0);
            String url = plan + path.getKey().substring("/api/plans/{id}".length());
            Answer answer = assertTimeoutPreemptively(Duration.ofSeconds(1), () -> http.get(url), url);
            skelto.bean(Budgets.class).boundSteps(Long.MAX_VALUE);
            assertTrue(
                    answer.status() == 200
                            || answer.status() == 422
                            || answer.status() == 400
                            || answer.status() == 404,
                    url + " " + answer.text());
            if (answer.status() == 422) {
                assertTrue(answer.text().contains("more computing than one plan may ask for"), answer.text());
                told.add(path.getKey());
            }
        }
        assertTrue(told.size() >= 12, "those that compute say so: " + told);
    }

    @Test
    void aPlanWhoseFiguresCannotBeMadeOpensAndCanBeUndoneAndExported() {
        long before = revision();
        assertEquals(
                200,
                http.patch(plan, before, "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"Costly\"}]")
                        .status());
        skelto.bean(Budgets.class).boundSteps(0);
        JsonNode assessed =
                http.get(plan + "/assessment?without=internet").json().get("assessment");
        List<String> failed = assessed.get("failures")
                .valueStream()
                .map(f -> f.get("fact").asString())
                .toList();
        assertTrue(failed.containsAll(List.of("links", "outages", "snags of devices")), failed.toString());
        assertEquals(
                "What still works could not be worked out",
                assessed.get("sentence").asString());
        assertEquals(200, http.get(plan).status());
        assertEquals(200, http.get(plan + "/export").status());
        Answer edit = http.patch(plan, before + 1, "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"Other\"}]");
        assertEquals(422, edit.status(), "names cannot be filled in without computing: " + edit.text());
        assertEquals(before + 1, revision());
        skelto.bean(Budgets.class).boundSteps(Long.MAX_VALUE);
        assertEquals(200, http.postMatching(plan + "/undo", before + 1).status());
        assertEquals(
                0,
                http.get(plan + "/assessment").json().at("/assessment/failures").size());
    }

    @Test
    void aJobWithNothingToSpendIsToldAndACancelledOneEnds() throws InterruptedException {
        skelto.bean(Budgets.class).boundSteps(100_000);
        String ask = "{\"medium\":\"WIFI_2G4\",\"goal\":\"FEWEST\",\"cover\":\"ROOMS\",\"times\":1,\"keep\":true,"
                + "\"building\":null,\"boxCost\":60,\"outletCost\":90}";
        Answer started = http.post(plan + "/placement", ask);
        assertEquals(202, started.status(), started.text());
        String job = "/api/jobs/" + started.json().get("job").asString();
        JsonNode view = http.get(job).json();
        for (int i = 0;
                i < 100
                        && Set.of("WAITING", "RUNNING")
                                .contains(view.get("state").asString());
                i++) {
            Thread.sleep(50);
            view = http.get(job).json();
        }
        assertEquals("FAILED", view.get("state").asString());
        assertTrue(view.get("trouble").asString().contains("more computing"), view.toString());
    }

    @Test
    void aRequestThatNamesNothingToReadIsNotWaitedFor() throws IOException {
        // a body where none is taken: the answer comes without it
        String line = wire().send(Wire.post("/plans", 5_000_000, "text/plain")).firstLine(3000);
        assertTrue(line != null && line.contains("400"), String.valueOf(line));
    }
}
