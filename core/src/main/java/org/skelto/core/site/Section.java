package org.skelto.core.site;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.work.ComputingBudget;

/**
 * An upright cut through the site along a straight line: what it cuts, and the units near it, by distance along the line
 * and height.
 *
 * @param lengthM of the line
 * @param lowZM lowest height that matters, metres above the site's datum
 * @param highZM highest
 */
@RecordBuilder
public record Section(
        double lengthM,
        double lowZM,
        double highZM,
        List<CutWall> walls,
        List<CutSlab> slabs,
        List<CutLevel> levels,
        List<NearUnit> units)
        implements SectionBuilder.With {
    /** A wall, door or pane that is cut. */
    public record CutWall(double atM, double fromZM, double toZM, String construction, double thicknessM) {}

    /** A slab from one point of the line to another. */
    public record CutSlab(double fromM, double toM, double zM, String construction, double thicknessM, String what) {}

    /** The walking surface of a floor that the line passes. */
    public record CutLevel(String floor, String name, double zM) {}

    /** A unit near the line. */
    public record NearUnit(String unit, double atM, double zM, double offM) {}

    private static final double NEAR_M = 1.5;
    private static final double AROUND_M = 1.0;

    /** The cut from one point of the site to another; a little before and beyond is shown too. */
    public static Section of(SiteModel site, double ax, double ay, double bx, double by) {
        double run = Math.max(0.01, Math.hypot(bx - ax, by - ay));
        double dx = bx == ax && by == ay ? 1 : (bx - ax) / run;
        double dy = (by - ay) / run;
        double fromX = ax - AROUND_M * dx;
        double fromY = ay - AROUND_M * dy;
        double length = run + 2 * AROUND_M;
        Plan plan = site.plan();
        List<CutWall> walls = new ArrayList<>();
        for (Panel p : site.panels()) {
            ComputingBudget.step();
            double one = (p.axM() - fromX) * dy - (p.ayM() - fromY) * dx;
            double other = (p.bxM() - fromX) * dy - (p.byM() - fromY) * dx;
            if (one == other || one > 0 == other > 0) {
                continue;
            }
            double share = one / (one - other);
            double x = p.axM() + share * (p.bxM() - p.axM());
            double y = p.ayM() + share * (p.byM() - p.ayM());
            double at = (x - fromX) * dx + (y - fromY) * dy;
            if (at >= 0 && at <= length) {
                walls.add(new CutWall(
                        at,
                        p.fromZM(),
                        p.toZM(),
                        p.construction(),
                        plan.construction(p.construction()).thicknessM()));
            }
        }
        walls.sort(Comparator.comparingDouble(CutWall::atM).thenComparingDouble(CutWall::fromZM));
        List<CutSlab> slabs = new ArrayList<>();
        List<CutLevel> levels = new ArrayList<>();
        for (SlabArea slab : site.slabs()) {
            List<CutSlab> parts = layers(plan, slab, fromX, fromY, dx, dy, length);
            slabs.addAll(parts);
            if (!parts.isEmpty()) {
                levels.add(new CutLevel(
                        slab.floor(), plan.floors().get(slab.floor()).name(), slab.zM()));
            }
        }
        List<NearUnit> units = new ArrayList<>();
        plan.units().forEach((id, unit) -> standing(site, id, unit, fromX, fromY, dx, dy, length, units));
        double low = Math.min(
                slabs.stream().mapToDouble(CutSlab::zM).min().orElse(0),
                units.stream().mapToDouble(NearUnit::zM).min().orElse(0));
        double high = Math.max(
                walls.stream().mapToDouble(CutWall::toZM).max().orElse(2.5),
                units.stream().mapToDouble(NearUnit::zM).max().orElse(0));
        return SectionBuilder.builder()
                .lengthM(length)
                .lowZM(low - 0.4)
                .highZM(high + 0.4)
                .walls(walls)
                .slabs(slabs)
                .levels(levels)
                .units(units)
                .build();
    }

    private static void standing(
            SiteModel site,
            String id,
            Unit unit,
            double fromX,
            double fromY,
            double dx,
            double dy,
            double length,
            List<NearUnit> units) {
        site.position(unit).ifPresent(p -> {
            double at = (p.xM() - fromX) * dx + (p.yM() - fromY) * dy;
            double off = Math.abs((p.xM() - fromX) * dy - (p.yM() - fromY) * dx);
            if (at >= 0 && at <= length && off <= NEAR_M) {
                units.add(new NearUnit(id, at, p.zM(), off));
            }
        });
    }

    /** Where the line runs over slab: between the points at which it meets outlines and stairwells. */
    private static List<CutSlab> layers(
            Plan plan, SlabArea slab, double fromX, double fromY, double dx, double dy, double length) {
        List<Double> ends = new ArrayList<>(List.of(0.0, length));
        List<double[]> rings = new ArrayList<>(slab.outlines());
        rings.addAll(slab.stairwells());
        for (double[] ring : rings) {
            for (int i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
                double one = (ring[i] - fromX) * dy - (ring[i + 1] - fromY) * dx;
                double other = (ring[j] - fromX) * dy - (ring[j + 1] - fromY) * dx;
                if (one != other && one > 0 != other > 0) {
                    double share = one / (one - other);
                    double x = ring[i] + share * (ring[j] - ring[i]);
                    double y = ring[i + 1] + share * (ring[j + 1] - ring[i + 1]);
                    double at = (x - fromX) * dx + (y - fromY) * dy;
                    if (at > 0 && at < length) {
                        ends.add(at);
                    }
                }
            }
        }
        ends.sort(null);
        List<CutSlab> layers = new ArrayList<>();
        double thick = plan.construction(slab.construction()).thicknessM();
        for (int i = 0; i + 1 < ends.size(); i++) {
            double from = ends.get(i);
            double to = ends.get(i + 1);
            double middle = (from + to) / 2;
            if (to - from < 0.005 || !slab.covers(fromX + middle * dx, fromY + middle * dy)) {
                continue;
            }
            CutSlab last = layers.isEmpty() ? null : layers.get(layers.size() - 1);
            if (last != null && from - last.toM() < 0.005) {
                layers.set(
                        layers.size() - 1,
                        new CutSlab(last.fromM(), to, slab.zM(), slab.construction(), thick, slab.what()));
            } else {
                layers.add(new CutSlab(from, to, slab.zM(), slab.construction(), thick, slab.what()));
            }
        }
        return layers;
    }
}
