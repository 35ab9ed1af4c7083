package org.skelto.core.longrange;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import org.skelto.core.ground.ElevationGrid;
import org.skelto.core.links.LinkAssessor;
import org.skelto.core.links.LinkReport;
import org.skelto.core.plan.AirSettings;
import org.skelto.core.plan.Chirp;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Exposure;
import org.skelto.core.plan.GroundPoint;
import org.skelto.core.plan.Link;
import org.skelto.core.plan.Medium;
import org.skelto.core.plan.Place;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Power;
import org.skelto.core.plan.Radio;
import org.skelto.core.plan.RadioPath;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.Spot;
import org.skelto.core.plan.Unit;
import org.skelto.core.plan.UnitKind;
import org.skelto.core.radio.AirLaw;
import org.skelto.core.radio.Antennas;
import org.skelto.core.radio.Budget;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.Outdoors;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.radio.Terrain;
import org.skelto.core.radio.Text;
import org.skelto.core.radio.Traffic;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;

/**
 * Changes that give a link the margin it lacks, each worked out over the same ground, cheapest first. Costs are typical, in
 * any currency, for putting changes in order.
 */
public final class WhatItTakes {
    private static final double MAST_COST = 30;
    private static final double MAST_COST_PER_M = 12;
    private static final double ANTENNA_COST = 25;
    private static final double ANTENNA_COST_PER_DB = 4;
    private static final double MOVE_COST = 20;
    private static final double MOVE_COST_PER_M = 0.5;
    private static final double RELAY_COST = 140;
    private static final double MAST_MOST_M = 15;
    private static final double MAST_STEP_M = 0.1;
    private static final double MOVE_MOST_M = 120;
    private static final double MOVE_STEP_M = 10;
    private static final double RELAY_M = 3;
    private static final int RELAY_PLACES = 120;
    private static final int REACH_PLACES = 200;

    private final Plan plan;
    private final SiteModel site;
    private final SlabTables tables;
    private final ElevationGrid grid;
    private final String pathId;
    private final RadioPath path;
    private final Link link;
    private final String linkId;
    private final LinkReport now;
    private final List<Change> changes = new ArrayList<>();

    /**
     * A change.
     *
     * @param text what to do
     * @param why what it costs besides, or what is to be minded
     * @param cost typical
     * @param marginDb of the worse direction afterwards; for a relay of the worse leg
     * @param meets whether the target is met with it alone
     * @param legs of a relay, each with its margin
     */
    public record Change(
            String text,
            String why,
            double cost,
            double marginDb,
            double chance,
            boolean meets,
            List<RelayLeg> legs,
            List<Edit> edits) {}

    /** One of the two ways of a relay. */
    public record RelayLeg(String from, String to, double lengthM, double marginDb, double chance) {}

    /**
     * How far the link would reach on this ground.
     *
     * @param chance that is wanted
     * @param unbrokenM up to where it holds everywhere, seen from the end of the path that the link reaches
     * @param farthestM the farthest place where it holds
     * @param flatM by free space alone, for comparison
     */
    public record Reach(double chance, double unbrokenM, double farthestM, double flatM) {}

    /** What a link lacks, and what would give it. */
    public record Takes(
            double marginDb, double neededDb, double chance, double target, List<Change> changes, Reach reach) {}

    private WhatItTakes(
            Plan plan, SiteModel site, SlabTables tables, String pathId, ElevationGrid grid, Medium medium) {
        this.plan = plan;
        this.site = site;
        this.tables = tables;
        this.grid = grid;
        this.pathId = pathId;
        this.path = plan.paths().get(pathId);
        Map.Entry<String, Link> known = plan.links().entrySet().stream()
                .filter(e -> path.joins(e.getValue().from(), e.getValue().to())
                        && e.getValue().medium() == medium)
                .findFirst()
                .orElse(null);
        this.linkId = known == null ? null : known.getKey();
        this.link = known == null ? new Link(path.from(), path.to(), medium, null, null, null) : known.getValue();
        this.now = new LinkAssessor(plan, site, tables).report("trial", link);
    }

    /**
     * Looks for changes.
     *
     * @param grid heights around the site, or null: then nothing is said about moving
     * @param chance wanted for the reach, above 0.5 and below 1
     */
    public static Takes of(
            Plan plan,
            SiteModel site,
            SlabTables tables,
            String pathId,
            Medium medium,
            ElevationGrid grid,
            double chance) {
        WhatItTakes search = new WhatItTakes(plan, site, tables, pathId, grid, medium);
        LinkReport now = search.now;
        if (!enough(now)) {
            search.settings();
            search.power();
            search.antennas();
            search.masts();
            search.bothOutside();
            search.move();
            search.relay();
        }
        search.changes.sort(Comparator.comparing(Change::meets).reversed().thenComparingDouble(Change::cost));
        return new Takes(
                now.marginDb(),
                now.neededDb(),
                now.chance(),
                now.target(),
                List.copyOf(search.changes),
                search.reach(chance));
    }

    /** Whether the margin is there; ends that are set differently are judged as if they were set alike. */
    private static boolean enough(LinkReport report) {
        return report.marginDb() != null && report.marginDb() >= report.neededDb();
    }

    private Radio radio(String unit) {
        return plan.units().get(unit).radio(link.medium()).orElseThrow();
    }

    private String radioName(String unit) {
        return plan.units().get(unit).radios().entrySet().stream()
                .filter(e -> e.getValue().medium() == link.medium())
                .findFirst()
                .orElseThrow()
                .getKey();
    }

    private String at(String unit, String... more) {
        return Pointers.of("units", unit) + "/radios" + Pointers.of(radioName(unit)) + String.join("", more);
    }

    private String name(String unit) {
        return plan.units().get(unit).name();
    }

    /** The link with the radios of some units changed. */
    private LinkReport with(Map<String, UnaryOperator<Radio>> changed) {
        Map<String, Unit> units = new TreeMap<>(plan.units());
        changed.forEach((id, change) -> {
            Map<String, Radio> radios = new TreeMap<>(units.get(id).radios());
            radios.computeIfPresent(radioName(id), (n, r) -> change.apply(r));
            units.put(id, units.get(id).withRadios(radios));
        });
        return new LinkAssessor(plan.withNamed(units, plan.devices()), site, tables).report("trial", link);
    }

    private boolean lawful(String unit, Radio radio) {
        Unit u = plan.units().get(unit);
        Traffic traffic = Traffic.counts(link.medium()) ? Traffic.of(u, radio) : null;
        return traffic == null || AirLaw.of(plan.region(), radio, traffic).lawful();
    }

    private void add(String text, String why, double cost, LinkReport then, List<Edit> edits) {
        if (then.marginDb() != null && then.marginDb() > now.marginDb() + 0.05) {
            changes.add(new Change(text, why, cost, then.marginDb(), then.chance(), enough(then), List.of(), edits));
        }
    }

    /** Slower chirps: higher spreading factors, narrower bandwidths; everything that talks with either end goes along. */
    private void settings() {
        if (link.medium() != Medium.CHIRP) {
            return;
        }
        Chirp chirp = radio(link.from()).chirp();
        Set<String> along = Explorer.along(plan, link.from(), link.to());
        LinkReport best = null;
        Chirp chosen = null;
        for (int sf = chirp.spreadingFactor() + 1; sf <= 12; sf++) {
            Chirp slower = new Chirp(sf, chirp.bandwidthKHz(), chirp.codingRateDenominator());
            LinkReport then = set(along, slower);
            if (then != null && (best == null || !enough(best))) {
                best = then;
                chosen = slower;
            }
        }
        slower(
                best,
                chosen,
                chirp,
                along,
                "SF" + chirp.spreadingFactor() + " → SF" + (chosen == null ? 0 : chosen.spreadingFactor()));
        LinkReport narrow = null;
        Chirp narrower = null;
        for (double khz : new double[] {250, 125, 62.5}) {
            if (khz < chirp.bandwidthKHz() && (narrow == null || !enough(narrow))) {
                Chirp trial = new Chirp(chirp.spreadingFactor(), khz, chirp.codingRateDenominator());
                LinkReport then = set(along, trial);
                if (then != null) {
                    narrow = then;
                    narrower = trial;
                }
            }
        }
        slower(
                narrow,
                narrower,
                chirp,
                along,
                Text.number(chirp.bandwidthKHz(), 0) + " → "
                        + (narrower == null ? "" : Text.number(narrower.bandwidthKHz(), 1)) + " kHz");
    }

    private void slower(LinkReport then, Chirp chosen, Chirp before, Set<String> along, String text) {
        if (chosen == null) {
            return;
        }
        Unit unit = plan.units().get(link.from());
        int bytes = Traffic.of(unit, radio(link.from())).bytes();
        double times = Traffic.airtimeMs(chosen, unit.says(), bytes) / Traffic.airtimeMs(before, unit.says(), bytes);
        int others = along.size() - 2;
        add(
                text,
                Text.number(times, 1) + " times as long on the air"
                        + (others > 0 ? "; " + others + (others == 1 ? " other goes" : " others go") + " along" : ""),
                0,
                then,
                along.stream().map(u -> Edit.replace(at(u, "/chirp"), chosen)).toList());
    }

    private LinkReport set(Set<String> units, Chirp chirp) {
        Map<String, UnaryOperator<Radio>> changed = new HashMap<>();
        for (String unit : units) {
            Radio r = radio(unit);
            if (!lawful(unit, r.set(r.frequencyMHz(), chirp))) {
                return null;
            }
            changed.put(unit, x -> x.set(x.frequencyMHz(), chirp));
        }
        return with(changed);
    }

    /** As much power as the law allows, at both ends. */
    private void power() {
        Map<String, UnaryOperator<Radio>> changed = new HashMap<>();
        List<Edit> edits = new ArrayList<>();
        double most = 0;
        for (String unit : List.of(link.from(), link.to())) {
            Radio r = radio(unit);
            double more = headroomDb(unit, r);
            if (more >= 0.5) {
                double power = Math.min(r.txPowerDbm() + more, 30);
                changed.put(unit, x -> x.sending(power, x.antennaGainDbi()));
                edits.add(Edit.replace(at(unit, "/txPowerDbm"), power));
                most = Math.max(most, more);
            }
        }
        if (!changed.isEmpty()) {
            add(
                    "power up to the limit, " + Text.db(most) + " more",
                    "the radio must have it; more current from the battery",
                    5,
                    with(changed),
                    edits);
        }
    }

    /** How much more the law allows, dB, to a tenth below; negative when it is over already. */
    private double headroomDb(String unit, Radio radio) {
        Unit u = plan.units().get(unit);
        boolean periodic = Traffic.counts(link.medium()) && Traffic.of(u, radio).intervalS() != null;
        return org.skelto.core.radio.RegionLimits.rowFor(plan.region(), radio, periodic)
                .map(row -> Math.floor(-row.excessDb(radio) * 10) / 10)
                .orElse(0.0);
    }

    /** A better antenna, the power lowered by what it would radiate too much. */
    private void antennas() {
        for (String unit : List.of(link.from(), link.to())) {
            antenna(List.of(unit));
        }
        antenna(List.of(link.from(), link.to()));
    }

    private void antenna(List<String> units) {
        for (double db : new double[] {3, 6, 9}) {
            Map<String, UnaryOperator<Radio>> changed = new HashMap<>();
            List<Edit> edits = new ArrayList<>();
            double lowered = 0;
            for (String unit : units) {
                Radio r = radio(unit);
                Radio better = r.sending(r.txPowerDbm(), r.antennaGainDbi() + db);
                double over = Math.max(0, -headroomDb(unit, better));
                double power = Math.max(-40, r.txPowerDbm() - Math.ceil(over * 10) / 10);
                lowered = Math.max(lowered, r.txPowerDbm() - power);
                changed.put(unit, x -> x.sending(power, x.antennaGainDbi() + db));
                edits.add(Edit.replace(at(unit, "/antennaGainDbi"), r.antennaGainDbi() + db));
                edits.add(Edit.replace(at(unit, "/txPowerDbm"), power));
            }
            LinkReport then = with(changed);
            if (enough(then) || db == 9) {
                add(
                        "antenna +" + Text.number(db, 0) + " dB at "
                                + (units.size() == 2 ? "both ends" : name(units.get(0))),
                        (lowered > 0
                                        ? "power lowered by " + Text.db(lowered)
                                                + " to stay lawful, so it gains in hearing; "
                                        : "")
                                + "it has to be pointed",
                        units.size() * (ANTENNA_COST + ANTENNA_COST_PER_DB * db),
                        then,
                        edits);
                return;
            }
        }
    }

    /** The least height of a mast at either end. */
    private void masts() {
        for (String unit : List.of(link.from(), link.to())) {
            double height = Antennas.aboveGroundM(plan, plan.units().get(unit), radio(unit));
            LinkReport most = raised(unit, height + MAST_MOST_M);
            double more = MAST_MOST_M;
            if (enough(most)) {
                // the loss need not fall all the way up, so the lowest height is looked for from below
                for (double step = MAST_STEP_M; step <= MAST_MOST_M; step += step < 2 ? MAST_STEP_M : 0.5) {
                    LinkReport then = raised(unit, height + step);
                    if (enough(then)) {
                        most = then;
                        more = step;
                        break;
                    }
                }
            }
            double mast = Math.round((height + more) * 10) / 10.0;
            boolean indoors = plan.units().get(unit).place().room() != null
                    && radio(unit).settings().mastM() == null;
            add(
                    "raise the antenna of " + name(unit) + " by " + Text.number(mast - height, 1) + " m to "
                            + Text.number(mast, 1) + " m" + (indoors ? ", outside" : ""),
                    "working at height; earth the mast, mind its feeder's loss",
                    MAST_COST + MAST_COST_PER_M * mast,
                    raised(unit, mast),
                    List.of(Edit.replace(
                            at(unit, "/air"), radio(unit).settings().mast(mast))));
        }
    }

    /** Both antennas outside: in stone houses the walls take more than the ground. */
    private void bothOutside() {
        for (double mast = 2; mast <= MAST_MOST_M; mast += 0.5) {
            Map<String, UnaryOperator<Radio>> changed = new HashMap<>();
            List<Edit> edits = new ArrayList<>();
            double metres = 0;
            for (String unit : List.of(link.from(), link.to())) {
                double height =
                        Math.max(mast, Antennas.aboveGroundM(plan, plan.units().get(unit), radio(unit)));
                double tenths = Math.round(height * 10) / 10.0;
                metres += tenths;
                changed.put(unit, r -> r.air(r.settings().mast(tenths)));
                edits.add(Edit.replace(at(unit, "/air"), radio(unit).settings().mast(tenths)));
            }
            LinkReport then = with(changed);
            if (enough(then) || mast + 0.5 > MAST_MOST_M) {
                add(
                        "both antennas outside, at least " + Text.number(mast, 1) + " m above the ground",
                        "working at height; earth the masts, mind their feeders' loss",
                        2 * MAST_COST + MAST_COST_PER_M * metres,
                        then,
                        edits);
                return;
            }
        }
    }

    private LinkReport raised(String unit, double heightM) {
        return with(Map.of(unit, r -> r.air(r.settings().mast(heightM))));
    }

    /** The nearest better place for an end that stands outdoors, by the grid of heights. */
    private void move() {
        for (String unit : List.of(link.from(), link.to())) {
            Unit u = plan.units().get(unit);
            if (grid == null || u.place().spot() == null) {
                continue;
            }
            Point here = site.position(u).orElseThrow();
            Point there = site.position(plan.units().get(path.from().equals(unit) ? path.to() : path.from()))
                    .orElseThrow();
            if (!grid.holds(there.xM(), there.yM()) || !grid.holds(here.xM(), here.yM())) {
                continue;
            }
            Change found = null;
            for (double by = MOVE_STEP_M; by <= MOVE_MOST_M && (found == null || !found.meets()); by += MOVE_STEP_M) {
                found = better(found, moved(unit, u, here, there, by));
            }
            if (found != null && found.marginDb() > now.marginDb() + 0.5) {
                changes.add(found);
            }
        }
    }

    private static Change better(Change one, Change other) {
        return one == null || other != null && other.marginDb() > one.marginDb() + 0.5 ? other : one;
    }

    private Change moved(String unit, Unit u, Point here, Point there, double byM) {
        Change best = null;
        for (int i = 0; i < 16; i++) {
            double x = here.xM() + byM * Math.sin(Math.PI * i / 8);
            double y = here.yM() + byM * Math.cos(Math.PI * i / 8);
            if (!grid.holds(x, y)) {
                continue;
            }
            boolean first = path.from().equals(unit);
            List<GroundPoint> profile =
                    first ? grid.profile(x, y, there.xM(), there.yM()) : grid.profile(there.xM(), there.yM(), x, y);
            RadioPath other = new RadioPath(
                    path.from(),
                    path.to(),
                    profile,
                    path.covers(),
                    path.source(),
                    path.model(),
                    path.exponent(),
                    path.interceptDb(),
                    path.earthFactor(),
                    path.learned());
            Place p = u.place();
            Place place =
                    new Place(null, p.spot(), cm(p.xM() + x - here.xM()), cm(p.yM() + y - here.yM()), p.heightM());
            Map<String, Unit> units = new TreeMap<>(plan.units());
            units.put(unit, u.at(place));
            Map<String, RadioPath> paths = new TreeMap<>(plan.paths());
            paths.put(pathId, other);
            LinkReport then = new LinkAssessor(
                            plan.withNamed(units, plan.devices()).withPaths(paths), site, tables)
                    .report("trial", link);
            if (best == null || then.marginDb() > best.marginDb()) {
                best = new Change(
                        "move " + u.name() + " " + Text.number(byM, 0) + " m to the " + WINDS[i],
                        "by the grid of heights; trees and buildings are taken where they are marked now",
                        MOVE_COST + MOVE_COST_PER_M * byM,
                        then.marginDb(),
                        then.chance(),
                        enough(then),
                        List.of(),
                        List.of(
                                Edit.replace(Pointers.of("units", unit) + "/place", place),
                                Edit.replace(Pointers.of("paths", pathId), other)));
            }
        }
        return best;
    }

    private static final String[] WINDS = {
        "north", "north-north-east", "north-east", "east-north-east", "east", "east-south-east", "south-east",
        "south-south-east", "south", "south-south-west", "south-west", "west-south-west", "west", "west-north-west",
        "north-west", "north-north-west"
    };

    private static double cm(double m) {
        return Math.round(m * 100) / 100.0;
    }

    /** The best place for a relay along the path. */
    private void relay() {
        Terrain ground = Outdoors.terrain(path);
        double length = ground.lengthM();
        Radio first = radio(path.from());
        Radio last = radio(path.to());
        double firstM = Antennas.aboveGroundM(plan, plan.units().get(path.from()), first);
        double lastM = Antennas.aboveGroundM(plan, plan.units().get(path.to()), last);
        double best = Double.NEGATIVE_INFINITY;
        double where = 0;
        double[] margins = new double[2];
        double walls = wallsDb();
        for (int i = 1; i < RELAY_PLACES; i++) {
            double d = length * i / RELAY_PLACES;
            double one = Budget.lesserMarginDb(first, relayRadio(last), leg(0, d, firstM, RELAY_M)) - walls;
            double two = Budget.lesserMarginDb(relayRadio(last), last, leg(d, length, RELAY_M, lastM)) - walls;
            if (Math.min(one, two) > best) {
                best = Math.min(one, two);
                where = d;
                margins = new double[] {one, two};
            }
        }
        if (best <= now.marginDb()) {
            return;
        }
        double sigma = now.neededDb() / Chance.marginDb(now.target(), 1);
        double chance = Chance.of(margins[0], sigma) * Chance.of(margins[1], sigma);
        double height = ground.heightM(where);
        changes.add(new Change(
                "a relay " + Text.number(where, 0) + " m from " + name(path.from()) + ", where the ground is "
                        + Text.number(height, 0) + " m high, antenna at " + Text.number(RELAY_M, 0) + " m",
                "it must listen always, so it needs power all day; everything is sent twice",
                RELAY_COST,
                best,
                chance,
                chance >= now.target(),
                List.of(
                        new RelayLeg(name(path.from()), "relay", where, margins[0], Chance.of(margins[0], sigma)),
                        new RelayLeg(
                                "relay", name(path.to()), length - where, margins[1], Chance.of(margins[1], sigma))),
                relayEdits(where, last)));
    }

    /** Walls of both ends as they count now; either leg has one of them, so this is on the safe side. */
    private double wallsDb() {
        Outdoors whole = new LinkAssessor(plan, site, tables)
                .outdoors(path, radio(link.from()).frequencyMHz(), link.medium());
        double margin = Budget.lesserMarginDb(radio(link.from()), radio(link.to()), whole.lossDb());
        return Math.max(0, margin - now.marginDb());
    }

    private static Radio relayRadio(Radio like) {
        return like.air(like.settings().mast(RELAY_M));
    }

    private double leg(double from, double to, double fromM, double toM) {
        return new Outdoors(
                        Outdoors.part(path, from, to),
                        fromM,
                        toM,
                        radio(link.from()).frequencyMHz())
                .lossDb();
    }

    private List<Edit> relayEdits(double where, Radio like) {
        Point a = site.position(plan.units().get(path.from())).orElseThrow();
        Point b = site.position(plan.units().get(path.to())).orElseThrow();
        double length = Outdoors.terrain(path).lengthM();
        double share = where / length;
        Terrain ground = Outdoors.terrain(path);
        double aGround = a.zM() - Antennas.aboveGroundM(plan, plan.units().get(path.from()), bare(radio(path.from())));
        double z = aGround + ground.heightM(where) - ground.heightsM()[0];
        String spot = Slugs.free("relay", plan.spots().keySet());
        String unit = Slugs.free("relay", plan.units().keySet());
        List<Edit> edits = new ArrayList<>();
        edits.add(Edit.add(
                Pointers.of("spots", spot),
                new Spot(
                        "Relay",
                        cm(a.xM() + share * (b.xM() - a.xM())),
                        cm(a.yM() + share * (b.yM() - a.yM())),
                        cm(z),
                        Exposure.FREEZING)));
        String hub = plan.units().get(link.from()).hub();
        edits.add(Edit.add(
                Pointers.of("units", unit),
                new Unit(
                        "relay",
                        UnitKind.CONTROLLER,
                        new Place(null, spot, 0, 0, RELAY_M),
                        Power.mains(null),
                        0,
                        0,
                        false,
                        false,
                        hub,
                        Map.of("chirp", like.air(relaySettings(like))),
                        null,
                        null,
                        null)));
        String outer = link.from();
        boolean outerFirst = path.from().equals(outer);
        if (linkId != null) {
            edits.add(Edit.replace(Pointers.of("links", linkId) + "/to", unit));
        } else {
            edits.add(Edit.add(
                    Pointers.of(
                            "links", Slugs.free(outer + "-relay", plan.links().keySet())),
                    new Link(outer, unit, link.medium(), link.direction(), null, "over a relay")));
        }
        edits.add(Edit.add(
                Pointers.of(
                        "links", Slugs.free(unit + "-" + link.to(), plan.links().keySet())),
                new Link(unit, link.to(), link.medium(), link.direction(), null, "relay")));
        RadioPath one = Outdoors.part(path, 0, where);
        RadioPath two = Outdoors.part(path, where, length);
        Set<String> taken = new TreeSet<>(plan.paths().keySet());
        String firstId = Slugs.free(outerFirst ? outer + "-relay" : "relay-" + link.to(), taken);
        taken.add(firstId);
        String lastId = Slugs.free(outerFirst ? "relay-" + link.to() : outer + "-relay", taken);
        edits.add(Edit.add(Pointers.of("paths", firstId), between(one, path.from(), unit)));
        edits.add(Edit.add(Pointers.of("paths", lastId), between(two, unit, path.to())));
        return edits;
    }

    private static Radio bare(Radio radio) {
        return radio.air(radio.settings().mast(null));
    }

    private static AirSettings relaySettings(Radio like) {
        return like.settings().mast(null);
    }

    private static RadioPath between(RadioPath part, String from, String to) {
        return new RadioPath(
                from,
                to,
                part.profile().stream()
                        .map(p -> new GroundPoint(cm(p.distanceM()), cm(p.elevationM())))
                        .toList(),
                part.covers(),
                part.source(),
                part.model(),
                part.exponent(),
                part.interceptDb(),
                part.earthFactor(),
                null);
    }

    /** How far the outer end could stand from the other on this ground, with its antenna as high as it is. */
    private Reach reach(double chance) {
        boolean outerFirst = path.from().equals(link.from());
        Radio outer = radio(link.from());
        Radio inner = radio(link.to());
        double outerM = Antennas.aboveGroundM(plan, plan.units().get(link.from()), outer);
        double innerM = Antennas.aboveGroundM(plan, plan.units().get(link.to()), inner);
        double length = Outdoors.terrain(path).lengthM();
        double sigma = now.neededDb() / Chance.marginDb(now.target(), 1);
        double needed = Chance.marginDb(chance, sigma);
        double walls = wallsDb();
        double unbroken = 0;
        double farthest = 0;
        boolean whole = true;
        for (int i = 1; i <= REACH_PLACES; i++) {
            double d = length * i / REACH_PLACES;
            double loss = outerFirst ? leg(length - d, length, outerM, innerM) : leg(0, d, innerM, outerM);
            boolean holds = Budget.lesserMarginDb(outer, inner, loss) - walls >= needed;
            whole &= holds;
            unbroken = whole ? d : unbroken;
            farthest = holds ? d : farthest;
        }
        double spare = Budget.lesserMarginDb(outer, inner, 0) - walls - needed;
        double oneMetre = org.skelto.core.radio.FreeSpace.lossDb(outer.frequencyMHz(), 1);
        double flat = Math.max(0, Math.pow(10, (spare - oneMetre) / 20));
        return new Reach(chance, unbroken, farthest, Math.min(flat, 1e7));
    }
}
