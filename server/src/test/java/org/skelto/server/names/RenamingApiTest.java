package org.skelto.server.names;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.parser.OpenAPIV3Parser;
import io.swagger.v3.parser.core.models.SwaggerParseResult;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.OnTheMill;
import tools.jackson.databind.JsonNode;

/** Names that change, and secrets that are known of, over HTTP on the mill. */
class RenamingApiTest extends OnTheMill {
    private int patched(Object patch) {
        return http.patch(plan, revision(), Http.MAPPER.writeValueAsString(patch))
                .status();
    }

    private static Map<String, Object> added(String path, Object value) {
        return Map.of("op", "add", "path", path, "value", value);
    }

    @Test
    void theRootIsRenamedAsItWasShownAndOldTopicsStayAllowedUntilTheyAreForgotten() {
        JsonNode renaming = http.get(plan + "/names/renaming?thing=/network/topicRoot&name=mill&until=2027-03-31")
                .json();
        JsonNode topic = renaming.get("changes")
                .valueStream()
                .filter(c -> c.get("part").asString().equals("TOPIC"))
                .findFirst()
                .orElseThrow();
        String old = topic.get("before").asString();
        String device = topic.get("thing").asString();
        assertEquals(200, patched(renaming.get("edits")));
        assertEquals(topic.get("after").asString(), at(device + "/topic").asString());
        String forgotten = device + "/aliases/" + old.replace("/", "~1");
        assertEquals("2027-03-31", at(forgotten).asString());
        String access = http.get(plan + "/names/access").text();
        assertTrue(access.contains(" " + old + "/"), access);
        assertTrue(access.contains(" " + topic.get("after").asString() + "/"));
        assertEquals(200, patched(List.of(Map.of("op", "remove", "path", forgotten))));
        assertFalse(http.get(plan + "/names/access").text().contains(" " + old + "/"));
    }

    @Test
    void whatCannotBeIsToldWithItsFieldAndNothingIsLost() {
        long before = revision();
        for (String[] wrong : new String[][] {
            {"thing=/rooms/nowhere&name=x", "/thing"},
            {"thing=/network/topicRoot&name=%23", "/name"},
            {"thing=/network/topicRoot&name=" + "x".repeat(7000), "/name"},
            {"thing=/network/topicRoot&name=x&until=never", "/until"}
        }) {
            Http.Answer answer = http.get(plan + "/names/renaming?" + wrong[0]);
            assertEquals(422, answer.status(), wrong[0].length() > 80 ? "a long name" : wrong[0]);
            assertTrue(answer.text().contains("\"" + wrong[1] + "\""), answer.text());
        }
        assertEquals(before, revision());
    }

    @Test
    void whatIsKnownOfASecretIsKeptAndAValueIsNotTaken() {
        assertEquals(
                200,
                patched(List.of(added("/credentials/admin.hub", Map.of("state", "FACTORY", "kept", "on its lid")))));
        JsonNode hub = http.get(plan + "/names/credentials")
                .json()
                .valueStream()
                .filter(s -> s.get("key").asString().equals("admin.hub"))
                .findFirst()
                .orElseThrow();
        assertEquals("FACTORY", hub.at("/said/state").asString());
        assertTrue(hub.at("/figure/formula").asString().length() > 1);
        String refused = http.patch(
                        plan,
                        revision(),
                        Http.MAPPER.writeValueAsString(
                                List.of(added("/credentials/admin.hub", Map.of("password", "hunter2")))))
                .text();
        assertTrue(refused.contains("/credentials/admin.hub"), refused);
        assertFalse(at("/credentials").toString().contains("hunter2"));
    }

    @Test
    void aControllersFileNamesItsSecretsAndTheTopicsItOnceHad() {
        String board = http.get(plan + "/names/controllers")
                .json()
                .valueStream()
                .filter(c -> c.get("secrets").size() > 0)
                .findFirst()
                .orElseThrow()
                .get("unit")
                .asString();
        JsonNode file = http.get(plan + "/names/controllers/" + board + "/file").json();
        file.at("/controller/secrets").valueStream().forEach(s -> {
            assertTrue(s.get("state").asString().matches("NOT_SET|FACTORY|SET"));
            assertEquals(3, s.size(), "key, name and state, and no value");
        });
    }

    @Test
    void aChoiceOfMessagesStandsInTheContract() {
        JsonNode contracts = http.get(plan + "/names/contracts").json();
        String sensor = contracts
                .propertyStream()
                .filter(e -> e.getValue()
                        .get("aspects")
                        .valueStream()
                        .anyMatch(a -> a.get("kind").asString().equals("TELEMETRY")))
                .findFirst()
                .orElseThrow()
                .getKey();
        assertEquals(
                200,
                patched(List.of(added(
                        "/devices/" + sensor + "/messages/TELEMETRY", Map.of("intervalS", 120, "deadBand", 0.7)))));
        JsonNode telemetry = http.get(plan + "/names/contracts")
                .json()
                .get(sensor)
                .get("aspects")
                .valueStream()
                .filter(a -> a.get("kind").asString().equals("TELEMETRY"))
                .findFirst()
                .orElseThrow();
        assertEquals(120, telemetry.get("intervalS").asInt());
        assertEquals(360, telemetry.get("watchdogS").asInt(), "three times late");
        assertEquals(0.7, telemetry.get("deadBand").asDouble());
        assertTrue(telemetry.get("chosen").asBoolean());
    }

    /** Read by an independent reader of such documents, without a word of complaint. */
    @Test
    void whatIsAskedAtItsAddressIsAnOpenApiDocument() {
        String lamp = at("/devices")
                .propertyStream()
                .filter(e -> e.getValue().at("/unit").asString("").equals("hall-board")
                        && e.getValue().at("/kind").asString().equals("LAMP"))
                .findFirst()
                .orElseThrow()
                .getKey();
        String document = plan + "/names/controllers/hall-board/openapi";
        assertEquals(404, http.get(document).status(), "it speaks over the broker");
        assertEquals(200, patched(List.of(added("/units/hall-board/talks", "REQUEST"))));
        SwaggerParseResult read =
                new OpenAPIV3Parser().readContents(http.get(document).text());
        assertEquals(List.of(), read.getMessages());
        OpenAPI api = read.getOpenAPI();
        Map<?, ?> command = api.getPaths()
                .get("/" + lamp + "/command")
                .getPut()
                .getRequestBody()
                .getContent()
                .get("application/json")
                .getSchema()
                .getProperties();
        assertEquals(Set.of("on"), command.keySet());
        assertTrue(api.getPaths()
                .get("/" + lamp + "/state")
                .getGet()
                .getResponses()
                .containsKey("200"));
        assertTrue(api.getServers().get(0).getUrl().startsWith("http://192.168.40."));
        assertTrue(api.getPaths().keySet().stream().noneMatch(path -> path.contains("availability")));
    }

    @Test
    void aControllerSaysThatItIsThereAndThatItsBoardsAre() {
        JsonNode units = http.get(plan + "/names/contracts/units").json();
        JsonNode presence = units.propertyStream()
                .map(Map.Entry::getValue)
                .flatMap(c -> c.get("aspects").valueStream())
                .filter(a -> a.get("address").asString().contains("/boards/"))
                .findFirst()
                .orElseThrow();
        assertTrue(presence.get("retained").asBoolean());
        String messages = http.get(plan + "/names/asyncapi").text();
        assertTrue(messages.contains("\"" + presence.get("address").asString() + "\""));
        assertTrue(http.get(plan + "/names/access")
                .text()
                .contains("topic write " + presence.get("address").asString()));
    }

    @Test
    void segmentsTrafficAndChipsAnswer() {
        assertEquals(
                at("/devices").size(),
                http.get(plan + "/names/traffic").json().get("devices").size());
        assertTrue(http.get(plan + "/names/segments").json().get("segments").size() >= 1);
        assertEquals(
                "02:00:a1:b2:c3:d4",
                http.get(plan + "/names/hardware-address?chip=A1B2C3D4")
                        .json()
                        .get("address")
                        .asString());
        Http.Answer wrong = http.get(plan + "/names/hardware-address?chip=lamp");
        assertEquals(422, wrong.status());
        assertTrue(wrong.text().contains("/chip"));
    }

    @Test
    void aListOfWhatWasEnteredElsewhereIsCompared() {
        String spoken = http.get(plan + "/names/spoken/csv").text();
        JsonNode same = http.postAs(plan + "/names/spoken/drift?place=hub", spoken, "text/csv")
                .json();
        assertTrue(same.get("found").valueStream().allMatch(f -> f.get("same").asBoolean()));
        assertEquals(0, same.get("strange").size());
        assertEquals(0, same.get("missing").size());
        assertEquals(200, patched(same.get("edits")));
        Http.Answer none = http.postAs(plan + "/names/spoken/drift?place=hub", "lamp\nlamp", "text/csv");
        assertEquals(422, none.status());
        assertTrue(none.text().contains("/table"), none.text());
    }
}
