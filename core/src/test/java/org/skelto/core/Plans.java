package org.skelto.core;

import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.skelto.core.links.RadioDefaults;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.PlanBuilder;
import org.skelto.core.plan.equipment.ActuationSpec;
import org.skelto.core.plan.equipment.ActuationSpecBuilder;
import org.skelto.core.plan.equipment.AfterPower;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceBuilder;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitBuilder;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.Credential;
import org.skelto.core.plan.network.Direction;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.network.Network;
import org.skelto.core.plan.network.Service;
import org.skelto.core.plan.network.ServiceKind;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.site.Clutter;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.GeoPoint;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.Spot;

/** A small sound house for tests, and ways to change one thing of it. Nothing in it deserves a snag but H4. */
public final class Plans {
    private Plans() {}

    /**
     * Two rooms of 4 x 4 m side by side with a brick wall between them; router, hub and access point cabled to a switch
     * in the west room; a lamp on a Wi-Fi controller in the east room; a mesh thermometer with its gateway.
     */
    public static Plan sound() {
        Plan empty = Plan.fresh("Test house", Region.EU, 230.0, new GeoPoint(50, 8));
        return PlanBuilder.builder()
                .format(Plan.FORMAT)
                .name(empty.name())
                .region(Region.EU)
                .mainsVoltageV(230.0)
                .place(new GeoPoint(50, 8))
                .network(Network.standard("testhouse"))
                .cautionsRead(true)
                .credentials(ours(
                        "wireless",
                        "pairing.mesh-802154",
                        "admin.router",
                        "admin.switch",
                        "admin.hub",
                        "admin.ap",
                        "admin.gateway"))
                .buildings(empty.buildings())
                .floors(Map.of("ground", new Floor("house", "Ground floor", 0, 2.5, "timber-floor")))
                .rooms(Map.of("west", room("West room", 0), "east", room("East room", 4)))
                .spots(Map.of("shed", new Spot("Shed", 60, 2, 0)))
                .circuits(empty.circuits())
                .services(Map.of("push", new Service("message service", ServiceKind.PUSH)))
                .units(Map.of(
                        "router", unit("router", UnitKind.ROUTER, 1),
                        "switch", unit("switch", UnitKind.SWITCH, 1.5),
                        "hub", unit("hub", UnitKind.HUB, 2),
                        "ap", unit("ap", UnitKind.ACCESS_POINT, 2.5, Medium.WIFI_2G4),
                        "gateway", unit("gateway", UnitKind.GATEWAY, 3, Medium.MESH_802154),
                        "board", unit("board", UnitKind.CONTROLLER, 6, Medium.WIFI_2G4),
                        "probe", battery(unit("probe", UnitKind.SELF_CONTAINED, 7, Medium.MESH_802154))))
                .devices(Map.of("lamp", lamp(), "probe", probe()))
                .links(Map.of(
                        "switch-router", link("switch", "router", Medium.ETHERNET),
                        "hub-switch", link("hub", "switch", Medium.ETHERNET),
                        "ap-switch", link("ap", "switch", Medium.ETHERNET),
                        "gateway-switch", link("gateway", "switch", Medium.ETHERNET),
                        "board-ap", link("board", "ap", Medium.WIFI_2G4),
                        "probe-gateway", link("probe", "gateway", Medium.MESH_802154)))
                .build();
    }

    /** Secrets that are the house's own. */
    private static Map<String, Credential> ours(String... keys) {
        Map<String, Credential> all = new TreeMap<>();
        for (String key : keys) {
            all.put(key, new Credential(Credential.State.CHANGED, "2026-10-01", true, "the safe"));
        }
        return all;
    }

    private static Room room(String name, double x) {
        return Room.rectangle("ground", name, x, 0, 4, 4, "brick-110", Clutter.EMPTY);
    }

    public static Link link(String from, String to, Medium medium) {
        return Link.of(from, to, medium, Direction.TWO_WAY, null, null);
    }

    /** A unit at y = 2 m, 1.5 m above the floor; the room follows from x. */
    public static Unit unit(String name, UnitKind kind, double x, Medium... media) {
        Map<String, Radio> radios = new TreeMap<>();
        for (Medium medium : media) {
            radios.put(RadioDefaults.id(medium), RadioDefaults.radio(medium, Region.EU, kind));
        }
        boolean ends = kind == UnitKind.CONTROLLER || kind == UnitKind.SELF_CONTAINED;
        return UnitBuilder.builder()
                .name(name)
                .kind(kind)
                .place(new Place(x < 4 ? "west" : "east", null, x, 2, 1.5))
                .power(Power.mains("mains"))
                .channels(kind == UnitKind.CONTROLLER ? 4 : 0)
                .maxClients(kind == UnitKind.ACCESS_POINT ? 20 : 0)
                .internetEntry(kind == UnitKind.ROUTER)
                .broker(kind == UnitKind.HUB)
                .hub(ends ? "hub" : null)
                .radios(radios)
                .asksAgain(true)
                .build();
    }

    public static Unit battery(Unit u) {
        return with(u, Power.battery());
    }

    public static Unit with(Unit u, Power power) {
        return u.withPower(power);
    }

    public static Unit with(Unit u, Place place) {
        return u.withPlace(place);
    }

    public static Unit with(Unit u, Radio radio) {
        return u.withRadios(Map.of(RadioDefaults.id(radio.medium()), radio));
    }

    public static Device lamp() {
        return device("lamp", DeviceKind.LAMP, Hand.SWITCH, RestState.STAYS, Set.of(Way.RULE, Way.HOME_APP));
    }

    private static Device probe() {
        return DeviceBuilder.builder()
                .name("probe")
                .kind(DeviceKind.TEMPERATURE)
                .criticality(Criticality.COMFORT)
                .hand(Hand.NONE)
                .rest(RestState.STAYS)
                .unit("probe")
                .ways(new TreeSet<>(Set.of(Way.RULE, Way.HOME_APP)))
                .exitRoute(false)
                .outsideDoor(false)
                .obstacleDetection(false)
                .build();
    }

    private static final ActuationSpec AS_IT_WAS =
            ActuationSpecBuilder.builder().afterPower(AfterPower.LAST).build();

    /** A device on the board's first channel, fed by the mains. */
    public static Device device(String name, DeviceKind kind, Hand hand, RestState rest, Set<Way> ways) {
        Device device = DeviceBuilder.builder()
                .name(name)
                .kind(kind)
                .place(new Place("east", null, 6, 3, 2))
                .hand(hand)
                .rest(rest)
                .unit("board")
                .channel(1)
                .circuit("mains")
                .ways(new TreeSet<>(ways))
                .exitRoute(false)
                .outsideDoor(false)
                .obstacleDetection(false)
                .build();
        return kind.family() == DeviceKind.Family.LOAD ? device.withWorks(AS_IT_WAS) : device;
    }

    /** A barrier on the board. */
    public static Device barrier(
            DeviceKind kind, Hand hand, RestState rest, boolean exit, boolean outside, boolean detection) {
        return DeviceBuilder.builder()
                .name("barrier")
                .kind(kind)
                .place(new Place("east", null, 6, 3, 1))
                .criticality(Criticality.PROTECTIVE)
                .hand(hand)
                .rest(rest)
                .unit("board")
                .channel(2)
                .circuit("mains")
                .ways(new TreeSet<>(Set.of(Way.HOME_APP)))
                .exitRoute(exit)
                .outsideDoor(outside)
                .obstacleDetection(detection)
                .build();
    }

    public static Plan units(Plan p, UnaryOperator<Map<String, Unit>> change) {
        return p.withUnits(change.apply(new TreeMap<>(p.units())));
    }

    public static Plan devices(Plan p, UnaryOperator<Map<String, Device>> change) {
        return p.withDevices(change.apply(new TreeMap<>(p.devices())));
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
        return p.withLinks(change.apply(new TreeMap<>(p.links())));
    }

    public static Plan link(Plan p, String id, Link link) {
        return links(p, m -> {
            m.put(id, link);
            return m;
        });
    }

    public static Plan rooms(Plan p, Map<String, Room> rooms) {
        return p.withRooms(rooms);
    }

    /** The plan with another head. */
    public static Plan head(Plan p, Region region, Double volts, GeoPoint place, Network network, boolean cautions) {
        return p.with(b -> b.region(region)
                .mainsVoltageV(volts)
                .place(place)
                .network(network)
                .cautionsRead(cautions));
    }
}
