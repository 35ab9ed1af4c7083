package org.skelto.server.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.OnTheMill;
import tools.jackson.databind.JsonNode;

class RulesApiTest extends OnTheMill {
    @Test
    void aRuleIsKeptReadAsASentenceAndWrittenToBeHandedOver() {
        Map<String, Object> rule = Map.of(
                "name",
                "Lamp *by* button",
                "off",
                false,
                "any",
                false,
                "host",
                "hub",
                "when",
                List.of(Map.of("kind", "PRESSED", "device", "meal-button", "press", "LONG")),
                "then",
                List.of(Map.of("kind", "LEVEL", "device", "table-lamp", "percent", 30)));
        String patch =
                Http.MAPPER.writeValueAsString(List.of(Map.of("op", "add", "path", "/rules/by-button", "value", rule)));
        Http.Answer stored = http.patch(plan, revision(), patch);
        assertEquals(200, stored.status(), stored.text());
        JsonNode sentence = http.get(plan + "/rules/sentences")
                .json()
                .valueStream()
                .filter(s -> s.get("rule").asString().equals("by-button"))
                .findFirst()
                .orElseThrow();
        assertEquals(
                "When meal floor button is pressed long, then set table lamp to 30 %.",
                sentence.get("text").asString());
        Http.Answer written = http.get(plan + "/rules/markdown");
        assertTrue(written.text().contains("## Lamp \\*by\\* button"), written.text());
        assertTrue(written.text().contains("Runs in house hub."));
        assertEquals(
                "opens",
                http.get(plan + "/rules/words").json().at("/BLIND/becomes/0").asString());
    }
}
