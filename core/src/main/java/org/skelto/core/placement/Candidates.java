package org.skelto.core.placement;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.skelto.core.coverage.CoverageScenario;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.FittingKind;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/** Places where a box could stand: at outlets, data points and units that are there, and on a grid inside rooms. */
final class Candidates {
    /** A place that costs a new outlet lies farther than this from one, metres. */
    private static final double NEAR_M = 1.5;

    private static final double HEIGHT_M = 1.8;
    private static final double OFF_WALL_M = 0.3;

    /** A candidate. */
    record Candidate(Place place, Point at, String near) {}

    private final SiteModel site;
    private final Plan plan;
    private final List<Candidate> sockets = new ArrayList<>();

    private Candidates(SiteModel site) {
        this.site = site;
        this.plan = site.plan();
        plan.fittings().values().forEach(f -> {
            if (f.kind() != FittingKind.WIRING_CENTRE
                    && f.place() != null
                    && f.place().room() != null) {
                socket(f.place(), f.name());
            }
        });
        plan.units().values().forEach(u -> {
            if (u.power().source() != PowerSource.BATTERY
                    && u.place() != null
                    && u.place().room() != null) {
                socket(u.place(), u.name());
            }
        });
    }

    private void socket(Place place, String name) {
        site.position(place).ifPresent(at -> sockets.add(new Candidate(place, at, name)));
    }

    /** All candidates, those at outlets and units first, the others this far apart. */
    static List<Candidate> of(SiteModel site, Medium medium, double stepM) {
        Candidates all = new Candidates(site);
        List<Candidate> found = new ArrayList<>();
        all.sockets.forEach(s -> found.add(all.high(s)));
        all.plan.rooms().forEach((id, room) -> all.grid(id, room, stepM, found));
        return found;
    }

    /** At an outlet the box hangs above it. */
    private Candidate high(Candidate socket) {
        ComputingBudget.step();
        Place p = socket.place;
        Place place = new Place(p.room(), p.spot(), p.xM(), p.yM(), Math.max(p.heightM(), HEIGHT_M));
        return new Candidate(place, site.position(place).orElseThrow(), socket.near);
    }

    private void grid(String id, Room room, double stepM, List<Candidate> found) {
        Bounds bounds = room.bounds();
        int across = Math.max(1, (int) Math.round((bounds.widthM() - 2 * OFF_WALL_M) / stepM) + 1);
        int up = Math.max(1, (int) Math.round((bounds.depthM() - 2 * OFF_WALL_M) / stepM) + 1);
        double height = Math.min(HEIGHT_M, plan.floors().get(room.floor()).heightM() - 0.1);
        for (int i = 0; i < across; i++) {
            ComputingBudget.step();
            for (int j = 0; j < up; j++) {
                ComputingBudget.step();
                double x = along(bounds.westM(), bounds.widthM(), i, across);
                double y = along(bounds.southM(), bounds.depthM(), j, up);
                if (room.contains(x, y)) {
                    Place place = new Place(id, null, x, y, height);
                    Point at = site.position(place).orElseThrow();
                    found.add(new Candidate(place, at, near(place, at)));
                }
            }
        }
    }

    private static double along(double start, double length, int i, int count) {
        double at = count == 1 ? length / 2 : OFF_WALL_M + (length - 2 * OFF_WALL_M) * i / (count - 1);
        return Corner.cm(start + at);
    }

    private String near(Place place, Point at) {
        return sockets.stream()
                .filter(s -> s.place.room().equals(place.room()))
                .filter(s -> Math.hypot(s.at.xM() - at.xM(), s.at.yM() - at.yM()) <= NEAR_M)
                .map(Candidate::near)
                .findFirst()
                .orElse(null);
    }

    /** Ids of rooms with the grid points in them, this far apart, at the height of a client. */
    static Map<String, List<Point>> samples(SiteModel site, double stepM) {
        Map<String, List<Point>> samples = new java.util.TreeMap<>();
        site.plan().rooms().forEach((id, room) -> {
            Bounds b = room.bounds();
            List<Point> points = new ArrayList<>();
            int across = Math.max(1, (int) Math.round(b.widthM() / stepM));
            int up = Math.max(1, (int) Math.round(b.depthM() / stepM));
            for (int i = 0; i < across; i++) {
                ComputingBudget.step();
                for (int j = 0; j < up; j++) {
                    ComputingBudget.step();
                    double x = b.westM() + (i + 0.5) * b.widthM() / across;
                    double y = b.southM() + (j + 0.5) * b.depthM() / up;
                    if (room.contains(x, y)) {
                        site.position(new Place(id, null, x, y, CoverageScenario.HEIGHT_M))
                                .ifPresent(points::add);
                    }
                }
            }
            samples.put(id, points);
        });
        return samples;
    }
}
