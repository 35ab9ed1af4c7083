package org.skelto.server.outages;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.OnTheMill;
import tools.jackson.databind.JsonNode;

class OutagesApiTest extends OnTheMill {
    private JsonNode done(Http.Answer started) throws InterruptedException {
        assertEquals(202, started.status(), started.text());
        String job = "/api/jobs/" + started.json().get("job").asString();
        JsonNode view = http.get(job).json();
        for (int i = 0;
                i < 600
                        && List.of("WAITING", "RUNNING")
                                .contains(view.get("state").asString());
                i++) {
            Thread.sleep(100);
            view = http.get(job).json();
        }
        assertEquals("DONE", view.get("state").asString(), view.toString());
        return view.get("result");
    }

    private int added(String path, Map<String, Object> value) {
        String patch = Http.MAPPER.writeValueAsString(List.of(Map.of("op", "add", "path", path, "value", value)));
        return http.patch(plan, revision(), patch).status();
    }

    @Test
    void anotherOutageIsAskedForWithoutTheRestOfTheAssessment() {
        for (String outage : List.of("", "without=hub", "without=mains&for=PT8H&at=PT5H", "without=nothing-like-it")) {
            JsonNode whole = http.get(plan + "/assessment?" + outage).json();
            JsonNode part = http.get(plan + "/outage?" + outage).json();
            assertEquals(whole.get("revision"), part.get("revision"));
            part.get("view")
                    .properties()
                    .forEach(e -> assertEquals(whole.get("assessment").get(e.getKey()), e.getValue(), e.getKey()));
        }
        assertEquals(422, http.get(plan + "/outage?without=mains&for=forever").status());
    }

    @Test
    void theMatrixIsTheModelAndACellOpensToItsReason() {
        JsonNode matrix = http.get(plan + "/outages/matrix?by=NONE").json();
        JsonNode columns = matrix.get("columns");
        int dark = -1;
        for (int c = 0; c < columns.size(); c++) {
            if (columns.get(c).get("name").asString().equals("mains 8 h")) {
                dark = c;
            }
        }
        JsonNode states = http.get(plan + "/assessment?without=mains&for=PT8H")
                .json()
                .get("assessment")
                .get("states");
        for (JsonNode row : matrix.get("rows")) {
            for (JsonNode device : row.get("devices")) {
                int state = row.get("states").asString().charAt(dark) - '0';
                assertEquals(
                        List.of("HOLDS", "REDUCED", "BY_HAND", "LOST", "UNSAFE").get(state),
                        states.get(device.asString()).get("state").asString(),
                        device.asString());
            }
        }
        JsonNode cell = http.get(plan + "/outages/state?device=river-lock&without=mains&for=PT8H")
                .json();
        assertEquals(
                states.get("river-lock").get("sentence").asString(),
                cell.get("sentence").asString());
        assertEquals(404, http.get(plan + "/outages/state?device=nobody").status());
        assertEquals(400, http.get(plan + "/outages/matrix?by=WEATHER").status());
        String csv = http.get(plan + "/outages/csv").text();
        assertTrue(csv.startsWith("device,name,mains 1 h,mains 8 h,mains 24 h,"), csv);
        assertTrue(csv.contains("river-lock,river door lock,unsafe,unsafe,unsafe,"), csv);
    }

    @Test
    void aPromiseIsJudgedAndTheCheapestChangesThatAreProposedKeepIt() throws InterruptedException {
        assertEquals(409, http.post(plan + "/outages/survive", "").status());
        assertEquals(
                200,
                added(
                        "/promises/gate",
                        Map.of(
                                "name",
                                "Gate",
                                "devices",
                                List.of("yard-gate"),
                                "without",
                                List.of("mains"),
                                "anyOne",
                                false,
                                "byItself",
                                false)));
        JsonNode judged = http.get(plan + "/outages/promises").json().get(0);
        assertEquals("false", judged.get("kept").asString(), judged.toString());
        assertEquals("yard-gate", judged.at("/broken/0/device").asString());
        JsonNode answer = done(http.post(plan + "/outages/survive", ""));
        JsonNode first = answer.at("/choices/0");
        assertTrue(first.get("cost").asDouble() > 0, answer.toString());
        assertEquals(
                200,
                http.patch(plan, revision(), Http.MAPPER.writeValueAsString(first.get("edits")))
                        .status());
        assertEquals(
                "true",
                http.get(plan + "/outages/promises").json().get(0).get("kept").asString());
    }

    @Test
    void hoursAYearLeastSetsAndOwnFigures() throws InterruptedException {
        JsonNode jobs = done(http.post(plan + "/outages/hours", "")).get("jobs");
        double last = Double.POSITIVE_INFINITY;
        for (JsonNode job : jobs) {
            double hours = job.get("hours").asDouble();
            assertTrue(job.get("low").asDouble() <= hours + 1e-9, job.toString());
            assertTrue(hours <= job.get("high").asDouble() + 1e-9, job.toString());
            assertTrue(hours <= last, "worst first");
            last = hours;
        }
        JsonNode least =
                http.get(plan + "/outages/least?device=hall-lamp&job=OPERATE").json();
        assertTrue(least.get("sets").size() > 0, least.toString());
        assertEquals(
                422,
                http.get(plan + "/outages/least?device=hall-lamp&job=OPERATE&order=9")
                        .status());
        assertEquals(
                404, http.get(plan + "/outages/least?device=nobody&job=OPERATE").status());
        assertEquals(422, added("/failureRates/MAINS", Map.of("perYear", 1e300, "repairH", 1)));
        JsonNode saved = done(http.post(plan + "/outages/saved-hours?device=hall-siren&job=SOUND", ""))
                .get("changes");
        assertTrue(saved.size() > 0, saved.toString());
        saved.forEach(
                s -> assertTrue(s.get("afterH").asDouble() < s.get("beforeH").asDouble(), s.toString()));
        assertEquals(
                404,
                http.post(plan + "/outages/saved-hours?device=nobody&job=SOUND", "")
                        .status());
        for (double never : new double[] {0, 10_000}) {
            assertEquals(200, added("/failureRates/MAINS", Map.of("perYear", never, "repairH", never == 0 ? 0 : 8784)));
            done(http.post(plan + "/outages/hours", ""))
                    .get("jobs")
                    .forEach(job -> assertTrue(
                            job.get("hours").asDouble() >= -1e-9
                                    && job.get("hours").asDouble() <= 8766.001,
                            job.toString()));
            assertEquals(never > 0, mainsTake("hall-siren"));
        }
    }

    /** Whether outages of the mains take some of what is lost of a device. */
    private boolean mainsTake(String device) throws InterruptedException {
        return done(http.post(plan + "/outages/hours", ""))
                .get("jobs")
                .valueStream()
                .filter(job -> job.get("device").asString().equals(device))
                .flatMap(job -> job.get("shares").valueStream())
                .anyMatch(share -> share.get("component").asString().equals("mains"));
    }

    @Test
    void doorsAndPeopleAtAMomentOfAnOutage() {
        JsonNode doors =
                http.get(plan + "/outages/ways-out?without=mains&for=PT8H").json();
        assertTrue(
                doors.valueStream()
                        .anyMatch(d -> d.get("device").asString().equals("river-lock")
                                && d.get("open").asBoolean()),
                doors.toString());
        JsonNode told = http.get(plan + "/outages/told?without=internet").json();
        assertTrue(told.valueStream().anyMatch(t -> t.get("left").isEmpty()), told.toString());
        JsonNode back =
                http.get(plan + "/outages/return?without=mains&for=PT8H").json();
        assertTrue(
                back.get("starts")
                        .valueStream()
                        .anyMatch(s -> s.get("unit").asString().equals("hub")),
                back.toString());
        // as many at once as there are, for a year
        String all = String.join(
                ",",
                http.get(plan + "/assessment")
                        .json()
                        .get("assessment")
                        .get("strip")
                        .valueStream()
                        .map(c -> c.get("id").asString())
                        .toList());
        assertEquals(
                200,
                http.get(plan + "/outages/ways-out?without=" + all + "&for=P366D")
                        .status());
        assertEquals(
                200,
                http.get(plan + "/outages/told?without=" + all + "&for=P366D").status());
    }
}
