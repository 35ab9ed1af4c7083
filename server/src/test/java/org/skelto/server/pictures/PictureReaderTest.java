package org.skelto.server.pictures;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Random;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.server.problems.Refusal;

class PictureReaderTest {
    private final PictureReader reader = new PictureReader();

    private static byte[] svg(String inner) {
        return ("<svg xmlns=\"http://www.w3.org/2000/svg\" xmlns:xlink=\"http://www.w3.org/1999/xlink\""
                        + " viewBox=\"0 0 400 300\">" + inner + "</svg>")
                .getBytes(StandardCharsets.UTF_8);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "<script>alert(1)</script>",
                "<rect onclick='alert(1)' width='4' height='4'/>",
                "<a xlink:href='javascript:alert(1)'><rect width='4' height='4'/></a>",
                "<use xlink:href='http://evil.example/x.svg#a'/>",
                "<image href='http://evil.example/x.png'/>",
                "<foreignObject><body xmlns='http://www.w3.org/1999/xhtml'>x</body></foreignObject>",
                "<style>@import url(http://evil.example)</style>",
                "<rect style='fill:url(http://evil.example/x)' width='4' height='4'/>",
                "<animate attributeName='href' to='javascript:alert(1)'/>",
                "<rect width='4' height='4'/><?xml-stylesheet href='http://evil.example'?>",
            })
    void leavesOfAnSvgOnlyWhatDraws(String bad) {
        Picture picture = reader.read(svg("<path d='M0 0L9 9'/>" + bad), 1);
        String text = new String(picture.content(), StandardCharsets.UTF_8);
        assertFalse(text.matches("(?s).*(script|onclick|evil|foreignObject|animate|<image|<a |import).*"), text);
        assertTrue(text.contains("M0 0L9 9"));
        assertEquals(400, picture.width());
    }

    @Test
    void refusesEntitiesAndWhatIsNoPicture() {
        String bomb = "<!DOCTYPE svg [<!ENTITY a \"aaaaaaaaaa\"><!ENTITY b \"&a;&a;&a;&a;\">]>"
                + "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 4 4\"><text>&b;</text></svg>";
        String outside = "<!DOCTYPE svg [<!ENTITY x SYSTEM \"file:///etc/passwd\">]>"
                + "<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 4 4\"><text>&x;</text></svg>";
        for (String bad : new String[] {bomb, outside, "<html/>", "plain text", "<svg/>", "\u0089PNG nonsense"}) {
            assertThrows(Refusal.class, () -> reader.read(bad.getBytes(StandardCharsets.ISO_8859_1), 1), bad);
        }
    }

    @Test
    void makesALargePhotographSmallAndKeepsADrawingCrisp() throws IOException {
        BufferedImage photo = new BufferedImage(5000, 3000, BufferedImage.TYPE_INT_RGB);
        Random random = new Random(1);
        for (int i = 0; i < 60_000; i++) {
            photo.setRGB(random.nextInt(5000), random.nextInt(3000), random.nextInt());
        }
        ByteArrayOutputStream jpeg = new ByteArrayOutputStream();
        ImageIO.write(photo, "jpeg", jpeg);
        Picture small = reader.read(jpeg.toByteArray(), 1);
        assertEquals("image/jpeg", small.mediaType());
        assertTrue(small.width() <= 2400 && small.content().length <= PictureDecoder.MOST_BYTES);
        assertEquals(5 / 3.0, (double) small.width() / small.height(), 0.01);

        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(300, 200, BufferedImage.TYPE_INT_ARGB), "png", png);
        assertEquals("image/png", reader.read(png.toByteArray(), 1).mediaType());
    }

    /** A PNG of a few bytes that says it is 60000 pixels wide and high. */
    @Test
    void doesNotBelieveAPictureThatClaimsBillionsOfPixels() throws IOException {
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(4, 4, BufferedImage.TYPE_INT_RGB), "png", png);
        byte[] bytes = png.toByteArray();
        byte[] side = {0, 0, (byte) 0xea, 0x60};
        System.arraycopy(side, 0, bytes, 16, 4);
        System.arraycopy(side, 0, bytes, 20, 4);
        CRC32 crc = new CRC32();
        crc.update(bytes, 12, 17);
        for (int i = 0; i < 4; i++) {
            bytes[29 + i] = (byte) (crc.getValue() >> (24 - 8 * i));
        }
        assertThrows(Refusal.class, () -> reader.read(bytes, 1));
    }

    @Test
    void drawsAPageOfAPdfAndRefusesPagesAndSizesThatAreNot() throws IOException {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                content.addRect(100, 100, 300, 200);
                content.fill();
            }
            document.addPage(new PDPage(new PDRectangle(500_000, 500_000)));
            document.save(file);
        }
        Picture picture = reader.read(file.toByteArray(), 1);
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(picture.content()));
        assertEquals(0xff000000, image.getRGB(image.getWidth() / 2, image.getHeight() * 3 / 4));
        assertEquals(0xffffffff, image.getRGB(10, 10));
        assertThrows(Refusal.class, () -> reader.read(file.toByteArray(), 2));
        assertThrows(Refusal.class, () -> reader.read(file.toByteArray(), 3));
    }
}
