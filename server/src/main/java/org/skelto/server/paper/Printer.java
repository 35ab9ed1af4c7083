package org.skelto.server.paper;

import com.openhtmltopdf.bidi.support.ICUBidiReorderer;
import com.openhtmltopdf.bidi.support.ICUBidiSplitter;
import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.svgsupport.BatikSVGDrawer;
import com.openhtmltopdf.util.XRLog;
import com.samskivert.mustache.Mustache;
import com.samskivert.mustache.Template;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Prints sheets to PDF. Nothing is fetched: a sheet holds all that it shows. */
@Component
public final class Printer {
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM yyyy", Locale.ENGLISH);
    private static final String FACE = "DejaVu Sans Condensed";

    private final Template template;

    Printer() {
        XRLog.setLoggingEnabled(false);
        template = Mustache.compiler().nullValue("").compile(text("/paper/sheet.html"));
    }

    /** What stands in the title block besides the sheet's own title. */
    public record Head(String plan, long revision, LocalDate day) {}

    /** A sheet as PDF. */
    public byte[] pdf(PaperSheet sheet, Head head, PaperSize size, boolean landscape) {
        String html = template.execute(Map.of(
                "sheet", sheet,
                "plan", printable(head.plan()),
                "revision", head.revision(),
                "day", head.day().format(DAY),
                "hasScale", sheet.scale() != null,
                "hasCautions", !sheet.cautions().isEmpty(),
                "width", size.widthMm(landscape),
                "height", size.heightMm(landscape)));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.useFastMode();
        builder.useUriResolver((base, uri) -> null);
        builder.useSVGDrawer(new BatikSVGDrawer());
        builder.useUnicodeBidiSplitter(new ICUBidiSplitter.ICUBidiSplitterFactory());
        builder.useUnicodeBidiReorderer(new ICUBidiReorderer());
        builder.defaultTextDirection(PdfRendererBuilder.TextDirection.LTR);
        builder.useFont(() -> open("/fonts/DejaVuSansCondensed.ttf"), FACE, 400, FontStyle.NORMAL, true);
        builder.useFont(() -> open("/fonts/DejaVuSansCondensed-Bold.ttf"), FACE, 700, FontStyle.NORMAL, true);
        builder.withProducer("Skelto");
        builder.withHtmlContent(html, null);
        builder.toStream(out);
        try {
            builder.run();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    /** Without what XML cannot hold. */
    static String printable(String text) {
        StringBuilder kept = new StringBuilder();
        text.codePoints()
                .filter(c ->
                        c == '\t' || c == '\n' || c >= 0x20 && c < 0xD800 || c > 0xDFFF && c < 0xFFFE || c > 0xFFFF)
                .forEach(kept::appendCodePoint);
        return kept.toString();
    }

    private static InputStream open(String resource) {
        InputStream in = Printer.class.getResourceAsStream(resource);
        if (in == null) {
            throw new IllegalStateException(resource + " is not in the program");
        }
        return in;
    }

    private static String text(String resource) {
        try (InputStream in = open(resource)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
