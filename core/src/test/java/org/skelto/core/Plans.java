package org.skelto.core;

import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.skelto.core.links.RadioDefaults;
import org.skelto.core.plan.*;

/** A small sound house for tests, and ways to change one thing of it. Nothing in it deserves a snag but H4. */
public final class Plans {
    private Plans() {}

    /**
     * Two rooms of 4 x 4 m side by side with a brick wall between them; router, hub and access point cabled to a switch
     * in the west room; a lamp on a Wi-Fi controller in the east room; a mesh thermometer with its gateway.
     */
    public static Plan sound() {
        Plan empty = Plan.fresh("Test house", Region.EU, 230.0, new GeoPoint(50, 8));
        return new Plan(
                Plan.FORMAT,
                empty.name(),
                Region.EU,
                230.0,
                new GeoPoint(50, 8),
                Network.standard("testhouse"),
                true,
                empty.buildings(),
                Map.of("ground", new Floor("house", "Ground floor", 0, 2.5, "timber-floor")),
                Map.of("west", room("West room", 0), "east", room("East room", 4)),
                Map.of("shed", new Spot("Shed", 60, 2, 0)),
                empty.circuits(),
                Map.of("push", new Service("message service", ServiceKind.PUSH)),
                Map.of(
                        "router", unit("router", UnitKind.ROUTER, 1),
                        "switch", unit("switch", UnitKind.SWITCH, 1.5),
                        "hub", unit("hub", UnitKind.HUB, 2),
                        "ap", unit("ap", UnitKind.ACCESS_POINT, 2.5, Medium.WIFI_2G4),
                        "gateway", unit("gateway", UnitKind.GATEWAY, 3, Medium.MESH_802154),
                        "board", unit("board", UnitKind.CONTROLLER, 6, Medium.WIFI_2G4),
                        "probe", battery(unit("probe", UnitKind.SELF_CONTAINED, 7, Medium.MESH_802154))),
                Map.of("lamp", lamp(), "probe", probe()),
                Map.of(
                        "switch-router", link("switch", "router", Medium.ETHERNET),
                        "hub-switch", link("hub", "switch", Medium.ETHERNET),
                        "ap-switch", link("ap", "switch", Medium.ETHERNET),
                        "gateway-switch", link("gateway", "switch", Medium.ETHERNET),
                        "board-ap", link("board", "ap", Medium.WIFI_2G4),
                        "probe-gateway", link("probe", "gateway", Medium.MESH_802154)),
                null);
    }

    private static Room room(String name, double x) {
        return Room.rectangle("ground", name, x, 0, 4, 4, "brick-110", Clutter.EMPTY);
    }

    public static Link link(String from, String to, Medium medium) {
        return new Link(from, to, medium, Direction.TWO_WAY, null, null);
    }

    /** A unit at y = 2 m, 1.5 m above the floor; the room follows from x. */
    public static Unit unit(String name, UnitKind kind, double x, Medium... media) {
        Map<String, Radio> radios = new TreeMap<>();
        for (Medium medium : media) {
            radios.put(RadioDefaults.id(medium), RadioDefaults.radio(medium, Region.EU, kind));
        }
        boolean ends = kind == UnitKind.CONTROLLER || kind == UnitKind.SELF_CONTAINED;
        return new Unit(
                name,
                kind,
                new Place(x < 4 ? "west" : "east", null, x, 2, 1.5),
                Power.mains("mains"),
                kind == UnitKind.CONTROLLER ? 4 : 0,
                kind == UnitKind.ACCESS_POINT ? 20 : 0,
                kind == UnitKind.ROUTER,
                kind == UnitKind.HUB,
                ends ? "hub" : null,
                radios,
                null,
                null,
                null);
    }

    public static Unit battery(Unit u) {
        return with(u, Power.battery());
    }

    public static Unit with(Unit u, Power power) {
        return new Unit(
                u.name(),
                u.kind(),
                u.place(),
                power,
                u.channels(),
                u.maxClients(),
                u.internetEntry(),
                u.broker(),
                u.hub(),
                u.radios(),
                u.ipv4(),
                u.mac(),
                u.nodeId());
    }

    public static Unit with(Unit u, Place place) {
        return new Unit(
                u.name(),
                u.kind(),
                place,
                u.power(),
                u.channels(),
                u.maxClients(),
                u.internetEntry(),
                u.broker(),
                u.hub(),
                u.radios(),
                u.ipv4(),
                u.mac(),
                u.nodeId());
    }

    public static Unit with(Unit u, Radio radio) {
        return new Unit(
                u.name(),
                u.kind(),
                u.place(),
                u.power(),
                u.channels(),
                u.maxClients(),
                u.internetEntry(),
                u.broker(),
                u.hub(),
                Map.of(RadioDefaults.id(radio.medium()), radio),
                u.ipv4(),
                u.mac(),
                u.nodeId());
    }

    public static Device lamp() {
        return device("lamp", DeviceKind.LAMP, Hand.SWITCH, RestState.STAYS, Set.of(Way.RULE, Way.HOME_APP));
    }

    private static Device probe() {
        return new Device(
                "probe",
                DeviceKind.TEMPERATURE,
                null,
                Criticality.COMFORT,
                Hand.NONE,
                RestState.STAYS,
                "probe",
                null,
                null,
                new TreeSet<>(Set.of(Way.RULE, Way.HOME_APP)),
                null,
                false,
                false,
                false,
                null);
    }

    private static final Works AS_IT_WAS = new Works(
            null, null, null, null, null, null, null, null, null, null, AfterPower.LAST, null, null, null, null);

    /** A device on the board's first channel, fed by the mains. */
    public static Device device(String name, DeviceKind kind, Hand hand, RestState rest, Set<Way> ways) {
        Device device = new Device(
                name,
                kind,
                new Place("east", null, 6, 3, 2),
                null,
                hand,
                rest,
                "board",
                1,
                "mains",
                new TreeSet<>(ways),
                null,
                false,
                false,
                false,
                null);
        return kind.family() == DeviceKind.Family.LOAD ? device.working(AS_IT_WAS) : device;
    }

    /** A barrier on the board. */
    public static Device barrier(
            DeviceKind kind, Hand hand, RestState rest, boolean exit, boolean outside, boolean detection) {
        return new Device(
                "barrier",
                kind,
                new Place("east", null, 6, 3, 1),
                Criticality.PROTECTIVE,
                hand,
                rest,
                "board",
                2,
                "mains",
                new TreeSet<>(Set.of(Way.HOME_APP)),
                null,
                exit,
                outside,
                detection,
                null);
    }

    public static Plan units(Plan p, UnaryOperator<Map<String, Unit>> change) {
        return p.withNamed(change.apply(new TreeMap<>(p.units())), p.devices());
    }

    public static Plan devices(Plan p, UnaryOperator<Map<String, Device>> change) {
        return p.withNamed(p.units(), change.apply(new TreeMap<>(p.devices())));
    }

    /** The plan with one unit put in or replaced. */
    public static Plan put(Plan p, String id, Unit unit) {
        return units(p, m -> {
            m.put(id, unit);
            return m;
        });
    }

    public static Plan put(Plan p, String id, Device device) {
        return devices(p, m -> {
            m.put(id, device);
            return m;
        });
    }

    public static Plan links(Plan p, Function<Map<String, Link>, Map<String, Link>> change) {
        return new Plan(
                p.format(),
                p.name(),
                p.region(),
                p.mainsVoltageV(),
                p.place(),
                p.network(),
                p.cautionsRead(),
                p.buildings(),
                p.floors(),
                p.rooms(),
                p.spots(),
                p.circuits(),
                p.services(),
                p.units(),
                p.devices(),
                change.apply(new TreeMap<>(p.links())),
                p.accepted());
    }

    public static Plan link(Plan p, String id, Link link) {
        return links(p, m -> {
            m.put(id, link);
            return m;
        });
    }

    public static Plan rooms(Plan p, Map<String, Room> rooms) {
        return new Plan(
                p.format(),
                p.name(),
                p.region(),
                p.mainsVoltageV(),
                p.place(),
                p.network(),
                p.cautionsRead(),
                p.buildings(),
                p.floors(),
                rooms,
                p.spots(),
                p.circuits(),
                p.services(),
                p.units(),
                p.devices(),
                p.links(),
                p.accepted());
    }

    /** The plan with another head. */
    public static Plan head(Plan p, Region region, Double volts, GeoPoint place, Network network, boolean cautions) {
        return new Plan(
                p.format(),
                p.name(),
                region,
                volts,
                place,
                network,
                cautions,
                p.buildings(),
                p.floors(),
                p.rooms(),
                p.spots(),
                p.circuits(),
                p.services(),
                p.units(),
                p.devices(),
                p.links(),
                p.accepted());
    }
}
