package org.skelto.server.pictures;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.PipedInputStream;
import java.io.PipedOutputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CompletableFuture;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.server.problems.Refusal;
import org.skelto.server.testing.OnTheMill;
import org.slf4j.LoggerFactory;

/** Files that would keep a reader busy for ever, or the page that shows them. */
class HostilePicturesTest extends OnTheMill {
    private static final HttpClient CLIENT = HttpClient.newHttpClient();

    private static byte[] svg(String inner) {
        return ("<svg xmlns=\"http://www.w3.org/2000/svg\" xmlns:xlink=\"http://www.w3.org/1999/xlink\""
                        + " viewBox=\"0 0 400 300\">" + inner + "</svg>")
                .getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] png() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(new BufferedImage(40, 30, BufferedImage.TYPE_INT_RGB), "png", out);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return out.toByteArray();
    }

    /** A page that draws a form ten times, that draws a form ten times, and so on twelve deep: 10^12 rectangles. */
    static byte[] nestedForms() {
        StringBuilder pdf = new StringBuilder("%PDF-1.4\n");
        List<Integer> offsets = new ArrayList<>();
        List<String> objects = new ArrayList<>();
        objects.add("<</Type/Catalog/Pages 2 0 R>>");
        objects.add("<</Type/Pages/Kids[3 0 R]/Count 1>>");
        objects.add("<</Type/Page/Parent 2 0 R/MediaBox[0 0 600 400]/Contents 4 0 R"
                + "/Resources<</XObject<</F 5 0 R>>>>>>");
        objects.add(stream("", "/F Do"));
        for (int i = 0; i < 12; i++) {
            boolean last = i == 11;
            objects.add(stream(
                    "/Type/XObject/Subtype/Form/BBox[0 0 600 400]"
                            + (last ? "" : "/Resources<</XObject<</F " + (6 + i) + " 0 R>>>>"),
                    last ? "0 0 500 300 re f" : "/F Do ".repeat(10)));
        }
        for (int i = 0; i < objects.size(); i++) {
            offsets.add(pdf.length());
            pdf.append(i + 1).append(" 0 obj\n").append(objects.get(i)).append("\nendobj\n");
        }
        int table = pdf.length();
        pdf.append("xref\n0 ").append(objects.size() + 1).append("\n0000000000 65535 f \n");
        offsets.forEach(o -> pdf.append(String.format("%010d 00000 n \n", o)));
        pdf.append("trailer<</Size ")
                .append(objects.size() + 1)
                .append("/Root 1 0 R>>\nstartxref\n")
                .append(table)
                .append("\n%%EOF");
        return pdf.toString().getBytes(StandardCharsets.ISO_8859_1);
    }

    private static String stream(String dictionary, String content) {
        return "<<" + dictionary + "/Length " + content.length() + ">>stream\n" + content + "\nendstream";
    }

    private CompletableFuture<Integer> upload(String to, byte[] file) {
        return CLIENT.sendAsync(
                        HttpRequest.newBuilder(URI.create(skelto.url + to + "/pictures"))
                                .header("Content-Type", "application/octet-stream")
                                .POST(HttpRequest.BodyPublishers.ofByteArray(file))
                                .build(),
                        HttpResponse.BodyHandlers.ofString())
                .thenApply(HttpResponse::statusCode);
    }

    @Test
    void twoEndlessFilesAreEndedAndDoNotDisturbAThirdPerson() throws InterruptedException {
        String second = "/api/plans/"
                + http.post("/api/demos/sorrel-steps", "").json().get("id").asString();
        String third = "/api/plans/"
                + http.post("/api/demos/sorrel-steps", "").json().get("id").asString();
        CompletableFuture<Integer> one = upload(plan, nestedForms());
        CompletableFuture<Integer> two = upload(second, nestedForms());
        long began = System.nanoTime();
        assertEquals(201, upload(third, png()).join());
        assertEquals(200, http.get(third + "/assessment").status());
        assertFalse(one.isDone() || two.isDone(), "they were still being read meanwhile");
        assertTrue(System.nanoTime() - began < 8_000_000_000L);
        assertEquals(422, one.join());
        assertEquals(422, two.join());
        for (int i = 0; i < 40 && readers() > 0; i++) {
            Thread.sleep(50);
        }
        assertEquals(0, readers(), "none goes on");
        http.delete(second);
        http.delete(third);
    }

    private static long readers() {
        return ProcessHandle.current()
                .children()
                .filter(p -> p.isAlive() && p.info().commandLine().orElse("").contains("PictureProcess"))
                .count();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<g id='a'><use href='#b'/></g><g id='b'><use href='#a'/></g>",
                "<pattern id='p' width='0.001' height='0.001'><path d='M0 0L9 9'/></pattern>",
                "<rect fill='url(#p)' width='400' height='300'/>",
                "<rect style='fill:url(#p)' width='4' height='4'/>",
                "<rect style='filter:blur(9999px)' width='4' height='4'/>",
                "<path stroke-dasharray='0.00001' d='M0 0L400 300' />",
                "<marker id='m'><path d='M0 0L1 1'/></marker><path marker-mid='url(#m)' d='M0 0L9 9'/>",
                "<mask id='k'><rect width='9' height='9'/></mask><rect mask='url(#k)' width='9' height='9'/>",
                "<a href='https://evil.example'><text>x</text></a>",
            })
    void nothingIsLeftOfAnSvgThatDrawsOtherPartsAgain(String costly) throws UnreadablePicture {
        Picture picture = SvgCleaner.clean(svg("<path d='M0 0L5 5'/>" + costly));
        String text = new String(picture.content(), StandardCharsets.UTF_8);
        assertFalse(text.matches("(?s).*(url\\(|<use|pattern|marker|mask|filter|dasharray|href|evil).*"), text);
        assertTrue(text.contains("M0 0L5 5"));
    }

    @Test
    void aNumberOfTwoMillionDigitsIsRefusedAtOnce() {
        byte[] line = svg("<path d='M0 0L" + "9".repeat(2_000_000) + " 1'/>");
        byte[] box = ("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"" + "9".repeat(2_000_000)
                        + "\" height=\"5\"><path d=\"M0 0\"/></svg>")
                .getBytes(StandardCharsets.UTF_8);
        for (byte[] file : List.of(line, box)) {
            assertTimeoutPreemptively(
                    Duration.ofSeconds(5),
                    () -> assertEquals(422, upload(plan, file).join()));
        }
    }

    /** A drawing that an older program let in is shown as today's cleaner leaves it, and still travels with its plan. */
    @Test
    void whatWasLetInBeforeIsShownCleanedAndStillTravels() throws Exception {
        byte[] old = svg("<path d='M0 0L5 5'/><g id='a'><use href='#a'/></g>");
        String id = java.util.HexFormat.of()
                .formatHex(java.security.MessageDigest.getInstance("SHA-256").digest(old));
        var file = (tools.jackson.databind.node.ObjectNode) org.skelto.server.testing.Http.MAPPER.readTree(document());
        file.putObject("pictures")
                .putObject(id)
                .put("mediaType", "image/svg+xml")
                .put("base64", java.util.Base64.getEncoder().encodeToString(old));
        var made = http.post("/api/plans/import", file.toString());
        assertEquals(201, made.status(), made.text());
        String copy = "/api/plans/" + made.json().get("id").asString();
        String shown = http.get(copy + "/pictures/" + id).text();
        assertTrue(shown.contains("M0 0L5 5") && !shown.contains("use"), shown);
        assertEquals(file.get("pictures"), http.get(copy + "/export").json().get("pictures"));
        http.delete(copy);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void brokenPdfFilesAreRefusedOrDrawnAndNeverAMistake(long seed) {
        Random random = new Random(seed);
        byte[] file = nestedForms();
        byte[] broken = file.clone();
        for (int i = 0; i < 40; i++) {
            broken[random.nextInt(broken.length)] = (byte) random.nextInt(256);
        }
        // the forms draw nothing any more, so that it ends soon
        byte[] harmless = new String(broken, StandardCharsets.ISO_8859_1)
                .replace("Do", "  ")
                .getBytes(StandardCharsets.ISO_8859_1);
        int status = upload(plan, harmless).join();
        assertTrue(status == 201 || status == 422, "answered " + status);
    }

    @Test
    void aRefusedFileIsOneLineOfTheLog() {
        Logger root = (Logger) LoggerFactory.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME);
        ListAppender<ILoggingEvent> log = new ListAppender<>();
        log.setContext(root.getLoggerContext());
        log.start();
        root.addAppender(log);
        byte[] torn = ("%PDF-1.4\n" + "nonsense ".repeat(70)).getBytes(StandardCharsets.US_ASCII);
        assertEquals(422, upload(plan, torn).join());
        root.detachAppender(log);
        assertEquals(1, log.list.size(), log.list.toString());
        assertEquals(null, log.list.get(0).getThrowableProxy());
        assertTrue(
                log.list.get(0).getFormattedMessage().contains(torn.length + " bytes was refused"),
                log.list.toString());
    }

    /** As many pictures as a plan may have, each nearly as large as it may be: its own file comes back in. */
    /** Half a minute for one limit: tried with {@code --long}. */
    @Test
    @EnabledIfSystemProperty(named = "skelto.long", matches = "true")
    void theFileOfAPlanFullOfPicturesIsTakenInAgain() {
        for (int i = 0; i < 12; i++) {
            assertEquals(201, upload(plan, noise(i)).join());
        }
        assertEquals(409, upload(plan, noise(13)).join());
        String file = document();
        assertTrue(file.length() > 34_000_000, "it is " + file.length() + " long");
        var made = http.post("/api/plans/import", file);
        assertEquals(
                201,
                made.status(),
                made.text().substring(0, Math.min(500, made.text().length())));
        String copy = "/api/plans/" + made.json().get("id").asString();
        assertEquals(file, http.get(copy + "/export").text());
        http.delete(copy);
    }

    /** A drawing that cannot be packed: about two and a quarter megabytes. */
    private static byte[] noise(int seed) {
        Random random = new Random(seed);
        BufferedImage image = new BufferedImage(900, 830, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 830; y++) {
            for (int x = 0; x < 900; x++) {
                image.setRGB(x, y, random.nextInt());
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", out);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
        return out.toByteArray();
    }

    @Test
    void aProcessThatNeverAnswersIsEnded() throws IOException {
        Process silent = mock(Process.class);
        when(silent.getOutputStream()).thenReturn(OutputStream.nullOutputStream());
        when(silent.getInputStream()).thenReturn(new PipedInputStream(new PipedOutputStream()));
        PictureReader reader = new PictureReader(seconds -> silent, 300);
        Refusal refusal = assertTimeoutPreemptively(
                Duration.ofSeconds(3), () -> assertThrows(Refusal.class, () -> reader.read(png(), 1)));
        assertTrue(refusal.getMessage().contains("Nothing was changed"));
        verify(silent).destroyForcibly();
    }

    @Test
    void aProcessThatSaysNonsenseIsNotBelieved() throws IOException {
        for (byte[] nonsense :
                new byte[][] {{}, {1}, {1, 0, 3, 'a', 'b', 'c', 0, 0, 0, 1, 0, 0, 0, 1, 127, -1, -1, -1}}) {
            Process liar = mock(Process.class);
            when(liar.getOutputStream()).thenReturn(OutputStream.nullOutputStream());
            InputStream said = new ByteArrayInputStream(nonsense);
            when(liar.getInputStream()).thenReturn(said);
            assertThrows(Refusal.class, () -> new PictureReader(seconds -> liar, 2000).read(png(), 1));
            verify(liar).destroyForcibly();
        }
    }
}
