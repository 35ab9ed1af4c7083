package org.skelto.server.paper;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeSet;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.coverage.FloorCoverage;
import org.skelto.core.links.LinkReport;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Building;
import org.skelto.core.plan.site.Room;
import org.skelto.core.raster.Grid;
import org.skelto.core.site.WallGap;
import org.skelto.core.site.WallPiece;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One floor to scale: with the symbols of what stands on it and a number each, or with how well a radio is heard there. */
final class FloorPicture {
    private static final double SYMBOL_MM = 4.2;
    private static final double COLUMN_MM = 32;
    private static final double LINE_MM = 5;
    private static final String GREY = "#cfcfcf";

    /** Dashes of the lines of equal level, strongest first. */
    private static final List<String> DASHES = List.of("none", "2.4 0.8", "0.6 0.7");

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
            Bounds box = new FloorPicture(plan, assessment, floor).box();
            if (box != null) {
                wide = Math.max(wide, box.widthM());
                deep = Math.max(deep, box.depthM());
            }
        }
        return Drawing.scale(wide, deep, size, landscape);
    }

    /** Around its walls, metres on the site, or null when there are none. */
    private Bounds box() {
        Bounds box = null;
        for (WallPiece w : assessment.walls()) {
            if (w.floor().equals(floor)) {
                Bounds wall = new Bounds(
                        Math.min(w.axM(), w.bxM()),
                        Math.min(w.ayM(), w.byM()),
                        Math.max(w.axM(), w.bxM()),
                        Math.max(w.ayM(), w.byM()));
                box = box == null ? wall : box.and(wall);
            }
        }
        return box;
    }

    private void walls(Drawing on, int scale) {
        for (WallPiece w : assessment.walls()) {
            if (w.floor().equals(floor)) {
                double thick = Math.max(0.25, thicknessMm(w.construction()) / scale);
                on.line(on.x(w.axM()), on.y(w.ayM()), on.x(w.bxM()), on.y(w.byM()), thick, "#555");
            }
        }
        for (WallGap g : assessment.gaps()) {
            if (g.floor().equals(floor)) {
                on.line(on.x(g.axM()), on.y(g.ayM()), on.x(g.bxM()), on.y(g.byM()), 1.1, "#fff");
                on.line(on.x(g.axM()), on.y(g.ayM()), on.x(g.bxM()), on.y(g.byM()), 0.2, "#000");
            }
        }
    }

    private void roomNames(Drawing on, int scale) {
        Building building = plan.buildings().get(plan.floors().get(floor).building());
        plan.rooms().values().stream().filter(r -> r.floor().equals(floor)).forEach(r -> {
            Bounds b = r.bounds();
            on.text(
                    on.x(building.xM() + (b.westM() + b.eastM()) / 2),
                    on.y(building.yM() + b.northM()) + 4 + half(r, scale),
                    2.6,
                    "middle",
                    r.name());
        });
    }

    /** The picture with what it shows by number, or null when the floor has no walls. */
    Drawn drawn(int scale, boolean devices, boolean units) {
        Bounds box = box();
        if (box == null) {
            return null;
        }
        Drawing on = new Drawing(box, scale, plan.measures());
        walls(on, scale);
        roomNames(on, scale);
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
            double cx = on.x(p.xM());
            double cy = on.y(p.yM());
            if (device) {
                Device d = plan.devices().get(id);
                kinds.add(d.kind());
                symbol(on, cx, cy, d.kind());
            } else {
                on.square(cx, cy);
            }
            on.text(cx + 2.3, cy + 2.6, 1.9, "start", number);
            numbered.add(Map.entry(number, pointer));
        });
        Legend legend = new Legend(on);
        kinds.forEach(kind -> legend.next(COLUMN_MM, Wording.of(kind), (x, y) -> symbol(on, x, y, kind)));
        if (units) {
            legend.next(COLUMN_MM, "unit", on::square);
        }
        return new Drawn(on.svg(legend.deepMm()), numbered);
    }

    /**
     * How well a radio is heard on the floor: grey where less arrives than is wanted, lines of equal level, the units that are
     * heard and the links between those of the floor; null when the floor has no walls.
     */
    Drawn heard(int scale, FloorCoverage.Mapped mapped, List<LinkReport> links) {
        Bounds box = box();
        if (box == null) {
            return null;
        }
        FloorCoverage c = mapped.coverage();
        Drawing on = new Drawing(box, scale, plan.measures());
        grey(on, c, mapped);
        walls(on, scale);
        roomNames(on, scale);
        for (int i = 0; i < c.levels().size(); i++) {
            String dashes = DASHES.get(Math.min(i, DASHES.size() - 1));
            for (double[] line : c.contours().get(i).lines()) {
                List<double[]> points = new ArrayList<>();
                for (int p = 0; p + 1 < line.length; p += 2) {
                    points.add(new double[] {line[p], line[p + 1]});
                }
                on.path(points, 0.3, "#000", dashes);
            }
        }
        for (LinkReport link : links) {
            var a = assessment.positions().get("/units/" + link.from());
            var b = assessment.positions().get("/units/" + link.to());
            if (a != null && b != null && floor.equals(a.floor()) && floor.equals(b.floor())) {
                on.line(
                        on.x(a.xM()),
                        on.y(a.yM()),
                        on.x(b.xM()),
                        on.y(b.yM()),
                        0.45,
                        "#777",
                        link.meets() ? null : "1 1");
            }
        }
        List<Map.Entry<String, String>> numbered = new ArrayList<>();
        for (FloorCoverage.Server s : c.servers()) {
            var at = assessment.positions().get("/units/" + s.unit());
            if (at != null && floor.equals(at.floor())) {
                String number = String.valueOf(numbered.size() + 1);
                on.square(on.x(s.xM()), on.y(s.yM()));
                on.label(on.x(s.xM()) + 2.1, on.y(s.yM()) + 2.8, 1.9, "start", number);
                numbered.add(Map.entry(number, "/units/" + s.unit()));
            }
        }
        Legend legend = new Legend(on);
        double wide = 1.5 * COLUMN_MM;
        for (int i = 0; i < c.levels().size(); i++) {
            var level = c.levels().get(i);
            String dashes = DASHES.get(Math.min(i, DASHES.size() - 1));
            legend.next(
                    wide,
                    String.format(Locale.ROOT, "%.0f dBm: %s", level.dbm(), level.meaning()),
                    (x, y) -> on.line(x - 2, y, x + 2, y, 0.3, "#000", dashes));
        }
        legend.next(
                wide,
                String.format(Locale.ROOT, "below %.0f dBm", c.wantedDbm()),
                (x, y) -> on.put("<rect x='%.2f' y='%.2f' width='4' height='3' fill='%s'/>", x - 2, y - 1.5, GREY));
        legend.next(wide, "link at target", (x, y) -> on.line(x - 2, y, x + 2, y, 0.45, "#777"));
        legend.next(wide, "link below target", (x, y) -> on.line(x - 2, y, x + 2, y, 0.45, "#777", "1 1"));
        return new Drawn(on.svg(legend.deepMm()), numbered);
    }

    /** Cells of rooms in which less than what is wanted arrives, joined along the rows. */
    private static void grey(Drawing on, FloorCoverage c, FloorCoverage.Mapped mapped) {
        Grid grid = c.grid();
        float[] best = mapped.map().bestDbm();
        short[] rooms = mapped.map().roomOfCells();
        for (int row = 0; row < grid.rows(); row++) {
            int from = -1;
            for (int column = 0; column <= grid.columns(); column++) {
                int cell = row * grid.columns() + column;
                boolean weak = column < grid.columns() && rooms[cell] >= 0 && best[cell] < c.wantedDbm();
                if (weak && from < 0) {
                    from = column;
                } else if (!weak && from >= 0) {
                    on.fill(
                            grid.westM() + from * grid.cellM(),
                            grid.southM() + (row + 1) * grid.cellM(),
                            (column - from) * grid.cellM(),
                            grid.cellM(),
                            GREY);
                    from = -1;
                }
            }
        }
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

    private static void symbol(Drawing on, double x, double y, DeviceKind kind) {
        on.put(
                "<g transform='translate(%.2f %.2f) scale(%.3f)'><circle r='9.5' fill='#fff'/><path d='%s' fill='none' stroke='#000' stroke-width='1.5'/></g>",
                x, y, SYMBOL_MM / 18, SYMBOLS.get(kind.name()).asString());
    }

    /** What the sheet's symbols mean, in rows below the drawing. */
    static final class Legend {
        private final Drawing on;
        private double x;
        private double y = 3;

        Legend(Drawing on) {
            this.on = on;
        }

        /** One symbol, drawn around a place, and its words. */
        void next(double wideMm, String words, java.util.function.BiConsumer<Double, Double> draw) {
            if (x > on.wideMm() - wideMm - 2) {
                x = 0;
                y += LINE_MM;
            }
            double top = on.deepMm() + 4;
            draw.accept(x + 2, top + y);
            on.text(x + 5.5, top + y + 0.9, 2.3, "start", words);
            x += wideMm;
        }

        double deepMm() {
            return y + LINE_MM;
        }
    }
}
