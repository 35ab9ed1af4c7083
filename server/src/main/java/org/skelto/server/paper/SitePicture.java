package org.skelto.server.paper;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.assessment.Assessment.Position;
import org.skelto.core.ground.Relief;
import org.skelto.core.links.LinkReport;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.site.WallPiece;

/** The whole site to scale: houses, outdoor spots, the links that leave a house, and lines of equal height. */
final class SitePicture {
    private static final double BEYOND = 0.06;
    private static final double LEAST_BEYOND_M = 4;

    /** A shorter link is not named on the paper, millimetres; the table names them all. */
    private static final double NAMED_MM = 25;

    /** Between the heights that are written along the lines. */
    private static final int EVERY = 2;

    private final Plan plan;
    private final Assessment assessment;
    private final List<LinkReport> links;
    private final Relief relief;

    SitePicture(Plan plan, Assessment assessment, List<LinkReport> links, Relief relief) {
        this.plan = plan;
        this.assessment = assessment;
        this.links = links;
        this.relief = relief;
    }

    /** Whether there is more to see than one house. */
    boolean worthwhile() {
        return plan.buildings().size() > 1
                || !plan.spots().isEmpty()
                || !relief.lines().isEmpty();
    }

    /** Around houses, spots and ends of links, metres on the site. */
    private Bounds box() {
        Bounds box = null;
        for (WallPiece w : assessment.walls()) {
            box = with(box, w.axM(), w.ayM());
            box = with(box, w.bxM(), w.byM());
        }
        for (var spot : plan.spots().values()) {
            box = with(box, spot.xM(), spot.yM());
        }
        for (var at : assessment.positions().values()) {
            box = with(box, at.xM(), at.yM());
        }
        if (box == null) {
            box = new Bounds(0, 0, 1, 1);
        }
        return box.wider(Math.max(LEAST_BEYOND_M, BEYOND * Math.max(box.widthM(), box.depthM())));
    }

    private static Bounds with(Bounds box, double xM, double yM) {
        Bounds point = new Bounds(xM, yM, xM, yM);
        return box == null ? point : box.and(point);
    }

    /** The scale at which it fits. */
    int scale(PaperSize size, boolean landscape) {
        Bounds box = box();
        return Drawing.scale(box.widthM(), box.depthM(), size, landscape);
    }

    String svg(int scale) {
        Bounds box = box();
        Drawing on = new Drawing(box, scale, plan.measures());
        on.put(
                "<clipPath id='sheet'><rect x='0' y='0' width='%.2f' height='%.2f'/></clipPath>",
                on.mm(box.widthM()), on.mm(box.depthM()));
        on.put("<g clip-path='url(#sheet)'>");
        heights(on, box);
        on.put("</g>");
        for (WallPiece w : assessment.walls()) {
            on.line(on.x(w.axM()), on.y(w.ayM()), on.x(w.bxM()), on.y(w.byM()), 0.35, "#555");
        }
        for (LinkReport link : links) {
            Position a = assessment.positions().get("/units/" + link.from());
            Position b = assessment.positions().get("/units/" + link.to());
            if (a != null && b != null && leaves(a, b)) {
                on.line(
                        on.x(a.xM()),
                        on.y(a.yM()),
                        on.x(b.xM()),
                        on.y(b.yM()),
                        0.4,
                        "#000",
                        link.meets() ? null : "1.4 1");
                double acrossMm = Math.hypot(on.x(a.xM()) - on.x(b.xM()), on.y(a.yM()) - on.y(b.yM()));
                if (acrossMm > NAMED_MM) {
                    on.named(
                            (on.x(a.xM()) + on.x(b.xM())) / 2,
                            (on.y(a.yM()) + on.y(b.yM())) / 2,
                            2.1,
                            Wording.of(link.medium())
                                    + (link.marginDb() == null
                                            ? ""
                                            : String.format(Locale.ROOT, ", %.1f dB", link.marginDb())));
                }
            }
        }
        plan.spots().values().forEach(spot -> {
            on.put(
                    "<circle cx='%.2f' cy='%.2f' r='1.2' fill='#fff' stroke='#000' stroke-width='0.35'/>",
                    on.x(spot.xM()), on.y(spot.yM()));
            on.named(on.x(spot.xM()), on.y(spot.yM()), 2.4, spot.name());
        });
        plan.buildings().values().forEach(b -> on.named(on.x(b.xM()), on.y(b.yM()), 2.6, b.name()));
        FloorPicture.Legend legend = new FloorPicture.Legend(on);
        double wide = 40;
        legend.next(wide, "link at target, margin", (x, y) -> on.line(x - 2, y, x + 2, y, 0.4, "#000"));
        legend.next(wide, "link below target", (x, y) -> on.line(x - 2, y, x + 2, y, 0.4, "#000", "1.4 1"));
        if (!relief.lines().isEmpty()) {
            legend.next(
                    wide,
                    String.format(Locale.ROOT, "height, every %s m", relief.stepM() < 1 ? "0.5" : (int) relief.stepM()),
                    (x, y) -> on.line(x - 2, y, x + 2, y, 0.2, "#888"));
        }
        return on.svg(legend.deepMm());
    }

    /** Between two houses, or to or from outdoors. */
    private boolean leaves(Position a, Position b) {
        return a.floor() == null
                || b.floor() == null
                || !plan.floors()
                        .get(a.floor())
                        .building()
                        .equals(plan.floors().get(b.floor()).building());
    }

    private void heights(Drawing on, Bounds box) {
        double last = Double.NaN;
        int seen = 0;
        for (Relief.ReliefLine line : relief.lines()) {
            List<double[]> points = new ArrayList<>();
            double[] inside = null;
            for (int i = 0; i + 1 < line.points().size(); i += 2) {
                double[] p = {line.points().get(i), line.points().get(i + 1)};
                points.add(p);
                if (inside == null && within(box, p) && i >= line.points().size() / 3) {
                    inside = p;
                }
            }
            on.path(points, 0.2, "#888", null);
            if (line.heightM() != last) {
                last = line.heightM();
                seen++;
            }
            if (inside != null && seen % EVERY == 0) {
                on.label(
                        on.x(inside[0]),
                        on.y(inside[1]),
                        1.9,
                        "middle",
                        String.format(Locale.ROOT, "%.0f", line.heightM()));
            }
        }
    }

    private static boolean within(Bounds box, double[] p) {
        double edge = 0.05 * Math.max(box.widthM(), box.depthM());
        return p[0] > box.westM() + edge
                && p[0] < box.eastM() - edge
                && p[1] > box.southM() + edge
                && p[1] < box.northM() - edge;
    }
}
