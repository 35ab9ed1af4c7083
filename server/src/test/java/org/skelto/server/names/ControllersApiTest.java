package org.skelto.server.names;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import com.networknt.schema.InputFormat;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.net.Socket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.OnTheMill;
import org.skelto.server.testing.TestDatabase;
import tools.jackson.databind.JsonNode;

class ControllersApiTest extends OnTheMill {
    private static final String BOARD = "/names/controllers/hall-board";

    private byte[] bytes(String path) throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(skelto.url + plan + path))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray())
                .body();
    }

    private String written(String template) {
        return http.post(plan + BOARD + "/written", Http.MAPPER.writeValueAsString(Map.of("template", template)))
                .text();
    }

    @Test
    void theFileKeepsToItsPublishedSchemaWhichAnotherReaderUnderstands() {
        String schema = http.get("/formats/skelto-controller-1.schema.json").text();
        var reader =
                JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012).getSchema(schema);
        String file = http.get(plan + BOARD + "/file").text();
        assertEquals(Set.of(), reader.validate(file, InputFormat.JSON));
        assertFalse(reader.validate(file.replace("\"topic\"", "\"topik\""), InputFormat.JSON)
                .isEmpty());
        assertEquals(404, http.get(plan + "/names/controllers/nobody/file").status());
    }

    @Test
    void allOfThemAreInTheZipAndAHeaderCompiles(@TempDir Path folder) throws Exception {
        byte[] zip = bytes("/names/controllers/zip");
        Map<String, String> files = new TreeMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                files.put(entry.getName(), new String(in.readAllBytes(), StandardCharsets.UTF_8));
            }
        }
        Set<String> named =
                files.keySet().stream().map(f -> f.split("/")[0]).collect(Collectors.toCollection(TreeSet::new));
        Set<String> units = http.get(plan + "/names/controllers")
                .json()
                .valueStream()
                .map(c -> c.get("unit").asString())
                .collect(Collectors.toCollection(TreeSet::new));
        assertEquals(units, named);
        assertEquals(4 * units.size(), files.size());
        // every line of a header is a comment, a directive or empty, and no name is given twice
        files.forEach((name, text) -> {
            if (name.endsWith(".h")) {
                List<String> lines = text.lines().toList();
                assertTrue(lines.stream().allMatch(l -> l.matches("|#.*|/\\*.*\\*/")), name + "\n" + text);
                List<String> given = lines.stream()
                        .filter(l -> l.startsWith("#define"))
                        .map(l -> l.split(" ")[1])
                        .toList();
                assertEquals(given.size(), Set.copyOf(given).size(), name + " " + given);
            }
        });
        String text = files.get("hall-board/hall-board.env");
        assertTrue(text.contains("FRONT_CONTACT_SENSE_INVERTED=1"), text);
        assertTrue(files.get("hall-board/hall-board.txt").contains("sense: main/E11, inverted\n"));
    }

    @Test
    void aTemplateOfOnesOwnIsWrittenAndABadOneIsToldWithItsPlace() {
        assertEquals(
                "{\"text\":\"hall-board: lock\"}",
                written("{{unit}}: {{#devices}}{{#topic}}{{/topic}}{{/devices}}lock"));
        assertTrue(written("{{#devices}} {{name}}").contains("/template"));
        assertTrue(written("{{> other}}").contains("another template"));
        assertTrue(written("x".repeat(200_000)).contains("at most 100000 letters"));
        String open = "{{#devices}}".repeat(60);
        String close = "{{/devices}}".repeat(60);
        String endless = written(open + close);
        assertTrue(endless.contains("more than 100000 times"), endless);
        assertTrue(written("{{#devices}}{{#devices}}" + "y".repeat(90_000) + "{{/devices}}{{/devices}}")
                .contains("longer than a megabyte"));
        // nothing of what runs beneath is reached
        assertEquals("{\"text\":\"\"}", written("{{class}}{{network.class.name}}{{devices.0.getClass}}"));
    }

    @Test
    void twoBoardsAreComparedWithWhatMustDifferFirst() {
        JsonNode fields = http.get(plan + BOARD + "/difference/loft-board").json();
        assertTrue(fields.size() > 10);
        assertFalse(fields.toString().contains("MUST_DIFFER"));
        String same = "[{\"op\":\"replace\",\"path\":\"/units/loft-board/name\",\"value\":\"hall board\"}]";
        assertEquals(200, http.patch(plan, revision(), same).status());
        JsonNode first =
                http.get(plan + BOARD + "/difference/loft-board").json().get(0);
        assertEquals("name", first.get("what").asString());
        assertEquals("MUST_DIFFER", first.get("verdict").asString());
    }

    @Test
    void theSheetIsAPdfThatNamesItsTerminals() throws Exception {
        byte[] pdf = bytes(BOARD + "/sheet");
        try (var document = org.apache.pdfbox.Loader.loadPDF(pdf)) {
            String text = new org.apache.pdfbox.text.PDFTextStripper()
                    .getText(document)
                    .replaceAll("\\s+", " ");
            assertTrue(text.contains("Controller: hall board") && text.contains("main/E1"), text);
            assertTrue(text.contains("licensed electrician"), text);
        }
    }

    private static String ran(Path folder, String... command) throws Exception {
        Path said = folder.resolve("said");
        Process process = new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(said.toFile())
                .start();
        assertTrue(process.waitFor(30, TimeUnit.SECONDS));
        return process.exitValue() + " " + Files.readString(said);
    }

    @Test
    void theReservationsAreTakenByAServerThatGivesAddressesOut(@TempDir Path folder) throws Exception {
        String text = http.get(plan + "/names/reservations").text();
        Path file = Files.writeString(folder.resolve("reservations.conf"), text);
        assertEquals(
                "0 dnsmasq: syntax check OK.",
                ran(folder, "/usr/sbin/dnsmasq", "--test", "--conf-file=" + file)
                        .strip());
        long units = at("/units")
                .valueStream()
                .filter(u -> !u.at("/ipv4").isNull() && !u.at("/mac").isNull())
                .count();
        assertEquals(units, text.lines().filter(l -> l.contains("dhcp-host=")).count());
        // the mill has two units of one address: the second waits as a comment
        assertEquals(1, text.lines().filter(l -> l.startsWith("# left out")).count());
    }

    private static boolean answers(int port) {
        try (Socket socket = new Socket("127.0.0.1", port)) {
            return socket.isConnected();
        } catch (IOException e) {
            return false;
        }
    }

    /** A real broker: a board may say its own state and not another's, and who may not read gets nothing. */
    @Test
    void theAccessListIsKeptByABroker(@TempDir Path folder) throws Exception {
        String list = http.get(plan + "/names/access").text();
        int port = TestDatabase.freePort();
        Path file = Files.writeString(folder.resolve("access.acl"), list);
        Path settings = Files.writeString(
                folder.resolve("broker.conf"),
                "listener " + port + " 127.0.0.1\nallow_anonymous true\nacl_file " + file + "\nuser root\n");
        String board = at("/devices/hall-lamp/unit").asString();
        String hub = at("/units/" + board + "/hub").asString();
        String own = at("/devices/hall-lamp/topic").asString() + "/state";
        String others = at("/devices/pit-pump/topic").asString() + "/state";
        assertTrue(list.contains("topic write " + own), list);
        Process broker = new ProcessBuilder("/usr/sbin/mosquitto", "-c", settings.toString())
                .redirectErrorStream(true)
                .redirectOutput(folder.resolve("log").toFile())
                .start();
        try {
            for (int i = 0; i < 100 && !answers(port); i++) {
                Thread.sleep(100);
            }
            Process heard = new ProcessBuilder(
                            "mosquitto_sub", "-p", "" + port, "-u", hub, "-i", "hub", "-t", "#", "-v", "-W", "6")
                    .redirectOutput(folder.resolve("heard").toFile())
                    .start();
            Process stranger = new ProcessBuilder(
                            "mosquitto_sub", "-p", "" + port, "-u", "stranger", "-t", "#", "-v", "-W", "6")
                    .redirectOutput(folder.resolve("strange").toFile())
                    .start();
            Thread.sleep(1500);
            for (String topic : List.of(own, others)) {
                ran(folder, "mosquitto_pub", "-p", "" + port, "-u", board, "-t", topic, "-m", "on");
            }
            heard.waitFor(20, TimeUnit.SECONDS);
            stranger.waitFor(20, TimeUnit.SECONDS);
            assertEquals(own + " on", Files.readString(folder.resolve("heard")).strip());
            assertEquals("", Files.readString(folder.resolve("strange")));
        } finally {
            broker.destroy();
        }
    }
}
