package org.skelto.server.problems;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.server.testing.Http.Answer;
import org.skelto.server.testing.OnTheMill;
import tools.jackson.databind.JsonNode;

/**
 * Every operation that the API describes, asked thousands of wrong questions: each answer is a result or a problem
 * document that tells nothing of the inside, and the plan is as it was.
 */
class HostileInputTest extends OnTheMill {
    private static final int QUESTIONS = Boolean.getBoolean("skelto.long") ? 6000 : 600;

    /** Not asked, because what they do is meant: they take something away. */
    private static final Set<String> MEANT = Set.of(
            "delete /api/plans/{id}",
            "delete /api/plans/{id}/ground",
            "delete /api/plans/{id}/readings",
            "post /api/plans/{id}/undo",
            "post /api/plans/{id}/redo");

    /** Things of the mill, so that some questions come further than the first check. */
    private static final List<String> KNOWN = List.of(
            "sluice",
            "cistern",
            "sluice-board",
            "chirp-gw",
            "paddle-button",
            "CHIRP",
            "WIFI_2G4",
            "ground",
            "meal",
            "9",
            "125",
            "0.95",
            "link-budget",
            "mains",
            "hub");

    private static final List<String> JUNK = List.of(
            "",
            " ",
            "0",
            "-1",
            "1e308",
            "-1e308",
            "NaN",
            "Infinity",
            "null",
            "true",
            "9999999999999999999",
            "0x10",
            "../../etc/passwd",
            "%00",
            "a/b",
            "~1~0",
            "🫖",
            "<script>",
            "'; DROP TABLE plan; --",
            "\u202e",
            "ü".repeat(300),
            "00000000-0000-0000-0000-000000000000",
            "{id}",
            "${jndi:x}");

    private static final List<String> BODIES = List.of(
            "",
            "null",
            "[]",
            "{}",
            "true",
            "0",
            "\"\"",
            "[null]",
            "{\"\":null}",
            "[".repeat(3000),
            "{\"a\":1e999}",
            "{\"a\":" + "9".repeat(2000) + "}",
            "{\"format\":\"skelto-plan/1\"}",
            "[{\"op\":\"add\"}]",
            "[{\"op\":\"replace\",\"path\":\"/units/hub/name\",\"value\":null}]",
            "[{\"op\":\"replace\",\"path\":\"/paths/sluice/profile\",\"value\":[{\"distanceM\":-1}]}]",
            "[{\"op\":\"move\",\"from\":\"/units\",\"path\":\"/units/x\"}]",
            "\u0000\u0001\uffff",
            "distanceM,dBm\n1",
            "a;b\n\"",
            "<?xml version=\"1.0\"?><!DOCTYPE a [<!ENTITY b \"c\">]><gpx>&b;</gpx>",
            "ncols 99999999\nnrows 99999999\nxllcorner 0\nyllcorner 0\ncellsize 1\n1");

    private List<JsonNode> plansBefore;
    private List<String> names;

    @BeforeEach
    void look() {
        plansBefore = http.get("/api/plans").json().valueStream().toList();
    }

    @AfterEach
    void removeWhatWasMade() {
        Set<String> known =
                plansBefore.stream().map(p -> p.get("id").asString()).collect(Collectors.toSet());
        http.get("/api/plans")
                .json()
                .valueStream()
                .map(p -> p.get("id").asString())
                .filter(id -> !known.contains(id))
                .forEach(id -> http.delete("/api/plans/" + id));
    }

    private record Operation(String method, String path, List<JsonNode> parameters, String type) {}

    private List<Operation> operations() {
        JsonNode api = http.get("/v3/api-docs").json();
        List<Operation> all = new ArrayList<>();
        for (Map.Entry<String, JsonNode> path : api.get("paths").properties()) {
            for (Map.Entry<String, JsonNode> method : path.getValue().properties()) {
                JsonNode content = method.getValue().at("/requestBody/content");
                Operation operation = new Operation(
                        method.getKey(),
                        path.getKey(),
                        method.getValue().path("parameters").valueStream().toList(),
                        content.isObject() ? content.propertyNames().iterator().next() : null);
                if (!MEANT.contains(operation.method() + " " + operation.path())) {
                    all.add(operation);
                }
            }
        }
        names = api.at("/components/schemas")
                .valueStream()
                .flatMap(s -> s.path("properties").propertyNames().stream())
                .distinct()
                .sorted()
                .toList();
        assertTrue(all.size() > 70 && names.size() > 300, "the API describes itself");
        return all;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2})
    void everyWrongQuestionIsAnsweredInWordsAndHarmsNothing(long seed) {
        Random random = new Random(seed);
        List<Operation> operations = operations();
        String before = document();
        int refused = 0;
        for (int i = 0; i < QUESTIONS; i++) {
            Operation op = operations.get(random.nextInt(operations.size()));
            String url = url(op, random);
            String body = op.type() == null ? "" : body(random);
            Answer answer = http.ask(
                    op.method(), url, body, op.type(), "\"" + one(JUNK, random).length() + "\"");
            String told = op.method() + " " + url + "\n" + body + "\n→ " + answer.status() + " " + answer.text();
            String shown = told.substring(0, Math.min(2000, told.length()));
            assertTrue(answer.status() < 500, shown);
            if (answer.status() >= 400) {
                refused++;
                assertTrue(answer.type().startsWith("application/problem+json"), shown);
                assertFalse(answer.text().contains("Exception") || answer.text().contains("org.skelto"), shown);
                assertFalse(answer.json().get("title").asString().isBlank(), shown);
            }
        }
        assertTrue(refused > QUESTIONS / 3 && refused < QUESTIONS, refused + " refused");
        assertEquals(before, document());
    }

    private static String one(List<String> of, Random random) {
        return of.get(random.nextInt(of.size()));
    }

    private static String value(Random random) {
        return random.nextInt(3) > 0 ? one(KNOWN, random) : one(JUNK, random);
    }

    private static String written(String text) {
        return URLEncoder.encode(text, StandardCharsets.UTF_8).replace("+", "%20");
    }

    private String url(Operation op, Random random) {
        String path = op.path();
        if (path.startsWith("/api/plans/{id}") && random.nextInt(8) > 0) {
            path = plan + path.substring("/api/plans/{id}".length());
        }
        while (path.contains("{")) {
            int from = path.indexOf('{');
            String junk = written(value(random));
            path = path.substring(0, from) + (junk.isEmpty() ? "%20" : junk) + path.substring(path.indexOf('}') + 1);
        }
        List<String> query = new ArrayList<>();
        for (JsonNode p : op.parameters()) {
            if (p.path("in").asString("").equals("query") && random.nextInt(4) > 0) {
                query.add(p.get("name").asString() + "=" + written(value(random)));
            }
        }
        return query.isEmpty() ? path : path + "?" + String.join("&", query);
    }

    private String body(Random random) {
        return random.nextInt(3) == 0 ? one(BODIES, random) : json(random, 0);
    }

    /** Something that has the words of the API in places where they do not belong. */
    private String json(Random random, int depth) {
        switch (depth > 4 ? random.nextInt(2) : random.nextInt(5)) {
            case 0:
                return "\"" + value(random).replace("\\", "").replace("\"", "") + "\"";
            case 1:
                return one(List.of("0", "-1", "3.7", "1e300", "null", "true", "100000"), random);
            case 2:
                List<String> items = new ArrayList<>();
                for (int i = random.nextInt(4); i > 0; i--) {
                    items.add(json(random, depth + 1));
                }
                return "[" + String.join(",", items) + "]";
            default:
                List<String> fields = new ArrayList<>();
                for (int i = random.nextInt(6); i > 0; i--) {
                    fields.add("\"" + one(names, random) + "\":" + json(random, depth + 1));
                }
                return "{" + String.join(",", fields) + "}";
        }
    }

    private static void words(Answer answer, int... statuses) {
        assertTrue(
                java.util.Arrays.stream(statuses).anyMatch(s -> s == answer.status()), answer.status() + answer.text());
        assertTrue(answer.type().startsWith("application/problem+json"), answer.text());
        assertFalse(answer.text().contains("Exception"), answer.text());
    }

    @Test
    void anAddressThatIsNoTextIsAnsweredInWords() {
        words(http.get(plan + "/assessment?without=%ff"), 400);
        words(http.get(plan + "/assessment?without=%c3%28"), 400);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "1e999999999",
                "-1e999999999",
                "1e-999999999",
                "99999999999999999999999",
                "1e5",
                "1.5",
                "0",
                "-1",
                "true",
                "[]",
                "{}",
                "\"\u0000\"",
                "\"EU\\u0000\"",
                "9e2147483647",
                "1E+400"
            })
    void numbersOfAnySizeInPlacesForWordsAndWholeNumbers(String value) {
        String before = document();
        String unit = http.get(plan)
                .json()
                .at("/plan/units")
                .propertyNames()
                .iterator()
                .next();
        for (String place : List.of(
                "/region",
                "/units/" + unit + "/kind",
                "/units/" + unit + "/channels",
                "/units/" + unit + "/maxClients",
                "/units/" + unit + "/power/source",
                "/units/" + unit + "/place/xM",
                "/indoorModel",
                "/network/subnet")) {
            String patch = "[{\"op\":\"add\",\"path\":\"" + place + "\",\"value\":" + value + "}]";
            Answer preview = http.postAs(plan + "/preview", patch, "application/json-patch+json");
            if (preview.status() != 200) {
                words(preview, 400, 413, 422);
            }
            int slash = place.lastIndexOf('/');
            var file = (tools.jackson.databind.node.ObjectNode) org.skelto.server.testing.Http.MAPPER.readTree(before);
            ((tools.jackson.databind.node.ObjectNode) file.at(place.substring(0, slash)))
                    .put(place.substring(slash + 1), "HERE");
            Answer made = http.post("/api/plans/import", file.toString().replace("\"HERE\"", value));
            if (made.status() != 201) {
                words(made, 400, 413, 422);
            }
        }
        assertEquals(before, document());
    }

    @Test
    void whatCannotBeKeptAsTextIsTold() {
        long revision = revision();
        Answer labelled = http.patch(
                plan + "?label=a%00b%07c", revision, "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"N\"}]");
        assertEquals(200, labelled.status(), labelled.text());
        assertEquals("a b c", labelled.json().get("undo").asString());
        words(http.patch(plan, revision + 1, "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"a\\u0000b\"}]"), 422);
        words(http.postAs("/api/parts/csv", "id,name,kind\nx,a\u0000b,BOARD\n", "text/csv"), 422);
        words(http.postAs("/api/parts/prices", "part,price\nx\u0000,1\n", "text/csv"), 422);
        assertEquals(revision + 1, revision());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "[{\"id\":\"x\",\"name\":\"X\",\"kind\":\"BOARD\",\"pins\":[null]}]",
                "[{\"id\":\"x\",\"name\":\"X\",\"kind\":\"BOARD\",\"pins\":[{\"name\":null}]}]",
                "[{\"id\":\"x\",\"name\":\"X\",\"kind\":\"BOARD\",\"pins\":[{\"name\":\"1\",\"abilities\":[null]}]}]",
                "[{\"id\":\"x\",\"name\":\"X\",\"kind\":null}]",
                "[{\"name\":\"X\",\"kind\":\"BOARD\"}]",
                "[{\"id\":\"x\",\"name\":\"X\",\"kind\":\"BOARD\",\"figures\":{\"NONE\":1}}]",
                "[{\"id\":\"x\",\"name\":\"X\",\"kind\":\"BOARD\",\"traits\":[null]}]",
                "[null]",
                "{}",
                "7"
            })
    void partsOfAFileThatAreNoneAreRefusedByTheirPlace(String parts) {
        var file = (tools.jackson.databind.node.ObjectNode) org.skelto.server.testing.Http.MAPPER.readTree(document());
        file.set("parts", org.skelto.server.testing.Http.MAPPER.readTree(parts));
        words(http.post("/api/plans/import", file.toString()), 422);
    }
}
