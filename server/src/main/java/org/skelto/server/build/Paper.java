package org.skelto.server.build;

import java.awt.Color;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.skelto.core.build.CableLine;
import org.skelto.core.build.Shape;
import org.skelto.core.build.Sheet;

/** Wiring sheets and cable labels as PDF on A4. */
final class Paper {
    private static final float MM = 72f / 25.4f;
    private static final float MARGIN_MM = 10;
    private static final int COLUMNS = 3;
    private static final int LABEL_ROWS = 11;
    private static final float LABEL_W = 63;
    private static final float LABEL_H = 25;

    private final PDDocument document = new PDDocument();
    private final PDFont plain = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
    private final PDFont bold = new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD);

    private Paper() {}

    /** Each sheet on a page of its own, made smaller where it does not fit. */
    static byte[] sheets(List<Sheet> sheets) {
        return made(paper -> {
            for (Sheet sheet : sheets) {
                paper.sheet(sheet);
            }
        });
    }

    /** Two labels for each cable, one for each end. */
    static byte[] labels(List<CableLine> cables, String plan) {
        return made(paper -> paper.labelled(cables, plan));
    }

    private interface Work {
        void on(Paper paper) throws IOException;
    }

    private static byte[] made(Work work) {
        Paper paper = new Paper();
        try (PDDocument document = paper.document;
                ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            work.on(paper);
            if (document.getNumberOfPages() == 0) {
                document.addPage(new PDPage(PDRectangle.A4));
            }
            document.save(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void sheet(Sheet sheet) throws IOException {
        PDRectangle size = new PDRectangle(PDRectangle.A4.getHeight(), PDRectangle.A4.getWidth());
        PDPage page = new PDPage(size);
        document.addPage(page);
        double wide = (size.getWidth() / MM - 2 * MARGIN_MM) / sheet.widthMm();
        double high = (size.getHeight() / MM - 2 * MARGIN_MM) / sheet.heightMm();
        float scale = (float) (MM * Math.min(1, Math.min(wide, high)));
        float left = MARGIN_MM * MM;
        float top = size.getHeight() - MARGIN_MM * MM;
        try (PDPageContentStream out = new PDPageContentStream(document, page)) {
            for (Shape shape : sheet.shapes()) {
                draw(out, shape, left, top, scale);
            }
        }
    }

    private static Color colour(CableLine.Layer layer) {
        return layer == null
                ? new Color(0x22303C)
                : switch (layer) {
                    case MAINS -> new Color(0xA8552A);
                    case LOW_VOLTAGE -> new Color(0x1F5470);
                    case BUS -> new Color(0x1E6B5C);
                    case CONTACTS -> new Color(0x22303C);
                };
    }

    private void draw(PDPageContentStream out, Shape shape, float left, float top, float scale) throws IOException {
        List<Double> p = shape.points();
        Color colour = colour(shape.layer());
        out.setStrokingColor(colour);
        out.setNonStrokingColor(colour);
        out.setLineWidth((shape.layer() == CableLine.Layer.MAINS ? 0.5f : 0.35f) * scale);
        switch (shape.kind()) {
            case LINE, CONTROL -> {
                out.setLineDashPattern(
                        shape.kind() == Shape.Kind.CONTROL ? new float[] {1.2f * scale, 0.8f * scale} : new float[0],
                        0);
                for (int i = 0; i + 1 < p.size(); i += 2) {
                    float x = left + p.get(i).floatValue() * scale;
                    float y = top - p.get(i + 1).floatValue() * scale;
                    if (i == 0) {
                        out.moveTo(x, y);
                    } else {
                        out.lineTo(x, y);
                    }
                }
                out.stroke();
                out.setLineDashPattern(new float[0], 0);
            }
            case BOX -> {
                out.addRect(
                        left + p.get(0).floatValue() * scale,
                        top - p.get(3).floatValue() * scale,
                        (float) (p.get(2) - p.get(0)) * scale,
                        (float) (p.get(3) - p.get(1)) * scale);
                out.stroke();
            }
            case DOT -> {
                float half = 0.7f * scale;
                out.addRect(
                        left + p.get(0).floatValue() * scale - half,
                        top - p.get(1).floatValue() * scale - half,
                        2 * half,
                        2 * half);
                out.fill();
            }
            default -> {
                boolean title = shape.kind() == Shape.Kind.TITLE;
                boolean small = shape.kind() == Shape.Kind.SMALL || shape.kind() == Shape.Kind.SMALL_RIGHT;
                boolean right = shape.kind() == Shape.Kind.SMALL_RIGHT || shape.kind() == Shape.Kind.TEXT_RIGHT;
                float size = (title ? 6f : small ? 2.9f : 3.6f) * scale;
                PDFont font = title ? bold : plain;
                String text = latin(shape.text());
                float x = left + p.get(0).floatValue() * scale;
                float width = font.getStringWidth(text) / 1000 * size;
                text(out, font, size, right ? x - width : x, top - p.get(1).floatValue() * scale, text);
            }
        }
    }

    private static void text(PDPageContentStream out, PDFont font, float size, float x, float y, String text)
            throws IOException {
        out.beginText();
        out.setFont(font, size);
        out.newLineAtOffset(x, y);
        out.showText(text);
        out.endText();
    }

    private void labelled(List<CableLine> cables, String plan) throws IOException {
        List<String[]> labels = new ArrayList<>();
        for (CableLine cable : cables) {
            String length = cable.lengthM() == null ? "" : ", " + Math.round(cable.lengthM()) + " m";
            for (boolean near : new boolean[] {true, false}) {
                labels.add(new String[] {
                    cable.id(),
                    "here: " + (near ? cable.fromName() : cable.toName()),
                    "goes to: " + (near ? cable.toName() : cable.fromName()),
                    cable.kind() + length,
                    plan
                });
            }
        }
        int perPage = COLUMNS * LABEL_ROWS;
        for (int from = 0; from < labels.size(); from += perPage) {
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                for (int i = from; i < Math.min(labels.size(), from + perPage); i++) {
                    int place = i - from;
                    label(
                            out,
                            labels.get(i),
                            (MARGIN_MM + place % COLUMNS * LABEL_W) * MM,
                            PDRectangle.A4.getHeight() - (MARGIN_MM + (place / COLUMNS + 1) * LABEL_H) * MM);
                }
            }
        }
    }

    private void label(PDPageContentStream out, String[] lines, float x, float y) throws IOException {
        out.setStrokingColor(new Color(0xCFC7B6));
        out.setLineWidth(0.4f);
        out.addRect(x, y, LABEL_W * MM, LABEL_H * MM);
        out.stroke();
        out.setNonStrokingColor(new Color(0x22303C));
        text(out, bold, 15, x + 2.5f * MM, y + LABEL_H * MM - 17, latin(lines[0]));
        float at = y + LABEL_H * MM - 29;
        for (int i = 1; i < lines.length; i++) {
            text(out, plain, 7.5f, x + 2.5f * MM, at, fitted(latin(lines[i]), 7.5f, (LABEL_W - 5) * MM));
            at -= 9.5f;
        }
    }

    private String fitted(String text, float size, float width) throws IOException {
        String fits = text;
        while (fits.length() > 3 && plain.getStringWidth(fits) / 1000 * size > width) {
            fits = fits.substring(0, fits.length() - 4) + "...";
        }
        return fits;
    }

    /** Only what the standard faces of PDF can show; other letters become question marks. */
    private static String latin(String text) {
        StringBuilder out = new StringBuilder();
        text.codePoints().forEach(c -> {
            switch (c) {
                case '−' -> out.append('-');
                case 'Ω' -> out.append("ohm");
                case '→' -> out.append("to");
                case '≤' -> out.append("<=");
                default -> out.append(c >= 0x20 && c < 0x7F || c >= 0xA0 && c <= 0xFF ? (char) c : '?');
            }
        });
        return out.toString();
    }
}
