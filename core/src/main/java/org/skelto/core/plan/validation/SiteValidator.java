package org.skelto.core.plan.validation;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.network.Demand;
import org.skelto.core.plan.network.Service;
import org.skelto.core.plan.power.Circuit;
import org.skelto.core.plan.radio.Calibration;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Cable;
import org.skelto.core.plan.site.Construction;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Fitting;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.Opening;
import org.skelto.core.plan.site.Polygon;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.Route;
import org.skelto.core.plan.site.Stairwell;
import org.skelto.core.plan.site.Underlay;

/** The part of {@link PlanValidator} that looks at the site: buildings, rooms, walls and what is there already. */
final class SiteValidator {
    private final Plan plan;
    private final ValidationErrors found;
    private final Map<String, Construction> constructions;

    SiteValidator(Plan plan, ValidationErrors found) {
        this.plan = plan;
        this.found = found;
        this.constructions = plan.everyConstruction();
    }

    void all() {
        plan.buildings().forEach((id, b) -> {
            found.name(Pointers.of("buildings", id, "name"), b.name());
            point("buildings", id, b.xM(), b.yM(), b.zM());
        });
        plan.spots().forEach((id, s) -> {
            found.name(Pointers.of("spots", id, "name"), s.name());
            point("spots", id, s.xM(), s.yM(), s.zM());
        });
        plan.floors().forEach(this::floor);
        plan.rooms().forEach(this::room);
        plan.constructions().forEach(this::layers);
        plan.openings().forEach(this::opening);
        plan.stairwells().forEach(this::stairwell);
        named("circuits", plan.circuits(), Circuit::name);
        named("services", plan.services(), Service::name);
        plan.services().forEach((id, s) -> found.required(Pointers.of("services", id, "kind"), s.kind()));
        plan.fittings().forEach(this::fitting);
        plan.cables().forEach(this::cable);
        plan.routes().forEach(this::route);
        plan.owned().forEach((id, part) -> {
            found.name(Pointers.of("owned", id, "name"), part.name());
            found.within(Pointers.of("owned", id, "count"), part.count(), 1, 10_000, "");
        });
        plan.demands().forEach(this::demand);
        wallWork();
        calibration();
    }

    private void point(String map, String id, double xM, double yM, double zM) {
        found.within(Pointers.of(map, id, "xM"), xM, -Limits.SITE_M, Limits.SITE_M, " m");
        found.within(Pointers.of(map, id, "yM"), yM, -Limits.SITE_M, Limits.SITE_M, " m");
        found.within(Pointers.of(map, id, "zM"), zM, -1000, 9000, " m");
    }

    private void floor(String id, Floor f) {
        found.name(Pointers.of("floors", id, "name"), f.name());
        found.known(Pointers.of("floors", id, "building"), f.building(), plan.buildings(), "a building");
        found.within(Pointers.of("floors", id, "baseM"), f.baseM(), -50, 200, " m");
        found.within(Pointers.of("floors", id, "heightM"), f.heightM(), 1, 20, " m");
        construction(Pointers.of("floors", id, "slab"), f.slab());
        Underlay under = f.underlay();
        if (under != null) {
            String at = Pointers.of("floors", id, "underlay");
            if (under.picture() == null || !under.picture().matches("[0-9a-f]{64}")) {
                found.add(at + "/picture", "is not the id of a stored picture");
            }
            local(at, under.xM(), under.yM());
            found.within(at + "/metresPerPixel", under.metresPerPixel(), 0.0001, 10, " m");
            found.within(at + "/fade", under.fade(), 0, 1, "");
        }
    }

    private void local(String at, double xM, double yM) {
        found.within(at + "/xM", xM, -Limits.LOCAL_M, Limits.LOCAL_M, " m");
        found.within(at + "/yM", yM, -Limits.LOCAL_M, Limits.LOCAL_M, " m");
    }

    private void room(String id, Room room) {
        String at = Pointers.of("rooms", id);
        found.name(at + "/name", room.name());
        found.known(at + "/floor", room.floor(), plan.floors(), "a floor");
        if (room.corners().size() < 3 || room.corners().size() > Limits.CORNERS) {
            found.add(
                    at + "/corners",
                    "must be 3 to " + Limits.CORNERS + " corners, not "
                            + room.corners().size());
            return;
        }
        if (room.walls().size() != room.corners().size()) {
            found.add(
                    at + "/walls",
                    "must name one construction for each of the "
                            + room.corners().size() + " walls");
        }
        for (int i = 0; i < room.walls().size() && i < Limits.CORNERS; i++) {
            construction(at + "/walls/" + i, room.walls().get(i));
        }
        outline(at, room.corners());
    }

    /** Corners within bounds, no wall without length, no wall through another. */
    private void outline(String at, List<Corner> corners) {
        for (int i = 0; i < corners.size(); i++) {
            Corner corner = corners.get(i);
            String place = at + "/corners/" + i;
            if (corner == null) {
                found.add(place, "is null");
                return;
            }
            local(place, corner.xM(), corner.yM());
            if (!Double.isFinite(corner.xM()) || !Double.isFinite(corner.yM())) {
                return;
            }
        }
        for (int i = 0; i < corners.size(); i++) {
            Corner a = corners.get(i);
            Corner b = corners.get((i + 1) % corners.size());
            if (Math.hypot(b.xM() - a.xM(), b.yM() - a.yM()) < Limits.WALL_LEAST_M) {
                found.add(at + "/corners/" + i, "is where the next corner is: the wall between them has no length");
                return;
            }
        }
        int[] crossing = Polygon.crossing(corners);
        if (crossing != null) {
            found.add(at + "/corners", "run through each other: wall " + crossing[0] + " meets wall " + crossing[1]);
            return;
        }
        Bounds bounds = Bounds.of(corners);
        if (bounds.widthM() < Limits.ROOM_LEAST_M || bounds.depthM() < Limits.ROOM_LEAST_M) {
            found.add(at + "/corners", "make a room less than " + Limits.ROOM_LEAST_M + " m wide");
        }
        if (bounds.widthM() > Limits.ROOM_MOST_M || bounds.depthM() > Limits.ROOM_MOST_M) {
            found.add(at + "/corners", "make a room more than " + Math.round(Limits.ROOM_MOST_M) + " m wide");
        }
    }

    private void construction(String pointer, String id) {
        if (id == null) {
            found.add(pointer, "is missing: it names a construction");
        } else if (!constructions.containsKey(id)) {
            found.add(pointer, "is not a construction of the list: \"" + ValidationErrors.shown(id) + "\"");
        }
    }

    private void layers(String id, Construction c) {
        String at = Pointers.of("constructions", id);
        found.name(at + "/name", c.name());
        found.within(at + "/extraDb", c.extraDb(), 0, 100, " dB");
        if (c.layers().size() > Limits.LAYERS) {
            found.add(at + "/layers", "holds more than " + Limits.LAYERS + " layers");
            return;
        }
        for (int i = 0; i < c.layers().size(); i++) {
            Construction.Layer layer = c.layers().get(i);
            String place = at + "/layers/" + i;
            if (layer == null) {
                found.add(place, "is null");
                continue;
            }
            found.required(place + "/material", layer.material());
            found.within(place + "/thicknessMm", layer.thicknessMm(), 0.00005, 3000, " mm");
        }
        c.measuredDb().forEach((band, db) -> decibels(at + "/measuredDb/" + band, db, 0, 100));
    }

    private void decibels(String pointer, Double db, double least, double most) {
        found.required(pointer, db);
        found.withinOrNull(pointer, db, least, most, " dB");
    }

    private void opening(String id, Opening o) {
        String at = Pointers.of("openings", id);
        found.required(at + "/kind", o.kind());
        found.known(at + "/room", o.room(), plan.rooms(), "a room");
        Room room = o.room() == null ? null : plan.rooms().get(o.room());
        if (room != null && (o.wall() < 0 || o.wall() >= room.corners().size())) {
            found.add(
                    at + "/wall",
                    "is not a wall of " + room.name() + ", which has "
                            + room.corners().size());
        }
        found.within(at + "/atM", o.atM(), -Limits.ROOM_MOST_M, Limits.ROOM_MOST_M, " m");
        found.within(at + "/widthM", o.widthM(), 0.1, 20, " m");
        found.within(at + "/sillM", o.sillM(), 0, 20, " m");
        found.within(at + "/headM", o.headM(), 0, 20, " m");
        if (o.headM() <= o.sillM()) {
            found.add(at + "/headM", "must lie above the sill");
        }
        construction(at + "/construction", o.construction());
    }

    private void stairwell(String id, Stairwell s) {
        String at = Pointers.of("stairwells", id);
        found.known(at + "/floor", s.floor(), plan.floors(), "a floor");
        local(at, s.xM(), s.yM());
        found.within(at + "/widthM", s.widthM(), 0.1, Limits.ROOM_MOST_M, " m");
        found.within(at + "/depthM", s.depthM(), 0.1, Limits.ROOM_MOST_M, " m");
    }

    private void fitting(String id, Fitting f) {
        String at = Pointers.of("fittings", id);
        found.name(at + "/name", f.name());
        found.required(at + "/kind", f.kind());
        found.place(at + "/place", f.place(), plan);
        found.knownOrNull(at + "/circuit", f.circuit(), plan.circuits(), "a circuit");
    }

    private void cable(String id, Cable c) {
        String at = Pointers.of("cables", id);
        found.name(at + "/name", c.name());
        found.knownOrNull(at + "/from", c.from(), plan.fittings(), "a fitting");
        found.knownOrNull(at + "/to", c.to(), plan.fittings(), "a fitting");
        found.text(at + "/kind", c.kind(), Limits.NAME_LENGTH);
        found.within(at + "/pairs", c.pairs(), 1, 200, "");
        found.within(at + "/freePairs", c.freePairs(), 0, Math.max(0, c.pairs()), "");
    }

    private void route(String id, Route r) {
        String at = Pointers.of("routes", id);
        found.name(at + "/name", r.name());
        found.known(at + "/floor", r.floor(), plan.floors(), "a floor");
        if (r.points().size() < 2 || r.points().size() > Limits.CORNERS) {
            found.add(at + "/points", "must be 2 to " + Limits.CORNERS + " points");
            return;
        }
        for (int i = 0; i < r.points().size(); i++) {
            Corner point = r.points().get(i);
            found.required(at + "/points/" + i, point);
            if (point != null) {
                local(at + "/points/" + i, point.xM(), point.yM());
            }
        }
    }

    private void demand(String id, Demand d) {
        String at = Pointers.of("demands", id);
        found.name(at + "/name", d.name());
        found.required(at + "/place", d.place());
        found.place(at + "/place", d.place(), plan);
        found.required(at + "/medium", d.medium());
        if (d.medium() == Medium.ETHERNET) {
            found.add(at + "/medium", "a place to work from needs a radio, not Ethernet");
        }
    }

    private void wallWork() {
        String day = plan.wallWork() == null ? null : plan.wallWork().closesOn();
        if (day == null) {
            return;
        }
        try {
            LocalDate.parse(day);
        } catch (DateTimeException e) {
            found.add("/wallWork/closesOn", "is not a day such as 2027-03-31");
        }
    }

    private void calibration() {
        Calibration c = plan.calibration();
        if (c == null) {
            return;
        }
        found.text("/calibration/at", c.at(), Limits.NAME_LENGTH);
        found.within("/calibration/readings", c.readings(), 0, 100_000, "");
        if (c.wallDb().size() > Limits.CONSTRUCTIONS || c.offsetDb().size() > Limits.UNITS) {
            found.add("/calibration", "holds more than a plan has walls and units");
            return;
        }
        c.wallDb().forEach((id, bands) -> {
            construction(Pointers.of("calibration", "wallDb", id), id);
            bands.forEach((b, db) -> decibels(Pointers.of("calibration", "wallDb", id, b.name()), db, 0, 100));
        });
        c.offsetDb().forEach((id, bands) -> {
            // a unit may have been removed since: its offset is kept and means nothing
            bands.forEach((b, db) -> decibels(Pointers.of("calibration", "offsetDb", id, b.name()), db, -60, 60));
        });
        c.sigmaDb().forEach((b, db) -> decibels("/calibration/sigmaDb/" + b, db, 3, 30));
    }

    private <V> void named(String map, Map<String, V> entries, Function<V, String> name) {
        entries.forEach((id, entry) -> found.name(Pointers.of(map, id, "name"), name.apply(entry)));
    }
}
