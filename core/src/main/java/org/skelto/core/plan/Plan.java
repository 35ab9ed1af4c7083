package org.skelto.core.plan;

import java.util.Map;

/**
 * A whole plan. The maps are sorted by id and unmodifiable; null maps become empty ones.
 *
 * @param format always {@value #FORMAT}
 * @param name what the person calls it, 1 to 120 characters
 * @param region whose radio law applies
 * @param mainsVoltageV nominal mains voltage in volts, 50 to 480, or null when not known yet
 * @param place where on earth, or null when not known yet
 * @param network address pools and the topic root
 * @param cautionsRead whether the person has acknowledged the cautions about mains work
 * @param accepted snags taken as they are: snag key to the reason given
 * @param constructions the plan's own walls and slabs, which may replace built-in ones of the same id
 * @param openings doors, windows and gaps
 * @param stairwells openings in slabs
 * @param fittings outlets, data points and wiring centres that are there already
 * @param cables cables that are in the walls already
 * @param routes ways that cables may follow
 * @param owned parts in the drawer
 * @param wallWork whether and when the walls close, or null when nobody said
 * @param demands places where handsets and phones must work
 * @param indoorModel how loss inside a building is predicted
 * @param calibration what readings taught, or null
 * @param housings wall boxes and enclosures
 * @param cautions those that were acknowledged, with the day or how
 * @param money what the plan may cost
 * @param paths the ground under long radio links
 */
public record Plan(
        String format,
        String name,
        Region region,
        Double mainsVoltageV,
        GeoPoint place,
        Network network,
        boolean cautionsRead,
        Map<String, Building> buildings,
        Map<String, Floor> floors,
        Map<String, Room> rooms,
        Map<String, Spot> spots,
        Map<String, Circuit> circuits,
        Map<String, Service> services,
        Map<String, Unit> units,
        Map<String, Device> devices,
        Map<String, Link> links,
        Map<String, String> accepted,
        Map<String, Construction> constructions,
        Map<String, Opening> openings,
        Map<String, Stairwell> stairwells,
        Map<String, Fitting> fittings,
        Map<String, Cable> cables,
        Map<String, Route> routes,
        Map<String, OwnedPart> owned,
        WallWork wallWork,
        Map<String, Demand> demands,
        IndoorModel indoorModel,
        Calibration calibration,
        Map<String, Housing> housings,
        Map<Caution, String> cautions,
        Money money,
        Map<String, RadioPath> paths) {

    /** The only format this version reads and writes. */
    public static final String FORMAT = "skelto-plan/1";

    public Plan {
        network = network == null ? Network.standard("house") : network;
        buildings = Copies.sorted(buildings);
        floors = Copies.sorted(floors);
        rooms = Copies.sorted(rooms);
        spots = Copies.sorted(spots);
        circuits = Copies.sorted(circuits);
        services = Copies.sorted(services);
        units = Copies.sorted(units);
        devices = Copies.sorted(devices);
        links = Copies.sorted(links);
        accepted = Copies.sorted(accepted);
        constructions = Copies.sorted(constructions);
        openings = Copies.sorted(openings);
        stairwells = Copies.sorted(stairwells);
        fittings = Copies.sorted(fittings);
        cables = Copies.sorted(cables);
        routes = Copies.sorted(routes);
        owned = Copies.sorted(owned);
        demands = Copies.sorted(demands);
        indoorModel = indoorModel == null ? IndoorModel.WALLS : indoorModel;
        housings = Copies.sorted(housings);
        cautions = Copies.sorted(cautions);
        money = money == null ? Money.USUAL : money;
        paths = Copies.sorted(paths);
    }

    /** A plan of which only the essentials are known. */
    public Plan(
            String format,
            String name,
            Region region,
            Double mainsVoltageV,
            GeoPoint place,
            Network network,
            boolean cautionsRead,
            Map<String, Building> buildings,
            Map<String, Floor> floors,
            Map<String, Room> rooms,
            Map<String, Spot> spots,
            Map<String, Circuit> circuits,
            Map<String, Service> services,
            Map<String, Unit> units,
            Map<String, Device> devices,
            Map<String, Link> links,
            Map<String, String> accepted) {
        this(
                format,
                name,
                region,
                mainsVoltageV,
                place,
                network,
                cautionsRead,
                buildings,
                floors,
                rooms,
                spots,
                circuits,
                services,
                units,
                devices,
                links,
                accepted,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null,
                null);
    }

    /** Whether a caution was acknowledged. */
    public boolean acknowledged(Caution caution) {
        return cautions.containsKey(caution) || caution == Caution.MAINS && cautionsRead;
    }

    /** A new plan with one building, one floor and the mains as one circuit, ready to draw in. */
    public static Plan fresh(String name, Region region, Double mainsVoltageV, GeoPoint place) {
        return new Plan(
                FORMAT,
                name,
                region,
                mainsVoltageV,
                place,
                Network.standard(Slugs.slug(name, "house")),
                false,
                Map.of("house", new Building("House", 0, 0, 0)),
                Map.of("ground", new Floor("house", "Ground floor", 0, 2.5, "timber-floor")),
                null,
                null,
                Map.of("mains", new Circuit("Mains")),
                null,
                null,
                null,
                null,
                null);
    }

    /** This plan with other units and devices, for the assignment of names. */
    public Plan withNamed(Map<String, Unit> otherUnits, Map<String, Device> otherDevices) {
        return with(otherUnits, otherDevices, links, calibration, paths);
    }

    /** This plan with other units and links. */
    public Plan withLinked(Map<String, Unit> otherUnits, Map<String, Link> otherLinks) {
        return with(otherUnits, devices, otherLinks, calibration, paths);
    }

    /** This plan with what readings taught, or without when null. */
    public Plan withCalibration(Calibration other) {
        return with(units, devices, links, other, paths);
    }

    /** This plan with the ground under other radio paths. */
    public Plan withPaths(Map<String, RadioPath> other) {
        return with(units, devices, links, calibration, other);
    }

    /** The ground between two units, if it is known. */
    public java.util.Optional<RadioPath> path(String one, String other) {
        return paths.values().stream().filter(p -> p.joins(one, other)).findFirst();
    }

    private Plan with(
            Map<String, Unit> otherUnits,
            Map<String, Device> otherDevices,
            Map<String, Link> otherLinks,
            Calibration otherCalibration,
            Map<String, RadioPath> otherPaths) {
        return new Plan(
                format,
                name,
                region,
                mainsVoltageV,
                place,
                network,
                cautionsRead,
                buildings,
                floors,
                rooms,
                spots,
                circuits,
                services,
                otherUnits,
                otherDevices,
                otherLinks,
                accepted,
                constructions,
                openings,
                stairwells,
                fittings,
                cables,
                routes,
                owned,
                wallWork,
                demands,
                indoorModel,
                otherCalibration,
                housings,
                cautions,
                money,
                otherPaths);
    }
}
