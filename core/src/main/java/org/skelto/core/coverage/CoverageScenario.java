package org.skelto.core.coverage;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.skelto.core.links.RadioDefaults;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Building;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.radio.AntennaPattern;
import org.skelto.core.radio.Budget;
import org.skelto.core.radio.CalibratedLoss;
import org.skelto.core.radio.Chance;
import org.skelto.core.raster.Grid;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;

/**
 * What is mapped for a radio: which units count, what the other end is taken to be, and which levels mean something.
 *
 * <p>Access points, gateways and mains-powered mesh units are heard from each cell by a usual client. Below 1 GHz and for
 * chirp radios, where sensors speak and gateways listen, the level is that of a usual sensor in the cell at the gateway.
 */
public final class CoverageScenario {
    /** A client is held or mounted this high above the walking surface, metres. */
    public static final double HEIGHT_M = 1.0;

    /** So much of the outside is mapped around a floor, metres. */
    private static final double AROUND_M = 2.0;

    private final SiteModel site;
    private final Plan plan;
    private final Medium medium;
    private final Radio client;

    public CoverageScenario(SiteModel site, Medium medium) {
        if (!medium.radio()) {
            throw new IllegalArgumentException(medium + " is no radio");
        }
        this.site = site;
        this.plan = site.plan();
        this.medium = medium;
        this.client = RadioDefaults.radio(
                medium, plan.region(), upward(medium) ? UnitKind.SELF_CONTAINED : UnitKind.CONTROLLER);
    }

    /** A level with what it means for this radio. */
    public record Level(String meaning, double dbm) {}

    /** Whether sensors speak and the mapped units listen. */
    public static boolean upward(Medium medium) {
        return medium == Medium.SUB_GHZ || medium == Medium.CHIRP;
    }

    /** Media that at least one placed unit of the plan is mapped for. */
    public static List<Medium> media(SiteModel site) {
        List<Medium> media = new ArrayList<>();
        for (Medium medium : Medium.radios()) {
            if (!new CoverageScenario(site, medium).sources(Set.of()).isEmpty()) {
                media.add(medium);
            }
        }
        return media;
    }

    /** The units that are mapped, by id; those in the set are dark or cut off and do not count. */
    public List<Source> sources(Set<String> dark) {
        List<Source> sources = new ArrayList<>();
        for (Map.Entry<String, Unit> entry : plan.units().entrySet()) {
            Unit unit = entry.getValue();
            if (!dark.contains(entry.getKey()) && serves(unit) && sources.size() < CoverageMap.MOST_SOURCES) {
                site.position(unit).ifPresent(at -> sources.add(source(entry.getKey(), unit, at)));
            }
        }
        return sources;
    }

    private boolean serves(Unit unit) {
        boolean ears = unit.radio(medium).filter(Radio::receives).isPresent();
        return ears && (unit.collects() || medium.mesh() && unit.repeats(medium));
    }

    /** A unit of this radio as a source, standing at a point. */
    public Source source(String id, Unit unit, Point at) {
        Radio radio = unit.radio(medium).orElseThrow();
        return SourceBuilder.builder()
                .unit(id)
                .name(unit.name())
                .at(at)
                .place(unit.place())
                .levelDbm(levelDbm(radio) + CalibratedLoss.offsetDb(plan, id, radio.frequencyMHz()))
                .frequencyMHz(radio.frequencyMHz())
                .pattern(AntennaPattern.of(radio).orElse(null))
                .build();
    }

    /** Level that would arrive without loss: the mapped radio's own power, or a usual sensor's with this one's antenna. */
    public double levelDbm(Radio radio) {
        return upward(medium)
                ? Budget.leavesDbm(client) + Budget.takesDb(radio)
                : Budget.leavesDbm(radio) + Budget.takesDb(client);
    }

    /** The level that the receiving end needs, dBm. */
    public double floorDbm(List<Source> sources) {
        if (!upward(medium)) {
            return Budget.sensitivityDbm(client);
        }
        return sources.stream()
                .map(s -> plan.units().get(s.unit()).radio(medium).orElseThrow())
                .mapToDouble(Budget::sensitivityDbm)
                .max()
                .orElse(Budget.sensitivityDbm(client));
    }

    /** Levels that mean something, strongest first: solid, works, edge. */
    public List<Level> levels(List<Source> sources) {
        if (medium.wifi()) {
            return List.of(new Level("solid", -67), new Level("control works", -75), new Level("edge", -82));
        }
        double floor = floorDbm(sources);
        double sigma = CalibratedLoss.sigmaDb(plan, client.frequencyMHz());
        return List.of(
                new Level("99 of 100 places", round(floor + Chance.marginDb(0.99, sigma))),
                new Level("95 of 100 places", round(floor + Chance.marginDb(0.95, sigma))),
                new Level("edge", round(floor)));
    }

    private static double round(double dbm) {
        return Math.round(dbm);
    }

    /** The level below which a room does not count as covered, dBm. */
    public double wantedDbm(List<Source> sources) {
        return levels(sources).get(1).dbm();
    }

    public double frequencyMHz() {
        return client.frequencyMHz();
    }

    /** The grid of a floor with at most so many cells; empty floors have none. */
    public static Grid grid(Plan plan, String floor, int mostCells) {
        Bounds area = area(plan, floor);
        return area == null ? null : Grid.over(floor, area, heightM(plan, floor), mostCells);
    }

    /** Height of a client on a floor above the site's datum, metres. */
    public static double heightM(Plan plan, String floor) {
        Floor f = plan.floors().get(floor);
        return plan.buildings().get(f.building()).zM() + f.baseM() + HEIGHT_M;
    }

    private static Bounds area(Plan plan, String floor) {
        Building building = plan.buildings().get(plan.floors().get(floor).building());
        return plan.rooms().values().stream()
                .filter(r -> r.floor().equals(floor))
                .map(r -> r.bounds())
                .map(b -> new Bounds(
                        building.xM() + b.westM(),
                        building.yM() + b.southM(),
                        building.xM() + b.eastM(),
                        building.yM() + b.northM()))
                .reduce(Bounds::and)
                .map(b -> b.wider(AROUND_M))
                .orElse(null);
    }
}
