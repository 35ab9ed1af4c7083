package org.skelto.core.sight;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Sight;
import org.skelto.core.plan.site.Construction;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.Opening;
import org.skelto.core.plan.site.Place;
import org.skelto.core.site.Panel;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.site.WallGap;
import org.skelto.core.work.ComputingBudget;

/**
 * What motion sensors, beams and cameras see, and whether each opening to the outside is seen or told of.
 *
 * <p>A sensor sees along straight rays from where it hangs to a metre above the floor at the end of its range. Walls and shut
 * doors end a ray; gaps without a filling do not; a camera sees through plain glass, a motion sensor does not, since glass is
 * dark to the warmth that it looks for. Furniture and people are not reckoned with.
 *
 * @param sensors those whose sight is known, by id
 * @param openings doors, windows and gaps that lead outside, by id
 */
public record Sights(List<SensorSight> sensors, List<OutsideOpening> openings) {
    /** Rays are this far apart, degrees, besides those at the ends of walls. */
    private static final double STEP_DEG = 3;

    /** To both sides of a wall's end a ray is sent, degrees. */
    private static final double ASIDE_DEG = 0.02;

    /** Height at which somebody is seen, metres above the floor. */
    private static final double BODY_M = 1;

    /** A contact this near to the middle of an opening tells of it, metres. */
    private static final double CONTACT_M = 1.5;

    /** An opening whose sill lies higher over the ground floor is not reached without a ladder, metres. */
    private static final double HIGH_M = 3;

    private static final double OFF_WALL_M = 0.3;
    private static final double BEFORE_M = 0.05;

    /**
     * What a sensor sees on its floor.
     *
     * @param outline corners of the area as x, y on the site in metres, in order; the sensor itself comes first unless it
     *     sees all around
     * @param areaM2 of that
     */
    public record SensorSight(String device, List<List<Double>> outline, double areaM2) {}

    /**
     * An opening that leads outside.
     *
     * @param high whether its sill lies over 3 m above the building's ground
     * @param seenBy ids of the sensors that see its middle
     * @param toldBy ids of the contacts beside it
     */
    @RecordBuilder
    public record OutsideOpening(
            String opening, String room, String floor, boolean high, List<String> seenBy, List<String> toldBy)
            implements SightsOutsideOpeningBuilder.With {
        /** Whether somebody who comes through it is noticed. */
        public boolean watched() {
            return !seenBy.isEmpty() || !toldBy.isEmpty();
        }
    }

    private record Eye(String id, Point at, double footZM, Sight sight, boolean camera) {}

    /** Those of a plan. */
    public static Sights of(Plan plan, SiteModel site) {
        List<Eye> eyes = new ArrayList<>();
        plan.devices().forEach((id, d) -> {
            Place place = SiteModel.placeOf(plan, d);
            Point at = place == null ? null : site.position(place).orElse(null);
            if (d.sight() != null && at != null) {
                double foot = at.zM() - place.heightM();
                eyes.add(new Eye(id, at, foot, d.sight(), d.kind() == DeviceKind.CAMERA));
            }
        });
        List<SensorSight> sensors = eyes.stream()
                .map(eye -> {
                    ComputingBudget.step();
                    List<List<Double>> outline = outline(plan, site, eye);
                    return new SensorSight(eye.id(), outline, area(outline));
                })
                .toList();
        List<OutsideOpening> openings = new ArrayList<>();
        for (WallGap gap : site.gaps()) {
            ComputingBudget.step();
            OutsideOpening found = opening(plan, site, gap, eyes);
            if (found != null) {
                openings.add(found);
            }
        }
        return new Sights(sensors, List.copyOf(openings));
    }

    // --- what a sensor sees

    private static List<List<Double>> outline(Plan plan, SiteModel site, Eye eye) {
        List<Panel> near = near(plan, site, eye);
        double half = eye.sight().angleDeg() / 2;
        boolean around = eye.sight().angleDeg() >= 360;
        TreeSet<Double> offsets = new TreeSet<>(List.of(-half, half));
        for (double at = -half; at < half; at += STEP_DEG) {
            offsets.add(at);
        }
        for (Panel p : near) {
            for (double[] end : new double[][] {{p.axM(), p.ayM()}, {p.bxM(), p.byM()}}) {
                double off = off(eye, end[0], end[1]);
                for (double ray : new double[] {off - ASIDE_DEG, off + ASIDE_DEG}) {
                    if (Math.abs(ray) < half) {
                        offsets.add(ray);
                    }
                }
            }
        }
        List<List<Double>> outline = new ArrayList<>();
        if (!around) {
            outline.add(List.of(eye.at().xM(), eye.at().yM()));
        }
        for (double offset : offsets) {
            double bearing = Math.toRadians(eye.sight().towardsDeg() + offset);
            double range = eye.sight().rangeM();
            Point end = new Point(
                    eye.at().xM() + range * Math.sin(bearing),
                    eye.at().yM() + range * Math.cos(bearing),
                    eye.footZM() + BODY_M);
            double share = share(near, eye.at(), end);
            outline.add(List.of(
                    eye.at().xM() + share * (end.xM() - eye.at().xM()),
                    eye.at().yM() + share * (end.yM() - eye.at().yM())));
        }
        return outline;
    }

    /** Panels within reach that a sensor does not see through. */
    private static List<Panel> near(Plan plan, SiteModel site, Eye eye) {
        double range = eye.sight().rangeM();
        return site.panels().stream()
                .filter(p -> Math.min(p.axM(), p.bxM()) <= eye.at().xM() + range
                        && Math.max(p.axM(), p.bxM()) >= eye.at().xM() - range
                        && Math.min(p.ayM(), p.byM()) <= eye.at().yM() + range
                        && Math.max(p.ayM(), p.byM()) >= eye.at().yM() - range)
                .filter(p ->
                        !eye.camera() || plan.construction(p.construction()).hatch() != Construction.Hatch.GLASS)
                .toList();
    }

    /** How much of a ray is left, 0 to 1. */
    private static double share(List<Panel> panels, Point from, Point to) {
        double least = 1;
        for (Panel p : panels) {
            if (p.stops(from.xM(), from.yM(), from.zM(), to.xM(), to.yM(), to.zM())) {
                double one = p.side(from.xM(), from.yM());
                least = Math.min(least, one / (one - p.side(to.xM(), to.yM())));
            }
        }
        return least;
    }

    /** By how many degrees a point lies beside the middle of a sensor's sight, −180 to 180. */
    private static double off(Eye eye, double xM, double yM) {
        double bearing =
                Math.toDegrees(Math.atan2(xM - eye.at().xM(), yM - eye.at().yM()));
        return Math.IEEEremainder(bearing - eye.sight().towardsDeg(), 360);
    }

    /** By the corners, clockwise or not. */
    private static double area(List<List<Double>> outline) {
        double twice = 0;
        for (int i = 0; i < outline.size(); i++) {
            List<Double> a = outline.get(i);
            List<Double> b = outline.get((i + 1) % outline.size());
            twice += a.get(0) * b.get(1) - b.get(0) * a.get(1);
        }
        return Math.abs(twice) / 2;
    }

    // --- the openings

    private static @Nullable OutsideOpening opening(Plan plan, SiteModel site, WallGap gap, List<Eye> eyes) {
        double xM = (gap.axM() + gap.bxM()) / 2;
        double yM = (gap.ayM() + gap.byM()) / 2;
        double length = Math.hypot(gap.bxM() - gap.axM(), gap.byM() - gap.ayM());
        double nx = -(gap.byM() - gap.ayM()) / length;
        double ny = (gap.bxM() - gap.axM()) / length;
        boolean inner = site.roomAt(gap.floor(), xM + OFF_WALL_M * nx, yM + OFF_WALL_M * ny) != null
                && site.roomAt(gap.floor(), xM - OFF_WALL_M * nx, yM - OFF_WALL_M * ny) != null;
        if (inner) {
            return null;
        }
        Opening opening = Objects.requireNonNull(plan.openings().get(gap.opening()));
        Floor floor = Objects.requireNonNull(plan.floors().get(gap.floor()));
        double middle = (opening.sillM() + Math.min(opening.headM(), floor.heightM())) / 2;
        Point at = site.pointAt(gap.floor(), xM, yM, middle);
        List<String> seenBy = eyes.stream()
                .filter(eye -> sees(plan, site, eye, at, nx, ny))
                .map(Eye::id)
                .toList();
        List<String> toldBy = plan.devices().entrySet().stream()
                .filter(e -> e.getValue().kind() == DeviceKind.CONTACT && beside(plan, site, e.getValue(), gap, at))
                .map(Map.Entry::getKey)
                .toList();
        return SightsOutsideOpeningBuilder.builder()
                .opening(gap.opening())
                .room(opening.room())
                .floor(gap.floor())
                .high(floor.baseM() + opening.sillM() > HIGH_M)
                .seenBy(seenBy)
                .toldBy(toldBy)
                .build();
    }

    private static boolean sees(Plan plan, SiteModel site, Eye eye, Point at, double nx, double ny) {
        boolean left = nx * (eye.at().xM() - at.xM()) + ny * (eye.at().yM() - at.yM()) > 0;
        double before = left ? BEFORE_M : -BEFORE_M;
        Point target = new Point(at.xM() + before * nx, at.yM() + before * ny, at.zM());
        return eye.at().distanceM(target) <= eye.sight().rangeM()
                && Math.abs(off(eye, target.xM(), target.yM())) <= eye.sight().angleDeg() / 2
                && share(near(plan, site, eye), eye.at(), target) >= 1;
    }

    private static boolean beside(Plan plan, SiteModel site, Device contact, WallGap gap, Point at) {
        Place place = SiteModel.placeOf(plan, contact);
        Point where = place == null ? null : site.position(place).orElse(null);
        return where != null
                && gap.floor().equals(site.floorOf(place))
                && Math.hypot(where.xM() - at.xM(), where.yM() - at.yM()) <= CONTACT_M;
    }
}
