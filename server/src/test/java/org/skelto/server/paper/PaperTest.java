package org.skelto.server.paper;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.coverage.FloorCoverage;
import org.skelto.core.facts.Facts;
import org.skelto.core.ground.Relief;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.site.WallPiece;
import org.skelto.server.testing.Http;
import org.skelto.server.testing.OnTheMill;
import tools.jackson.databind.JsonNode;

class PaperTest extends OnTheMill {
    private static final double MM = 72 / 25.4;

    private byte[] pdf(String path) throws Exception {
        HttpResponse<byte[]> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(skelto.url + plan + "/sheets/" + path))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray());
        assertEquals(
                200, answer.statusCode(), () -> new String(answer.body(), java.nio.charset.StandardCharsets.UTF_8));
        assertEquals(
                "application/pdf", answer.headers().firstValue("Content-Type").orElse(""));
        return answer.body();
    }

    /** Notes the marks that stand beyond the margins. */
    private static final class Margins extends PDFTextStripper {
        private final StringBuilder beyond = new StringBuilder();
        private PDRectangle page = PDRectangle.A4;

        @Override
        protected void startPage(PDPage of) throws IOException {
            page = of.getMediaBox();
            super.startPage(of);
        }

        @Override
        protected void processTextPosition(TextPosition text) {
            double right = text.getXDirAdj() + text.getWidthDirAdj();
            if (text.getXDirAdj() < 10 * MM || right > page.getWidth() - 10 * MM) {
                beyond.append(text.getUnicode());
            }
            super.processTextPosition(text);
        }
    }

    @ParameterizedTest
    @EnumSource(StageSheets.Kind.class)
    void everyStagePrintsWithItsTitleBlockAndNothingCut(StageSheets.Kind kind) throws Exception {
        String name = kind.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
        try (PDDocument document = Loader.loadPDF(pdf(name))) {
            Margins reader = new Margins();
            String text = reader.getText(document);
            assertEquals("", reader.beyond.toString());
            assertTrue(text.contains("Marrowby Leat"), text);
            assertTrue(text.contains("Estimate, not a certificate"), text);
            assertTrue(text.contains("Page 1 of " + document.getNumberOfPages()), text);
            assertTrue(text.contains("Mains can kill"), text);
            PDRectangle page = document.getPage(0).getMediaBox();
            assertEquals(210 * MM, page.getWidth(), 0.5);
            assertEquals(297 * MM, page.getHeight(), 0.5);
        }
    }

    @Test
    void theReportOfOutagesSaysWhatWasPromisedWhatTakesItAndHowThatWasWorkedOut() throws Exception {
        String promise = """
                [{"op":"add","path":"/promises/guards","value":{"name":"Guards without mains","kinds":[],"devices":[],
                 "from":"PROTECTIVE","without":["mains"],"hours":8,"anyOne":false,"byItself":false}}]""";
        assertEquals(200, http.patch(plan, revision(), promise).status());
        try (PDDocument document = Loader.loadPDF(pdf("outages?landscape=true"))) {
            String text = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
            for (String part : List.of(
                    "Guards without mains no, 10 of 14",
                    "What each takes away",
                    "Least sets of failures, of what guards",
                    "Hours lost a year",
                    "How it was worked out")) {
                assertTrue(text.contains(part), () -> part + " in " + text);
            }
            // of one alone, and of two together, as the model says it
            assertTrue(text.contains("hall siren sound mains; mill sockets; "), text);
        }
    }

    @Test
    void aTableFlowsOverPagesWithItsHeadOnEach() throws Exception {
        JsonNode devices = http.get(plan).json().get("plan").get("devices");
        try (PDDocument document = Loader.loadPDF(pdf("names?paper=letter&landscape=true"))) {
            PDRectangle page = document.getPage(0).getMediaBox();
            assertEquals(279.4 * MM, page.getWidth(), 0.5);
            assertTrue(document.getNumberOfPages() > 1);
            PDFTextStripper reader = new PDFTextStripper();
            reader.setStartPage(document.getNumberOfPages());
            reader.setEndPage(document.getNumberOfPages());
            assertTrue(reader.getText(document).contains("Topic"), "the head stands again on the last page");
            String all = new PDFTextStripper().getText(document).replaceAll("\\s+", " ");
            devices.forEach(d -> assertTrue(
                    all.contains(d.get("name").asString()), d.get("name").asString()));
        }
    }

    /** A millimetre of the drawing is one on the paper, and a wall is as long on it as the scale in the title block says. */
    @Test
    void drawingsAreToTheScaleThatIsPrinted() {
        Plan lodge = ThornfellLodge.plan();
        Assessment assessment = Assessment.of(new Facts(lodge), Set.of());
        for (PaperSize size : PaperSize.values()) {
            int scale = FloorPicture.scale(lodge, assessment, size, true);
            String svg = new FloorPicture(lodge, assessment, "ground")
                    .drawn(scale, true, true)
                    .svg();
            Matcher box = Pattern.compile(
                            "width='([0-9.]+)mm' height='([0-9.]+)mm' viewBox='[-0-9.]+ [-0-9.]+ ([0-9.]+) ([0-9.]+)'")
                    .matcher(svg);
            assertTrue(box.find(), svg.substring(0, 200));
            assertEquals(Double.parseDouble(box.group(1)), Double.parseDouble(box.group(3)), 0.06);
            assertEquals(Double.parseDouble(box.group(2)), Double.parseDouble(box.group(4)), 0.06);
            assertTrue(Double.parseDouble(box.group(1)) <= size.innerWidthMm(true));
            WallPiece wall = assessment.walls().stream()
                    .filter(w -> w.floor().equals("ground"))
                    .findFirst()
                    .orElseThrow();
            Matcher line = Pattern.compile("M([-0-9.]+) ([-0-9.]+)L([-0-9.]+) ([-0-9.]+)")
                    .matcher(svg);
            assertTrue(line.find());
            double drawn = Math.hypot(
                    Double.parseDouble(line.group(3)) - Double.parseDouble(line.group(1)),
                    Double.parseDouble(line.group(4)) - Double.parseDouble(line.group(2)));
            assertEquals(
                    Math.hypot(wall.bxM() - wall.axM(), wall.byM() - wall.ayM()) * 1000 / scale,
                    drawn,
                    0.02,
                    "1:" + scale);
            // every device of the floor has its symbol and its number
            long there = assessment.positions().entrySet().stream()
                    .filter(e ->
                            "ground".equals(e.getValue().floor()) && e.getKey().startsWith("/devices/"))
                    .count();
            assertTrue(svg.split("<g transform").length - 1 >= there, there + " symbols");
        }
    }

    private Facts mill() throws Exception {
        return new Facts(Http.MAPPER.treeToValue(http.get(plan).json().get("plan"), Plan.class));
    }

    /** The whole site is on its own scale, with the links that leave a house and, where heights are known, lines of them. */
    @Test
    void theWholeSiteIsDrawnToItsOwnScale() throws Exception {
        Facts mill = mill();
        Assessment assessment = Assessment.of(mill, Set.of());
        Relief relief = new Relief(2, List.of(new Relief.ReliefLine(4, List.of(-40.0, -40.0, 0.0, 10.0, 60.0, 60.0))));
        SitePicture picture = new SitePicture(
                mill.plan(), assessment, List.copyOf(mill.links().values()), relief);
        assertTrue(picture.worthwhile());
        for (PaperSize size : PaperSize.values()) {
            int scale = picture.scale(size, false);
            String svg = picture.svg(scale);
            assertTrue(svg.contains("1:" + scale), svg);
            mill.plan().spots().values().forEach(s -> assertTrue(svg.contains(Drawing.escaped(s.name())), s.name()));
            Matcher spots =
                    Pattern.compile("<circle cx='([-0-9.]+)' cy='([-0-9.]+)'").matcher(svg);
            var all = List.copyOf(mill.plan().spots().values());
            List<double[]> drawn = new java.util.ArrayList<>();
            while (spots.find()) {
                drawn.add(new double[] {Double.parseDouble(spots.group(1)), Double.parseDouble(spots.group(2))});
            }
            assertEquals(all.size(), drawn.size());
            double metres = Math.hypot(
                    all.get(0).xM() - all.get(1).xM(),
                    all.get(0).yM() - all.get(1).yM());
            double mm = Math.hypot(drawn.get(0)[0] - drawn.get(1)[0], drawn.get(0)[1] - drawn.get(1)[1]);
            assertEquals(metres * 1000 / scale, mm, 0.03);
            assertTrue(svg.contains("height, every 2 m") && svg.contains("link at target"));
        }
        try (PDDocument document = Loader.loadPDF(pdf("long-range"))) {
            assertTrue(new PDFTextStripper().getText(document).contains("The whole site, 1:"));
        }
    }

    /** What is grey on the map of a radio is what has too little of it, to the square metre. */
    @Test
    void theMapOfARadioIsGreyWhereTooLittleArrives() throws Exception {
        Facts mill = mill();
        Assessment assessment = Assessment.of(mill, Set.of());
        String floor = "meal-floor";
        FloorCoverage.Mapped mapped =
                FloorCoverage.of(mill.site(), mill.tables(), Medium.WIFI_2G4, floor, Set.of(), 8000);
        String svg = new FloorPicture(mill.plan(), assessment, floor)
                .heard(50, mapped, List.of())
                .svg();
        double cell = mapped.coverage().grid().cellM();
        double weak = 0;
        for (int i = 0; i < mapped.coverage().grid().cells(); i++) {
            weak += mapped.map().roomOfCells()[i] >= 0
                            && mapped.map().bestDbm()[i] < mapped.coverage().wantedDbm()
                    ? cell * cell
                    : 0;
        }
        double grey = 0;
        Matcher rows = Pattern.compile("width='([0-9.]+)' height='([0-9.]+)' fill='#cfcfcf'")
                .matcher(svg);
        while (rows.find()) {
            grey += Double.parseDouble(rows.group(1)) * Double.parseDouble(rows.group(2)) * 50 * 50 / 1e6;
        }
        // one more is the patch of the legend
        assertEquals(weak + 4 * 3 * 50 * 50 / 1e6, grey, 0.01 * weak + 0.05);
        try (PDDocument document = Loader.loadPDF(pdf("links"))) {
            String text = new PDFTextStripper().getText(document);
            assertTrue(text.contains(" on Mill, "), text);
        }
        assertTrue(svg.contains("dBm: control works"), svg);
        try (PDDocument document = Loader.loadPDF(pdf("links?radio=WIFI_2G4"))) {
            assertTrue(new PDFTextStripper().getText(document).contains("Wi-Fi 2.4 GHz on "));
        }
    }

    @Test
    void aPlanInFeetIsPrintedInFeet() throws Exception {
        String patch = "[{\"op\":\"replace\",\"path\":\"/measures\",\"value\":\"FEET\"}]";
        assertEquals(200, http.patch(plan, revision(), patch).status());
        try (PDDocument document = Loader.loadPDF(pdf("site"))) {
            String text = new PDFTextStripper().getText(document);
            assertTrue(Pattern.compile("\\d+' \\d+.?\"").matcher(text).find(), text);
            assertFalse(text.contains("Width, m"), text);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"Ελιά & <b>Κήπος</b>", "Дом у реки", "בית על הגבעה", "منزل"})
    void namesInOtherLettersArePrinted(String name) throws Exception {
        String patch = "[{\"op\":\"replace\",\"path\":\"/name\",\"value\":\"" + name + "\"}]";
        assertEquals(200, http.patch(plan, revision(), patch).status());
        try (PDDocument document = Loader.loadPDF(pdf("overview"))) {
            String text = new PDFTextStripper().getText(document);
            assertFalse(text.contains("##"), text);
            String letters = name.replaceAll("[^\\p{L}]", "");
            String printed = text.replaceAll("[^\\p{L}]", "");
            assertTrue(
                    printed.contains(letters)
                            || printed.contains(
                                    new StringBuilder(letters).reverse().toString())
                            || java.text.Normalizer.normalize(printed, java.text.Normalizer.Form.NFKC)
                                    .contains(letters.substring(0, 2)),
                    text);
        }
    }

    @Test
    void whatThereIsNotIsRefusedWithItsPlace() throws Exception {
        assertEquals(422, http.get(plan + "/sheets/kitchen").status());
        assertTrue(http.get(plan + "/sheets/site?paper=a0").text().contains("/paper"));
    }
}
