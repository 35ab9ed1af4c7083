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
        Map<String, String> accepted) {

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
        return with(name, otherUnits, otherDevices, links);
    }

    /** This plan with other units and links. */
    public Plan withLinked(Map<String, Unit> otherUnits, Map<String, Link> otherLinks) {
        return with(name, otherUnits, devices, otherLinks);
    }

    /** This plan under another name. */
    public Plan withName(String other) {
        return with(other, units, devices, links);
    }

    private Plan with(
            String otherName,
            Map<String, Unit> otherUnits,
            Map<String, Device> otherDevices,
            Map<String, Link> otherLinks) {
        return new Plan(
                format,
                otherName,
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
                accepted);
    }
}
