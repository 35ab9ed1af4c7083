package org.skelto.server.schema;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.GZIPInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.Http.Answer;
import org.skelto.server.testing.RunningSkelto;
import org.skelto.server.testing.RunningSkelto.Skelto;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Documents that were written by hand, or exported by an earlier program, and what becomes of them for ever. */
@ExtendWith(RunningSkelto.class)
class FrozenDocumentsTest {
    private record Case(String place, String value, String outcome, boolean bySchema) {}

    private static String resource(String name) throws IOException {
        try (InputStream in = FrozenDocumentsTest.class.getResourceAsStream("/documents/" + name)) {
            return new String(
                    name.endsWith(".gz") ? new GZIPInputStream(in).readAllBytes() : in.readAllBytes(),
                    StandardCharsets.UTF_8);
        }
    }

    private static List<Case> cases() throws IOException {
        List<Case> cases = new ArrayList<>();
        for (String line : resource("cases.txt").lines().toList()) {
            if (!line.isBlank() && !line.startsWith("#")) {
                String[] parts = line.split("\\s+\\|\\s+");
                cases.add(new Case(parts[0], parts[1], parts[2].strip(), parts.length > 3));
            }
        }
        return cases;
    }

    private static String changed(String base, Case one) {
        JsonNode document = Http.MAPPER.readTree(base);
        int cut = one.place().lastIndexOf('/');
        String key = one.place().substring(cut + 1);
        JsonNode owner = document.at(one.place().substring(0, cut));
        if (one.value().equals("-")) {
            ((ObjectNode) owner).remove(key);
        } else if (owner instanceof ArrayNode array) {
            array.set(Integer.parseInt(key), Http.MAPPER.readTree(one.value()));
        } else {
            ((ObjectNode) owner).set(key, Http.MAPPER.readTree(one.value()));
        }
        return document.toString();
    }

    @Test
    void eachIsTakenOrRefusedAtThePlaceThatIsWrong(Skelto skelto) throws IOException {
        Http http = new Http(skelto);
        JsonSchema schema = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                .getSchema(http.get("/formats/skelto-plan-1.schema.json").text());
        String base = resource("base.json");
        List<String> wrong = new ArrayList<>();
        assertTrue(cases().size() >= 60);
        for (Case one : cases()) {
            String document = changed(base, one);
            boolean conforms = schema.validate(document, InputFormat.JSON).isEmpty();
            Answer answer = http.post("/api/plans/import", document);
            if (one.outcome().equals("taken")) {
                if (answer.status() != 201 || !conforms) {
                    wrong.add(one + ": schema " + conforms + ", " + answer.text());
                } else {
                    http.delete("/api/plans/" + answer.json().get("id").asString());
                }
            } else if (answer.status() != 422 || !answer.places().equals(List.of(one.outcome()))) {
                wrong.add(one + ": " + answer.status() + " " + answer.text());
            } else if (one.bySchema() == conforms) {
                wrong.add(one + ": by the schema " + conforms);
            }
        }
        assertEquals("", String.join("\n", wrong));
    }

    @Test
    void allThatIsSaidSurvivesTheJourney(Skelto skelto) throws IOException {
        Http http = new Http(skelto);
        String id = http.post("/api/plans/import", resource("base.json"))
                .json()
                .get("id")
                .asString();
        JsonNode back = http.get("/api/plans/" + id + "/export").json();
        lost("", Http.MAPPER.readTree(resource("base.json")), back);
        http.delete("/api/plans/" + id);
    }

    private static void lost(String at, JsonNode said, JsonNode back) {
        if (said.isObject()) {
            said.properties().forEach(e -> {
                assertTrue(back.has(e.getKey()), at + "/" + e.getKey());
                lost(at + "/" + e.getKey(), e.getValue(), back.get(e.getKey()));
            });
        } else if (said.isNumber()) {
            assertEquals(said.asDouble(), back.asDouble(), at);
        } else if (said.isArray() && said.size() > 0 && said.get(0).isObject()) {
            for (int i = 0; i < said.size(); i++) {
                lost(at + "/" + i, said.get(i), back.get(i));
            }
        } else if (said.isArray()) {
            assertEquals(said.size(), back.size(), at);
        } else {
            assertEquals(said, back, at);
        }
    }

    /** Exports of the program as it was before the format was declared on its records. */
    @ParameterizedTest
    @ValueSource(strings = {"marrowby-leat.json.gz", "sorrel-steps.json.gz", "thornfell-lodge.json.gz"})
    void exportsOfEarlierProgramsImportUnchanged(String name, Skelto skelto) throws IOException {
        Http http = new Http(skelto);
        Answer made = http.post("/api/plans/import", resource(name));
        assertEquals(201, made.status(), made.text());
        String id = made.json().get("id").asString();
        lost(
                "",
                Http.MAPPER.readTree(resource(name)),
                http.get("/api/plans/" + id + "/export").json());
        http.delete("/api/plans/" + id);
        assertFalse(made.text().isEmpty());
    }
}
