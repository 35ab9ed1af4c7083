package org.skelto.server.paper;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.skelto.core.plan.Feet;
import org.skelto.core.plan.Measures;
import org.skelto.core.plan.site.Bounds;

/** Lines and words to scale in black and white: metres of the site to millimetres of paper. */
final class Drawing {
    /** Around what is drawn, millimetres. */
    static final double EDGE_MM = 4.2;

    private static final double LEGEND_MM = 16;
    private static final double LEAST_WIDE_MM = 90;
    private static final int[] SCALES = {
        20, 25, 50, 100, 200, 250, 500, 1000, 2000, 2500, 5000, 7500, 10_000, 12_500, 15_000, 20_000, 25_000, 30_000,
        40_000, 50_000
    };
    private static final int[] BARS = {1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000};

    /** About how long the bar of scale is to be, millimetres. */
    private static final double BAR_MM = 20;

    /** Between a place and its words, millimetres, and rows of words that are tried below it. */
    private static final double BESIDE_MM = 1.8;

    private static final int MOST_ROWS = 12;

    private final Bounds box;
    private final Measures measures;
    private final int scale;
    private final StringBuilder out = new StringBuilder();
    private final List<Bounds> taken = new ArrayList<>();

    Drawing(Bounds box, int scale, Measures measures) {
        this.box = box;
        this.measures = measures;
        this.scale = scale;
    }

    /** The largest usual scale at which so much fits on the paper. */
    static int scale(double wideM, double deepM, PaperSize size, boolean landscape) {
        for (int scale : SCALES) {
            if (wideM * 1000 / scale <= size.innerWidthMm(landscape) - 2 * EDGE_MM
                    && deepM * 1000 / scale <= size.innerHeightMm(landscape) - LEGEND_MM - 2 * EDGE_MM) {
                return scale;
            }
        }
        return SCALES[SCALES.length - 1];
    }

    /** Millimetres on the paper. */
    double mm(double metres) {
        return metres * 1000 / scale;
    }

    double x(double xM) {
        return mm(xM - box.westM());
    }

    double y(double yM) {
        return mm(box.northM() - yM);
    }

    /** How deep the drawing itself is, millimetres. */
    double deepMm() {
        return mm(box.depthM()) + 2 * EDGE_MM;
    }

    /** Across what legends run, millimetres. */
    double wideMm() {
        return Math.max(mm(box.widthM()) + 2 * EDGE_MM, LEAST_WIDE_MM);
    }

    /** A line between two places of the paper. */
    void line(double ax, double ay, double bx, double by, double thickMm, String ink) {
        line(ax, ay, bx, by, thickMm, ink, null);
    }

    /** The same, dashed. */
    void line(double ax, double ay, double bx, double by, double thickMm, String ink, String dashes) {
        put(
                "<path d='M%.2f %.2fL%.2f %.2f' stroke='%s' stroke-width='%.2f' fill='none' stroke-linecap='%s'%s/>",
                ax, ay, bx, by, ink, thickMm, dashes == null ? "square" : "butt", dashed(dashes));
    }

    /** A line through places of the site, each as x and y. */
    void path(List<double[]> points, double thickMm, String ink, String dashes) {
        StringBuilder d = new StringBuilder();
        for (double[] p : points) {
            d.append(String.format(Locale.ROOT, "%s%.2f %.2f", d.isEmpty() ? "M" : "L", x(p[0]), y(p[1])));
        }
        put("<path d='%s' stroke='%s' stroke-width='%.2f' fill='none'%s/>", d, ink, thickMm, dashed(dashes));
    }

    private static String dashed(String dashes) {
        return dashes == null ? "" : " stroke-dasharray='" + dashes + "'";
    }

    /** A filled rectangle of the site. */
    void fill(double westM, double northM, double wideM, double deepM, String ink) {
        put(
                "<rect x='%.2f' y='%.2f' width='%.2f' height='%.2f' fill='%s'/>",
                x(westM), y(northM), mm(wideM), mm(deepM), ink);
    }

    void text(double x, double y, double size, String anchor, String text) {
        put(
                "<text x='%.2f' y='%.2f' font-size='%.1f' font-family='DejaVu Sans Condensed' text-anchor='%s'>%s</text>",
                x, y, size, anchor, escaped(text));
    }

    /** Words that are read over lines: on white. */
    void label(double x, double y, double size, String anchor, String text) {
        double wide = text.length() * size * 0.5 + 0.8;
        double left = anchor.equals("middle") ? x - wide / 2 : x - 0.4;
        put(
                "<rect x='%.2f' y='%.2f' width='%.2f' height='%.2f' fill='#fff'/>",
                left, y - size * 0.85, wide, size * 1.1);
        text(x, y, size, anchor, text);
    }

    /** Words beside a place, where they cover no others that were put so: right of it, left, or further down; else not at all. */
    void named(double x, double y, double size, String text) {
        double wide = text.length() * size * 0.5 + 0.8;
        for (double down = 0; down < MOST_ROWS * size; down += 1.2 * size) {
            for (double left : new double[] {x + BESIDE_MM, x - BESIDE_MM - wide}) {
                Bounds area = new Bounds(left, y + down - size, left + wide, y + down + 0.2 * size);
                if (left > 0 && left + wide < mm(box.widthM()) && taken.stream().noneMatch(area::meets)) {
                    taken.add(area);
                    label(left + 0.4, y + down, size, "start", text);
                    if (down > 0) {
                        line(x, y, left < x ? left + wide : left, y + down - 0.3 * size, 0.15, "#000");
                    }
                    return;
                }
            }
        }
    }

    /** A square: a unit. */
    void square(double x, double y) {
        put(
                "<rect x='%.2f' y='%.2f' width='3' height='3' fill='#fff' stroke='#000' stroke-width='0.4'/>",
                x - 1.5, y - 1.5);
    }

    void put(String format, Object... values) {
        out.append(String.format(Locale.ROOT, format, values));
    }

    static String escaped(String text) {
        return Printer.printable(text)
                .replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;");
    }

    /** A bar of a round length, and north, which is up. */
    private void bar(double y) {
        boolean feet = measures == Measures.FEET;
        double unit = feet ? Feet.FOOT_M : 1;
        int most = 1;
        for (int length : BARS) {
            most = mm(length * unit) <= BAR_MM ? length : most;
        }
        double wide = mm(most * unit);
        line(0, y, wide, y, 0.5, "#000");
        line(0, y - 1, 0, y + 1, 0.3, "#000");
        line(wide, y - 1, wide, y + 1, 0.3, "#000");
        text(wide + 2, y + 0.9, 2.3, "start", most + (feet ? " ft" : " m") + ", 1:" + scale);
        double north = wide + 34;
        put("<path d='M%.2f %.2fl1.2 3.4h-2.4Z' fill='#000'/>", north, y - 2.4);
        text(north + 2, y + 0.9, 2.3, "start", "north");
    }

    /** The whole with its bar of scale below. */
    String svg(double footMm) {
        double tall = deepMm() + 4 + footMm;
        bar(tall);
        return String.format(
                        Locale.ROOT,
                        "<svg xmlns='http://www.w3.org/2000/svg' width='%.1fmm' height='%.1fmm' viewBox='%.2f %.2f %.2f %.2f'>",
                        wideMm(),
                        tall + 8,
                        -EDGE_MM,
                        -EDGE_MM,
                        wideMm(),
                        tall + 8)
                + out + "</svg>";
    }
}
