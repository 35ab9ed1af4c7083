package org.skelto.core.build;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import org.skelto.core.build.CableLine.Layer;
import org.skelto.core.work.ComputingBudget;

/** Writes sheets as SVG 1.1, one below the other, with a group for each layer. */
public final class SvgSheet {
    private static final String STYLE = "text{font-family:Barlow,Helvetica,sans-serif;font-size:3.6px;fill:#22303C}"
            + ".small{font-size:2.9px}.title{font-size:6px;font-weight:600}"
            + "polyline,rect{fill:none;stroke:#43515C;stroke-width:.35}"
            + ".mains polyline,.mains rect{stroke:#A8552A;stroke-width:.6}.mains circle{fill:#A8552A}.mains text{fill:#8A431E}"
            + ".low polyline,.low rect{stroke:#1F5470;stroke-width:.4}.low circle{fill:#1F5470}.low text{fill:#1F5470}"
            + ".bus polyline{stroke:#1E6B5C;stroke-width:.5}.bus text{fill:#1E6B5C}"
            + ".contacts polyline{stroke:#22303C;stroke-width:.5}"
            + ".control{stroke-dasharray:1.2 .8}";

    private SvgSheet() {}

    /** The class of a layer's group. */
    public static String css(Layer layer) {
        return layer == null
                ? "paper"
                : switch (layer) {
                    case MAINS -> "mains";
                    case LOW_VOLTAGE -> "low";
                    case BUS -> "bus";
                    case CONTACTS -> "contacts";
                };
    }

    /** Sheets as one document, its size in millimetres. */
    public static String of(List<Sheet> sheets) {
        double width = sheets.stream().mapToDouble(Sheet::widthMm).max().orElse(277);
        double height = sheets.stream().mapToDouble(Sheet::heightMm).sum();
        StringBuilder out = new StringBuilder();
        out.append("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"")
                .append(number(width))
                .append("mm\" height=\"")
                .append(number(height))
                .append("mm\" viewBox=\"0 0 ")
                .append(number(width))
                .append(' ')
                .append(number(height))
                .append("\"><style>")
                .append(STYLE)
                .append("</style><rect width=\"100%\" height=\"100%\" style=\"fill:#FBFAF6;stroke:none\"/>");
        double top = 0;
        for (Sheet sheet : sheets) {
            out.append("<g transform=\"translate(0 ").append(number(top)).append(")\">");
            layer(out, sheet, null);
            for (Layer layer : Layer.values()) {
                layer(out, sheet, layer);
            }
            out.append("</g>");
            top += sheet.heightMm();
        }
        return out.append("</svg>").toString();
    }

    private static void layer(StringBuilder out, Sheet sheet, Layer layer) {
        out.append("<g class=\"").append(css(layer)).append("\">");
        sheet.shapes().stream().filter(s -> s.layer() == layer).forEach(s -> shape(out, s));
        out.append("</g>");
    }

    private static void shape(StringBuilder out, Shape shape) {
        ComputingBudget.step();
        List<Double> p = shape.points();
        switch (shape.kind()) {
            case LINE, CONTROL ->
                out.append("<polyline")
                        .append(shape.kind() == Shape.Kind.CONTROL ? " class=\"control\"" : "")
                        .append(" points=\"")
                        .append(p.stream().map(SvgSheet::number).collect(Collectors.joining(" ")))
                        .append("\"/>");
            case BOX ->
                out.append("<rect x=\"")
                        .append(number(p.get(0)))
                        .append("\" y=\"")
                        .append(number(p.get(1)))
                        .append("\" width=\"")
                        .append(number(p.get(2) - p.get(0)))
                        .append("\" height=\"")
                        .append(number(p.get(3) - p.get(1)))
                        .append("\"/>");
            case DOT ->
                out.append("<circle cx=\"")
                        .append(number(p.get(0)))
                        .append("\" cy=\"")
                        .append(number(p.get(1)))
                        .append("\" r=\".8\"/>");
            default -> text(out, shape);
        }
    }

    private static void text(StringBuilder out, Shape shape) {
        String css = switch (shape.kind()) {
            case SMALL, SMALL_RIGHT -> " class=\"small\"";
            case TITLE -> " class=\"title\"";
            default -> "";
        };
        boolean right = shape.kind() == Shape.Kind.TEXT_RIGHT || shape.kind() == Shape.Kind.SMALL_RIGHT;
        out.append("<text")
                .append(css)
                .append(right ? " text-anchor=\"end\"" : "")
                .append(" x=\"")
                .append(number(shape.points().get(0)))
                .append("\" y=\"")
                .append(number(shape.points().get(1)))
                .append("\">")
                .append(escaped(shape.text()))
                .append("</text>");
    }

    private static String escaped(String text) {
        StringBuilder out = new StringBuilder();
        text.codePoints().forEach(c -> {
            switch (c) {
                case '<' -> out.append("&lt;");
                case '>' -> out.append("&gt;");
                case '&' -> out.append("&amp;");
                case '"' -> out.append("&quot;");
                default -> {
                    if (c >= 0x20 && c != 0xFFFE && c != 0xFFFF) {
                        out.appendCodePoint(c);
                    }
                }
            }
        });
        return out.toString();
    }

    private static String number(double value) {
        String text = String.format(Locale.ROOT, "%.2f", value);
        return text.replaceFirst("\\.?0+$", "");
    }
}
