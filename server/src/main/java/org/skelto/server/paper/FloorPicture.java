package org.skelto.server.paper;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeSet;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.site.Room;
import org.skelto.core.site.WallGap;
import org.skelto.core.site.WallPiece;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One floor to scale in black and white, with the symbols of what stands on it, a number each, a bar of scale and north. */
final class FloorPicture {
    private static final int[] SCALES = {20, 25, 50, 100, 200, 250, 500, 1000, 2000, 5000};
    private static final double SYMBOL_MM = 4.2;
    private static final double LEGEND_MM = 16;
    private static final JsonNode SYMBOLS = symbols();

    private final Plan plan;
    private final Assessment assessment;
    private final String floor;

    FloorPicture(Plan plan, Assessment assessment, String floor) {
        this.plan = plan;
        this.assessment = assessment;
        this.floor = floor;
    }

    private static JsonNode symbols() {
        try (InputStream in = FloorPicture.class.getResourceAsStream("/drawing/symbols.json")) {
            return new JsonMapper().readTree(in);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    /** The largest usual scale at which all floors fit on the paper. */
    static int scale(Plan plan, Assessment assessment, PaperSize size, boolean landscape) {
        double wide = 1;
        double deep = 1;
        for (String floor : plan.floors().keySet()) {
            double[] box = new FloorPicture(plan, assessment, floor).box();
            if (box != null) {
                wide = Math.max(wide, box[2] - box[0]);
                deep = Math.max(deep, box[3] - box[1]);
            }
        }
        for (int scale : SCALES) {
            if (wide * 1000 / scale <= size.innerWidthMm(landscape) - 2 * SYMBOL_MM
                    && deep * 1000 / scale <= size.innerHeightMm(landscape) - LEGEND_MM - 2 * SYMBOL_MM) {
                return scale;
            }
        }
        return SCALES[SCALES.length - 1];
    }

    /** West, south, east and north of its walls, metres, or null when there are none. */
    private double[] box() {
        double[] box = {
            Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY
        };
        for (WallPiece w : assessment.walls()) {
            if (w.floor().equals(floor)) {
                box[0] = Math.min(box[0], Math.min(w.axM(), w.bxM()));
                box[1] = Math.min(box[1], Math.min(w.ayM(), w.byM()));
                box[2] = Math.max(box[2], Math.max(w.axM(), w.bxM()));
                box[3] = Math.max(box[3], Math.max(w.ayM(), w.byM()));
            }
        }
        return box[0] > box[2] ? null : box;
    }

    /** The picture with what it shows by number, or null when the floor has no walls. */
    Drawn drawn(int scale, boolean devices, boolean units) {
        double[] box = box();
        if (box == null) {
            return null;
        }
        double mm = 1000.0 / scale;
        double left = SYMBOL_MM;
        double wide = (box[2] - box[0]) * mm + 2 * SYMBOL_MM;
        double deep = (box[3] - box[1]) * mm + 2 * SYMBOL_MM;
        StringBuilder out = new StringBuilder();
        for (WallPiece w : assessment.walls()) {
            if (w.floor().equals(floor)) {
                double thick = Math.max(0.25, thicknessMm(w.construction()) / scale);
                line(
                        out,
                        x(w.axM(), box, mm),
                        y(w.ayM(), box, mm),
                        x(w.bxM(), box, mm),
                        y(w.byM(), box, mm),
                        thick,
                        "#555");
            }
        }
        for (WallGap g : assessment.gaps()) {
            if (g.floor().equals(floor)) {
                double ax = x(g.axM(), box, mm);
                double ay = y(g.ayM(), box, mm);
                double bx = x(g.bxM(), box, mm);
                double by = y(g.byM(), box, mm);
                line(out, ax, ay, bx, by, 1.1, "#fff");
                line(out, ax, ay, bx, by, 0.2, "#000");
            }
        }
        plan.rooms().values().stream().filter(r -> r.floor().equals(floor)).forEach(r -> {
            var b = r.bounds();
            var building = plan.buildings().get(plan.floors().get(floor).building());
            text(
                    out,
                    x(building.xM() + (b.westM() + b.eastM()) / 2, box, mm),
                    y(building.yM() + b.northM(), box, mm) + 4 + half(r, scale),
                    2.6,
                    "middle",
                    r.name());
        });
        List<Map.Entry<String, String>> numbered = new ArrayList<>();
        TreeSet<DeviceKind> kinds = new TreeSet<>();
        assessment.positions().forEach((pointer, p) -> {
            boolean device = pointer.startsWith("/devices/");
            String id = pointer.substring(pointer.lastIndexOf('/') + 1);
            Unit unit = device ? null : plan.units().get(id);
            if (!floor.equals(p.floor())
                    || (device ? !devices : !units || unit.kind().alone() && devices)) {
                return;
            }
            String number = String.valueOf(numbered.size() + 1);
            double cx = x(p.xM(), box, mm);
            double cy = y(p.yM(), box, mm);
            if (device) {
                Device d = plan.devices().get(id);
                kinds.add(d.kind());
                symbol(out, cx, cy, d.kind());
            } else {
                square(out, cx, cy);
            }
            text(out, cx + 2.3, cy + 2.6, 1.9, "start", number);
            numbered.add(Map.entry(number, pointer));
        });
        double foot = legend(out, deep + 4, kinds, units, wide);
        double tall = deep + 4 + foot;
        bar(out, scale, wide, tall);
        double fullWidth = Math.max(wide, 90);
        String svg = String.format(
                        Locale.ROOT,
                        "<svg xmlns='http://www.w3.org/2000/svg' width='%.1fmm' height='%.1fmm' viewBox='%.2f %.2f %.2f %.2f'>",
                        fullWidth,
                        tall + 8,
                        -left,
                        -SYMBOL_MM,
                        fullWidth,
                        tall + 8)
                + out + "</svg>";
        return new Drawn(svg, numbered);
    }

    private double thicknessMm(String construction) {
        return plan.construction(construction).layers().stream()
                .mapToDouble(l -> l.thicknessMm())
                .sum();
    }

    /** Half of the thickest wall of a room on the paper, millimetres. */
    private double half(Room room, int scale) {
        return room.walls().stream().mapToDouble(this::thicknessMm).max().orElse(0) / scale / 2;
    }

    /** A drawing, and the pointers of what it numbers. */
    record Drawn(String svg, List<Map.Entry<String, String>> numbered) {}

    private static double x(double xM, double[] box, double mm) {
        return (xM - box[0]) * mm;
    }

    private static double y(double yM, double[] box, double mm) {
        return (box[3] - yM) * mm;
    }

    private static void line(StringBuilder out, double ax, double ay, double bx, double by, double thick, String ink) {
        out.append(String.format(
                Locale.ROOT,
                "<path d='M%.2f %.2fL%.2f %.2f' stroke='%s' stroke-width='%.2f' fill='none' stroke-linecap='square'/>",
                ax,
                ay,
                bx,
                by,
                ink,
                thick));
    }

    private static void symbol(StringBuilder out, double x, double y, DeviceKind kind) {
        out.append(String.format(
                Locale.ROOT,
                "<g transform='translate(%.2f %.2f) scale(%.3f)'><circle r='9.5' fill='#fff'/><path d='%s' fill='none' stroke='#000' stroke-width='1.5'/></g>",
                x,
                y,
                SYMBOL_MM / 18,
                SYMBOLS.get(kind.name()).asString()));
    }

    /** A unit. */
    private static void square(StringBuilder out, double x, double y) {
        out.append(String.format(
                Locale.ROOT,
                "<rect x='%.2f' y='%.2f' width='3' height='3' fill='#fff' stroke='#000' stroke-width='0.4'/>",
                x - 1.5,
                y - 1.5));
    }

    private static void text(StringBuilder out, double x, double y, double size, String anchor, String text) {
        out.append(String.format(
                Locale.ROOT,
                "<text x='%.2f' y='%.2f' font-size='%.1f' font-family='DejaVu Sans Condensed' text-anchor='%s'>%s</text>",
                x,
                y,
                size,
                anchor,
                escaped(text)));
    }

    static String escaped(String text) {
        return Printer.printable(text)
                .replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace(">", "&gt;");
    }

    /** The symbols that the sheet uses; its height. */
    private static double legend(StringBuilder out, double top, TreeSet<DeviceKind> kinds, boolean units, double wide) {
        double x = 0;
        double y = top + 3;
        for (DeviceKind kind : kinds) {
            if (x > Math.max(wide, 90) - 34) {
                x = 0;
                y += 5;
            }
            symbol(out, x + 2, y, kind);
            text(out, x + 5.5, y + 0.9, 2.3, "start", Wording.of(kind));
            x += 32;
        }
        if (units) {
            if (x > Math.max(wide, 90) - 34) {
                x = 0;
                y += 5;
            }
            square(out, x + 2, y);
            text(out, x + 5.5, y + 0.9, 2.3, "start", "unit");
        }
        return y - top + 5;
    }

    /** A bar of a round length, and north, which is up. */
    private static void bar(StringBuilder out, int scale, double wide, double y) {
        double metres = scale <= 50 ? 1 : scale <= 100 ? 2 : scale <= 250 ? 5 : scale <= 500 ? 10 : 50;
        double long_ = metres * 1000 / scale;
        line(out, 0, y, long_, y, 0.5, "#000");
        line(out, 0, y - 1, 0, y + 1, 0.3, "#000");
        line(out, long_, y - 1, long_, y + 1, 0.3, "#000");
        text(out, long_ + 2, y + 0.9, 2.3, "start", String.format(Locale.ROOT, "%.0f m, 1:%d", metres, scale));
        double n = long_ + 30;
        out.append(String.format(Locale.ROOT, "<path d='M%.2f %.2fl1.2 3.4h-2.4Z' fill='#000'/>", n, y - 2.4));
        text(out, n + 2, y + 0.9, 2.3, "start", "north");
    }
}
