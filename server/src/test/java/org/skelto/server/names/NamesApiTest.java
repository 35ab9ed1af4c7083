package org.skelto.server.names;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.StringReader;
import java.net.InetAddress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.OnTheMill;
import org.skelto.server.testing.Readers;
import tools.jackson.databind.JsonNode;

class NamesApiTest extends OnTheMill {
    private int patched(String patch) {
        return http.patch(plan, revision(), patch).status();
    }

    @Test
    void theAddressOfWhatIsRemovedRestsAndComesBackWithUndo() {
        JsonNode boards = at("/units");
        String board = boards.propertyStream()
                .filter(e -> "CONTROLLER".equals(e.getValue().at("/kind").asString())
                        && !e.getValue().at("/ipv4").isNull())
                .map(java.util.Map.Entry::getKey)
                .findFirst()
                .orElseThrow();
        String had = boards.get(board).get("ipv4").asString();
        JsonNode proposal = http.post(plan + "/commands/remove", "{\"units\":[\"" + board + "\"],\"devices\":[]}")
                .json();
        assertEquals(200, patched(proposal.get("edits").toString()));
        String until = LocalDate.now().plusDays(14).toString();
        assertEquals(until, at("/network/addressing/resting/" + had).asString());
        JsonNode cell = http.get(plan + "/names/addresses")
                .json()
                .get("held")
                .valueStream()
                .filter(h -> h.get("address").asString().equals(had))
                .findFirst()
                .orElseThrow();
        assertEquals("RESTING", cell.get("role").asString());
        // a new board does not get it
        JsonNode added =
                http.post(plan + "/commands/add-unit", "{\"kind\":\"HUB\"}").json();
        assertEquals(200, patched(added.get("edits").toString()));
        at("/units")
                .valueStream()
                .forEach(u -> assertFalse(had.equals(u.at("/ipv4").asString())));
        assertEquals(200, http.postMatching(plan + "/undo", revision()).status());
        assertEquals(200, http.postMatching(plan + "/undo", revision()).status());
        assertEquals(had, at("/units/" + board + "/ipv4").asString());
        assertTrue(at("/network/addressing/resting/" + had).isMissingNode());
    }

    @Test
    void restThatIsOverIsForgottenAndNoRestIsNone() {
        assertEquals(
                200,
                patched("[{\"op\":\"add\",\"path\":\"/network/addressing\",\"value\":{\"resting\":"
                        + "{\"192.168.40.77\":\"2020-01-01\",\"192.168.40.78\":\"2999-01-01\"},\"restDays\":0}}]"));
        assertTrue(at("/network/addressing/resting/192.168.40.77").isMissingNode());
        assertEquals(
                "2999-01-01", at("/network/addressing/resting/192.168.40.78").asString());
    }

    @Test
    void aBlockOfAFloorShowsWhatNumberingAnewWouldChangeBeforeItDoes() {
        assertEquals(
                200,
                patched("[{\"op\":\"add\",\"path\":\"/network/addressing\",\"value\":"
                        + "{\"floors\":{\"meal-floor\":{\"from\":64,\"to\":95}}}}]"));
        JsonNode anew = http.get(plan + "/names/renumbering").json();
        assertTrue(anew.get("units").size() > 1);
        assertEquals(anew.get("units").size(), anew.get("edits").size());
        assertEquals(200, patched(anew.get("edits").toString()));
        assertEquals(
                0, http.get(plan + "/names/renumbering").json().get("units").size());
        String twisted = http.patch(
                        plan,
                        revision(),
                        "[{\"op\":\"replace\",\"path\":\"/network/addressing/floors/meal-floor/to\",\"value\":3}]")
                .text();
        assertTrue(twisted.contains("/network/addressing/floors/meal-floor/to"), twisted);
    }

    /** By its reference parser, which runs beside: nothing is wrong with it, and with a spoilt one something is. */
    @Test
    void theMessagesAreAcceptedByTheReferenceParser(@TempDir Path folder) throws Exception {
        String document = http.get(plan + "/names/asyncapi").text();
        Path file = Files.writeString(folder.resolve("messages.json"), document);
        int channels = Http.MAPPER.readTree(document).get("channels").size();
        assertTrue(channels > 100);
        assertEquals("channels: " + channels, Readers.ran("asyncapi.mjs", file).strip());
        Files.writeString(file, document.replaceFirst("\"action\" : \"send\"", "\"action\" : \"shout\""));
        assertTrue(Readers.ran("asyncapi.mjs", file).contains("wrong: operations/"));
    }

    /** Every payload of the document is a schema that an independent reader takes, and every example keeps to its own. */
    @Test
    void theMessagesAreADocumentWhoseReferencesLeadSomewhereAndWhoseExamplesFit() {
        JsonNode document = http.get(plan + "/names/asyncapi").json();
        assertEquals("3.0.0", document.get("asyncapi").asString());
        JsonSchemaFactory factory = JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V7);
        Set<String> addresses = new HashSet<>();
        document.get("channels").propertyStream().forEach(channel -> {
            assertTrue(addresses.add(channel.getValue().get("address").asString()));
            channel.getValue().get("messages").valueStream().forEach(m -> {
                JsonNode message = document.at(m.get("$ref").asString().substring(1));
                JsonSchema schema = factory.getSchema(message.get("payload").toString());
                String example = message.at("/examples/0/payload").toString();
                assertEquals(Set.of(), schema.validate(example, InputFormat.JSON), channel.getKey());
                assertFalse(
                        schema.validate("{\"nonsense\":1}", InputFormat.JSON).isEmpty(), "anything else is refused");
            });
        });
        document.get("operations").valueStream().forEach(o -> {
            assertTrue(Set.of("send", "receive").contains(o.get("action").asString()));
            assertFalse(
                    document.at(o.at("/channel/$ref").asString().substring(1)).isMissingNode());
            assertFalse(document.at(o.at("/messages/0/$ref").asString().substring(1))
                    .isMissingNode());
        });
        long topics = at("/devices")
                .valueStream()
                .filter(d -> !d.get("topic").isNull())
                .count();
        assertTrue(addresses.size() >= 2 * topics, addresses.size() + " addresses of " + topics + " devices");
    }

    /** The address plan that was given out, edited as a spreadsheet would be, comes back and is adopted. */
    @Test
    void aListOfWhatIsThereIsComparedAndAdoptedAndABadOneChangesNothing() {
        String csv = http.get(plan + "/names/addresses/csv").text();
        JsonNode same = http.postAs(plan + "/names/leases", csv, "text/csv").json();
        // the mill has two units of one address
        long twice = same.get("troubles")
                .valueStream()
                .filter(t -> t.get("message").asString().contains("stands in line"))
                .count();
        assertEquals(1, twice, same.get("troubles").toString());
        String moved = csv.replace("192.168.40.1,", "192.168.40.99,");
        JsonNode other = http.postAs(plan + "/names/leases", moved, "text/csv").json();
        JsonNode router = other.get("found")
                .valueStream()
                .filter(f -> "router".equals(f.at("/unit").asString()))
                .findFirst()
                .orElseThrow();
        assertEquals("DIFFERENT", router.get("verdict").asString());
        assertEquals(200, patched(router.get("adopt").toString()));
        assertEquals("192.168.40.99", at("/units/router/ipv4").asString());
        var refused = http.postAs(plan + "/names/leases", "nothing\nof it\n", "text/csv");
        assertEquals(422, refused.status());
        assertEquals(List.of("/table"), refused.places());
    }

    @Test
    void theAddressPlanAndTheHostsFileSayTheSame() throws Exception {
        String odd = "[{\"op\":\"replace\",\"path\":\"/units/hub/name\",\"value\":\"=cmd, \\\"hub\\\"\"}]";
        assertEquals(200, patched(odd));
        String csv = http.get(plan + "/names/addresses/csv").text();
        List<CSVRecord> lines = CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new StringReader(csv))
                .getRecords();
        String name = lines.stream()
                .filter(l -> l.get("unit").equals("hub"))
                .findFirst()
                .orElseThrow()
                .get("name");
        assertEquals("'=cmd, \"hub\"", name, "no spreadsheet runs it");
        List<String> fromCsv = lines.stream()
                .filter(l -> !l.get("address").isEmpty())
                .map(l -> l.get("address") + " " + l.get("host"))
                .sorted()
                .toList();
        List<String> fromHosts = http.get(plan + "/names/hosts")
                .text()
                .lines()
                .filter(l -> !l.startsWith("#"))
                .map(l -> l.replace('\t', ' '))
                .sorted()
                .toList();
        assertEquals(fromCsv, fromHosts);
        for (String line : fromHosts) {
            String[] parts = line.split(" ");
            assertEquals(parts[0], InetAddress.getByName(parts[0]).getHostAddress());
            assertTrue(parts[1].matches("[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?"), parts[1]);
        }
    }

    @Test
    void numbersOfNodesAndBusesAreSheetsOfTheirOwn() {
        JsonNode sheets = http.get(plan + "/names/numbers").json();
        JsonNode nodes = sheets.get(0);
        assertEquals("Long-range node ids", nodes.get("name").asString());
        Set<Integer> given = new HashSet<>();
        at("/units")
                .valueStream()
                .filter(u -> !u.get("nodeId").isNull())
                .forEach(u -> given.add(u.get("nodeId").asInt()));
        Set<Integer> shown = new HashSet<>();
        nodes.get("taken").valueStream().forEach(t -> shown.add(t.get("number").asInt()));
        assertEquals(given, shown);
    }
}
