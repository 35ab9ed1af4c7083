package org.skelto.server.build;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.StringReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.server.testing.Http.Answer;
import org.skelto.server.testing.OnTheMill;
import tools.jackson.databind.JsonNode;

class BuildApiTest extends OnTheMill {
    private List<CSVRecord> table(String path) throws IOException {
        return CSVFormat.RFC4180
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .get()
                .parse(new StringReader(http.get(plan + path).text()))
                .getRecords();
    }

    private byte[] bytes(String path) throws Exception {
        HttpResponse<byte[]> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(skelto.url + plan + path))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray());
        assertEquals(200, answer.statusCode());
        assertTrue(answer.headers().firstValue("Content-Type").orElse("").startsWith("application/pdf"));
        return answer.body();
    }

    @Test
    void thePartsListGoesOutAsATableAndItsPricesComeBack() throws IOException {
        JsonNode list = http.get(plan + "/parts-list").json();
        List<CSVRecord> lines = table("/parts-list/csv");
        assertEquals(list.get("lines").size(), lines.size());
        double sum = lines.stream()
                .filter(l -> !l.get("cost").isEmpty())
                .mapToDouble(l -> Double.parseDouble(l.get("cost")))
                .sum();
        assertEquals(list.get("total").asDouble(), sum, 1e-6);
        // two plug supplies are in the drawer
        CSVRecord plug = lines.stream()
                .filter(l -> l.get("part").equals("brick-5"))
                .findFirst()
                .orElseThrow();
        assertEquals("2.0", plug.get("owned"));
        String dearer = http.get(plan + "/parts-list/csv").text().replace(",29.0,", ",59.0,");
        assertTrue(dearer.contains(",59.0,"), "something became dearer");
        Answer taken = http.postAs("/api/parts/prices", dearer, "text/csv");
        assertEquals(201, taken.status(), taken.text());
        JsonNode after = http.get(plan + "/parts-list").json();
        assertEquals(list.get("total").asDouble() + 30, after.get("total").asDouble(), 1e-6);
        Answer bad = http.postAs("/api/parts/prices", "part,price\nrail-12,cheap\n", "text/csv");
        assertEquals(422, bad.status());
        assertEquals(List.of("/line 2/price"), bad.places());
        assertEquals(after, http.get(plan + "/parts-list").json());
    }

    @Test
    void cablesAreTheSameAsDataAsATableAndOnLabels() throws Exception {
        JsonNode cables = http.get(plan + "/cable-schedule").json();
        Set<String> ids = new TreeSet<>();
        cables.forEach(c -> ids.add(c.get("id").asString()));
        assertEquals(cables.size(), ids.size());
        Set<String> rows = new TreeSet<>();
        table("/cable-schedule/csv").forEach(l -> rows.add(l.get("cable")));
        assertEquals(ids, rows);
        try (PDDocument pdf = Loader.loadPDF(bytes("/cable-schedule/labels"))) {
            String text = new PDFTextStripper().getText(pdf);
            for (String id : ids) {
                assertEquals(2, text.split("\\b" + id + "\\b", -1).length - 1, id);
            }
            assertEquals((2 * ids.size() + 32) / 33, pdf.getNumberOfPages());
        }
    }

    @Test
    void theWiringIsDrawnForAllForARoomForABoxAndForOne() throws Exception {
        int all = http.get(plan + "/wiring").json().size();
        assertEquals(6, all);
        assertEquals(1, http.get(plan + "/wiring?room=scullery").json().size());
        assertEquals(1, http.get(plan + "/wiring?housing=loft-cabinet").json().size());
        try (PDDocument pdf = Loader.loadPDF(bytes("/wiring/pdf"))) {
            assertEquals(all, pdf.getNumberOfPages());
            String text = new PDFTextStripper().getText(pdf);
            assertTrue(text.contains("scullery relay board") && text.contains("boiler heater"), text);
        }
        Answer svg = http.get(plan + "/wiring/svg?unit=hall-board");
        assertTrue(svg.type().startsWith("image/svg+xml"));
        assertTrue(svg.text().contains("front door lock"));
        assertEquals(409, http.get(plan + "/wiring/svg?unit=annexe-board").status());
    }

    @Test
    void anotherBoardIsTriedAndTakenInOneEditThatUndoTakesBack() {
        JsonNode before = http.get(plan).json();
        JsonNode tried = http.get(plan + "/replacement?unit=scullery-relays&part=plain-12")
                .json();
        assertEquals(0, tried.get("lost").asInt());
        assertEquals(before, http.get(plan).json());
        Answer taken = http.patch(
                plan, before.get("revision").asLong(), tried.get("edits").toString());
        assertEquals(200, taken.status(), taken.text());
        assertEquals(
                "plain-12",
                taken.json().at("/plan/units/scullery-relays/boards/main").asString());
        assertEquals(
                before.at("/plan/units/scullery-relays/ipv4"), taken.json().at("/plan/units/scullery-relays/ipv4"));
        assertEquals(
                0,
                http.post(plan + "/terminal-proposal?unit=scullery-relays", "")
                        .json()
                        .get("edits")
                        .size());
    }

    @ParameterizedTest
    @CsvSource({
        "/replacement?unit=nobody&part=slim-9, 404",
        "/replacement?unit=annexe-board&part=slim-9, 409",
        "/replacement?unit=scullery-relays&part=cable-pair, 422",
        "/replacement?unit=scullery-relays, 400",
        "/board-choices?spare=-1, 422",
        "/board-choices?spare=many, 400",
        "/wiring/pdf?room=nowhere, 409",
    })
    void questionsThatCannotBeAreAnsweredWithAProblem(String path, int status) {
        Answer refused = http.get(plan + path);
        assertEquals(status, refused.status(), refused.text());
        assertTrue(refused.type().startsWith("application/problem+json"));
        assertFalse(refused.text().contains("Exception"), refused.text());
    }

    @Test
    void powerLinesAndBoxesAreReportedAndLoopsOfSuppliesAreStoredAndTold() {
        JsonNode power = http.get(plan + "/power").json();
        assertTrue(power.get("nodes").size() > 30);
        assertFalse(power.get("paths").isEmpty());
        assertEquals(2, http.get(plan + "/chains").json().size());
        assertEquals(3, http.get(plan + "/housings").json().size());
        long revision = http.get(plan).json().get("revision").asLong();
        String loop = "[{\"op\":\"replace\",\"path\":\"/units/rail-12/power\",\"value\":{\"source\":\"SUPPLY\","
                + "\"from\":\"lathe-board\",\"backupH\":0}}]";
        Answer looped = http.patch(plan, revision, loop);
        assertEquals(200, looped.status(), looped.text());
        JsonNode assessed = http.get(plan + "/assessment").json().get("assessment");
        assertTrue(assessed.get("snags")
                .valueStream()
                .anyMatch(s -> s.get("code").asString().equals("P18")
                        && s.get("severity").asString().equals("STOP")));
        assertTrue(assessed.at("/troubles/rail-12/dark").asBoolean());
        assertTrue(http.get(plan + "/power").json().get("nodes").size() > 30);
        revision++;
        Answer negative = http.patch(
                plan, revision, "[{\"op\":\"replace\",\"path\":\"/units/router/draws/typicalA\",\"value\":-0.5}]");
        assertEquals(List.of("/units/router/draws/typicalA"), negative.places());
        assertEquals(revision, http.get(plan).json().get("revision").asLong());
    }

    @Test
    void theCalculatorsSayWhatTheyAsk() {
        JsonNode forms = http.get("/api/calculators/forms").json();
        assertTrue(forms.valueStream()
                .map(f -> f.get("name").asString())
                .toList()
                .containsAll(List.of(
                        "voltage-drop",
                        "supply-headroom",
                        "regulator-heat",
                        "relay-driver",
                        "battery-life",
                        "bus-timing",
                        "backup-time")));
        Answer drop = http.post(
                "/api/calculators/voltage-drop",
                "{\"lengthM\":10,\"currentA\":1,\"areaMm2\":0.17241,\"temperatureC\":20}");
        // 2 · 10 m · 1 A · 0.017241 / 0.17241
        assertEquals(2, drop.json().at("/out/dropV").asDouble(), 1e-9);
        Answer bad = http.post(
                "/api/calculators/battery-life",
                "{\"capacityMah\":1,\"usableShare\":1,\"selfDischargePerYear\":0,\"sleepCurrentUa\":1,\"cycleS\":1,"
                        + "\"states\":[{\"currentMa\":-1,\"durationMs\":1}]}");
        assertEquals(List.of("/states/0/currentMa"), bad.places());
        assertEquals(200, http.get("/calculators/voltage-drop").status());
    }
}
