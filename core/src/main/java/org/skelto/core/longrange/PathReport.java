package org.skelto.core.longrange;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelto.core.links.LinkAssessor;
import org.skelto.core.links.LinkReport;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Cover;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.plan.site.Place;
import org.skelto.core.power.Outposts;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.Antennas;
import org.skelto.core.radio.Diffraction;
import org.skelto.core.radio.Fresnel;
import org.skelto.core.radio.Outdoors;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.radio.Terrain;
import org.skelto.core.radio.Traffic;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/**
 * A radio path as it is drawn and judged.
 *
 * @param medium it is judged for
 * @param link of the plan that runs over it, or null when there is none yet
 * @param lengthM of the profile
 * @param apartM how far the units are apart on the site along the ground, or null when one has no place
 * @param points of the drawing, from the first end
 * @param clearance of the direct ray at its worst point
 * @param models what each model says
 * @param report the budgets both ways
 * @param notes what a reader should know, in words
 */
@RecordBuilder
public record PathReport(
        String path,
        Medium medium,
        double frequencyMHz,
        @Nullable String link,
        double lengthM,
        @Nullable Double apartM,
        End from,
        End to,
        List<Drawn> points,
        Outdoors.Clearance clearance,
        Diffraction.Loss diffraction,
        List<Outdoors.ModelLoss> models,
        double treesM,
        LinkReport report,
        List<String> notes)
        implements PathReportBuilder.With {

    /** Points of a drawing at most. */
    private static final int MOST_DRAWN = 600;

    /** A profile may be off by this share of its length before it is said. */
    private static final double OFF_SHARE = 0.05;

    private static final double INDOOR_MOST_M = 3;
    private static final double OUTDOOR_MOST_M = 40;

    /**
     * An end of a path.
     *
     * @param heightM of its antenna above the ground
     * @param onMast whether the antenna is on a mast outside its unit
     * @param leastM lowest that the hand may drag it to, likewise {@code mostM}
     * @param pointer place in the plan that holds the height
     * @param zeroM height above the ground at which what the pointer holds is 0
     */
    @RecordBuilder
    public record End(
            String unit,
            String name,
            double heightM,
            boolean onMast,
            double leastM,
            double mostM,
            String pointer,
            double zeroM)
            implements PathReportEndBuilder.With {}

    /**
     * A point along the path, heights above the profile's datum with the earth's bulge.
     *
     * @param groundM of the bare ground
     * @param builtM of what stands on it and is solid
     * @param treeM of the tree tops, or null
     * @param water whether it is water
     * @param rayM of the direct ray
     * @param radiusM of the first Fresnel zone
     */
    @RecordBuilder
    public record Drawn(
            double distanceM,
            double groundM,
            double builtM,
            @Nullable Double treeM,
            boolean water,
            double bulgeM,
            double rayM,
            double radiusM)
            implements PathReportDrawnBuilder.With {}

    /** The media that both ends of a path have a radio for, long-range ones first. */
    public static List<Medium> media(Plan plan, RadioPath path) {
        Unit from = plan.units().get(path.from());
        Unit to = plan.units().get(path.to());
        return from.media().stream()
                .filter(m -> to.radio(m).isPresent())
                .sorted(java.util.Comparator.comparingInt(m -> m == Medium.CHIRP ? 0 : m == Medium.SUB_GHZ ? 1 : 2))
                .toList();
    }

    /** The report of a path for a medium that both ends have; empty when an end has no place or they share no radio. */
    public static Optional<PathReport> of(Plan plan, SiteModel site, SlabTables tables, String id, Medium wanted) {
        RadioPath path = plan.paths().get(id);
        List<Medium> media = media(plan, path);
        if (media.isEmpty() || wanted != null && !media.contains(wanted)) {
            return Optional.empty();
        }
        Optional<Point> a = site.position(plan.units().get(path.from()));
        Optional<Point> b = site.position(plan.units().get(path.to()));
        if (a.isEmpty() || b.isEmpty()) {
            return Optional.empty();
        }
        Medium medium = wanted == null ? media.get(0) : wanted;
        String link =
                LongRange.linkOver(plan, path, medium).map(Map.Entry::getKey).orElse(null);
        Link judged = link != null ? plan.links().get(link) : Link.of(path.from(), path.to(), medium, null, null, null);
        LinkAssessor assessor = new LinkAssessor(plan, site, tables);
        Radio radio = plan.units().get(judged.from()).radio(medium).orElseThrow();
        Outdoors ground = assessor.outdoors(path, radio.frequencyMHz(), medium);
        double apart =
                Math.hypot(a.get().xM() - b.get().xM(), a.get().yM() - b.get().yM());
        LinkReport report = assessor.report(link == null ? "trial" : link, judged);
        double length = ground.built().lengthM();
        return Optional.of(PathReportBuilder.builder()
                .path(id)
                .medium(medium)
                .frequencyMHz(radio.frequencyMHz())
                .link(link)
                .lengthM(length)
                .apartM(apart)
                .from(end(plan, path.from(), medium))
                .to(end(plan, path.to(), medium))
                .points(drawn(path, ground, radio.frequencyMHz()))
                .clearance(ground.clearance())
                .diffraction(ground.diffraction())
                .models(ground.models())
                .treesM(ground.treesM())
                .report(report)
                .notes(notes(plan, path, length, apart, report, link))
                .build());
    }

    private static End end(Plan plan, String id, Medium medium) {
        Unit unit = plan.units().get(id);
        Radio radio = unit.radio(medium).orElseThrow();
        double height = Antennas.aboveGroundM(plan, unit, radio);
        String at = org.skelto.core.plan.Pointers.of("units", id);
        if (radio.settings().mastM() != null) {
            String name = unit.radioId(medium).orElseThrow();
            return PathReportEndBuilder.builder()
                    .unit(id)
                    .name(unit.name())
                    .heightM(height)
                    .onMast(true)
                    .leastM(Antennas.LEAST_M)
                    .mostM(OUTDOOR_MOST_M)
                    .pointer(at + "/radios" + org.skelto.core.plan.Pointers.of(name) + "/air/mastM")
                    .zeroM(0)
                    .build();
        }
        Place place = unit.place();
        double base = place.room() == null
                ? 0
                : plan.floors().get(plan.rooms().get(place.room()).floor()).baseM();
        double most = place.room() == null
                ? OUTDOOR_MOST_M
                : base
                        + Math.min(
                                INDOOR_MOST_M,
                                plan.floors()
                                        .get(plan.rooms().get(place.room()).floor())
                                        .heightM());
        return PathReportEndBuilder.builder()
                .unit(id)
                .name(unit.name())
                .heightM(height)
                .onMast(false)
                .leastM(Math.max(Antennas.LEAST_M, base))
                .mostM(most)
                .pointer(at + "/place/heightM")
                .zeroM(base)
                .build();
    }

    private static List<Drawn> drawn(RadioPath path, Outdoors ground, double frequencyMHz) {
        Terrain bare = Outdoors.terrain(path);
        Terrain built = ground.built();
        java.util.TreeSet<Double> distances = new java.util.TreeSet<>();
        int every = Math.max(1, built.size() / MOST_DRAWN);
        for (int i = 0; i < built.size(); i += every) {
            distances.add(built.distancesM()[i]);
        }
        double length = bare.lengthM();
        for (int i = 0; i <= 60; i++) {
            distances.add(length * i / 60);
        }
        for (Cover c : path.covers()) {
            distances.add(Math.min(length, c.fromM()));
            distances.add(Math.min(length, c.toM()));
        }
        List<Drawn> points = new ArrayList<>();
        for (double d : distances) {
            ComputingBudget.step();
            double bulge = ground.bulgeM(d);
            Cover tree = null;
            boolean water = false;
            for (Cover c : path.covers()) {
                if (d >= c.fromM() && d <= c.toM()) {
                    tree = c.kind() == Cover.Kind.TREES && (tree == null || c.heightM() > tree.heightM()) ? c : tree;
                    water |= c.kind() == Cover.Kind.WATER;
                }
            }
            double here = bare.heightM(d) + bulge;
            points.add(PathReportDrawnBuilder.builder()
                    .distanceM(d)
                    .groundM(here)
                    .builtM(built.heightM(d) + bulge)
                    .treeM(tree == null ? null : Double.valueOf(here + tree.heightM()))
                    .water(water)
                    .bulgeM(bulge)
                    .rayM(ground.rayM(d))
                    .radiusM(d <= 0 || d >= length ? 0 : Fresnel.radiusM(frequencyMHz, d, length - d))
                    .build());
        }
        return points;
    }

    private static List<String> notes(
            Plan plan, RadioPath path, double length, double apart, LinkReport report, String link) {
        List<String> notes = new ArrayList<>();
        if (link == null) {
            notes.add("No link of the plan runs over this path by " + Wording.of(report.medium())
                    + "; it is judged as if there were one.");
        }
        if (Math.abs(length - apart) > Math.max(10, OFF_SHARE * apart)) {
            notes.add("The profile is " + Text.metres(length) + " long, but its ends are " + Text.metres(apart)
                    + " apart on the site: take it anew.");
        }
        if (report.trouble() != null) {
            notes.add(report.trouble());
        }
        if (path.covers().stream().anyMatch(c -> c.kind() == Cover.Kind.WATER)) {
            notes.add("Water throws the wave back like a mirror: look at the two-ray figure too.");
        }
        for (String id : List.of(path.from(), path.to())) {
            Unit unit = plan.units().get(id);
            if (unit.duty() != null && Outposts.deaf(Traffic.timed(unit)) != null) {
                notes.add(unit.name() + " is " + Outposts.deaf(Traffic.timed(unit)) + ".");
            }
        }
        return notes;
    }
}
