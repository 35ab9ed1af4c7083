package org.skelto.core.sample;

import static org.skelto.core.sample.ThornfellLodge.FLOORS;
import static org.skelto.core.sample.ThornfellLodge.NAMES;
import static org.skelto.core.sample.ThornfellLodge.ROOMS;
import static org.skelto.core.sample.ThornfellLodge.id;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import org.skelto.core.links.RadioDefaults;
import org.skelto.core.plan.equipment.ActuationSpec;
import org.skelto.core.plan.equipment.ActuationSpecBuilder;
import org.skelto.core.plan.equipment.AfterPower;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.ContactRest;
import org.skelto.core.plan.equipment.ControlScheme;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceBuilder;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Drive;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.LoadKind;
import org.skelto.core.plan.equipment.Lockwork;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Safeguard;
import org.skelto.core.plan.equipment.Sound;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitBuilder;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.network.LinkBuilder;
import org.skelto.core.plan.power.Draws;
import org.skelto.core.plan.power.Duty;
import org.skelto.core.plan.power.Feed;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.power.PowerBuilder;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.power.Pulse;
import org.skelto.core.plan.radio.AirSettings;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.radio.Wireless;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;

/** The network, the meshes, the doors and the alarm of {@link ThornfellLodge}. */
final class LodgeEquipment {
    private static final Medium MESH = Medium.MESH_802154;
    private static final Medium WATER = Medium.MESH_G9959;

    /** Network ids of the two meshes. */
    private static final Map<Medium, Integer> NETWORKS = Map.of(MESH, 6021, WATER, 6022);

    /** Rooms of a floor whose thermometer hangs on the mains and passes on: along the corridor and across it. */
    private static final Set<Integer> STEADY = Set.of(0, 2, 5, 8, 12, 15, 18);

    /** What a hub takes, measured with its disk at work. */
    private static final Draws MEASURED = new Draws(12, 11.4, 0.75, 2.2);

    /** The panel acts by itself; the hub is for the apps. */
    private static final SortedSet<ControlScheme> PANEL_AND_HUB =
            new TreeSet<>(List.of(ControlScheme.PANEL, ControlScheme.HUB));

    private final Map<String, Room> rooms;
    private final Map<String, Unit> units;
    private final Map<String, Device> devices;
    private final Map<String, Link> links;

    LodgeEquipment(
            Map<String, Room> rooms, Map<String, Unit> units, Map<String, Device> devices, Map<String, Link> links) {
        this.rooms = rooms;
        this.units = units;
        this.devices = devices;
        this.links = links;
    }

    void all() {
        network();
        for (int f = 0; f < FLOORS.length; f++) {
            wireless(f);
            doors(f);
            mesh(f);
        }
        water();
        alarm();
    }

    // ------------------------------------------------------------------ boxes

    private UnitBuilder box(String name, UnitKind kind, Place place, Power power) {
        return UnitBuilder.builder()
                .name(name)
                .kind(kind)
                .place(place)
                .power(power)
                .asksAgain(true);
    }

    private Place corridor(int f, double xM, double yM, double heightM) {
        return ThornfellLodge.at(rooms, id(f, 0), xM, yM, heightM);
    }

    private static Power mains(int f) {
        return Power.mains("lights-" + f);
    }

    private static Power overEthernet(String from) {
        return Power.of(PowerSource.ETHERNET, null, from, 0);
    }

    private static Power from(String rail, double lengthM) {
        return Power.supply(rail, new Feed("cable-low-15", lengthM, 3.0));
    }

    private void rail(String id, String name, int f, Place place) {
        units.put(
                id,
                box(name, UnitKind.SUPPLY, place, mains(f))
                        .boards(new BoardSet("backup-12", Map.of()))
                        .build());
    }

    private static String hub(int f) {
        return f == 2 ? "guest-hub" : "hub";
    }

    private void link(String from, String to, Medium medium) {
        links.put(from + "-" + to, Link.of(from, to, medium, null, null, null));
    }

    private void network() {
        units.put(
                "router",
                box("entry router", UnitKind.ROUTER, corridor(0, 0.5, 0.5, 1.6), mains(0).withBackupH(4))
                        .internetEntry(true)
                        .build());
        units.put(
                "mobile-line",
                box("mobile line", UnitKind.ROUTER, corridor(0, 1.0, 0.5, 1.8), mains(0).withBackupH(4))
                        .internetEntry(true)
                        .build());
        link("mobile-line", "ground-switch", Medium.ETHERNET);
        units.put(
                "hub",
                box("house hub", UnitKind.HUB, corridor(0, 1.5, 0.5, 1.2), from("hub-rail", 3))
                        .broker(true)
                        .boards(new BoardSet("hub-quiet", Map.of()))
                        .draws(MEASURED)
                        .build());
        link("hub", "ground-switch", Medium.ETHERNET);
        // so that no single box takes all leak probes away
        link("hub", "router", Medium.ETHERNET);
        units.put(
                "guest-hub",
                box("guest hub", UnitKind.HUB, corridor(2, 1.5, 0.5, 1.2), from("guest-rail", 3))
                        .boards(new BoardSet("hub-quiet", Map.of()))
                        .draws(MEASURED)
                        .build());
        link("guest-hub", "second-switch", Medium.ETHERNET);
        rail("hub-rail", "supply of the house hub, 12 V with battery", 0, corridor(0, 1.2, 1.6, 1.8));
        rail("guest-rail", "supply of the guest hub, 12 V with battery", 2, corridor(2, 1.2, 1.6, 1.8));
    }

    /** A switch that feeds four access points of one network's name, so that stations roam. */
    private void wireless(int f) {
        String floor = FLOORS[f];
        units.put(
                floor + "-switch",
                box(NAMES[f] + " switch", UnitKind.SWITCH, corridor(f, 2.2, 0.5, 1.8), mains(f).withBackupH(2))
                        .build());
        link(floor + "-switch", "router", Medium.ETHERNET);
        double length = rooms.get(id(f, 0)).bounds().widthM();
        for (int a = 0; a < 4; a++) {
            String ap = floor + "-ap-" + a;
            units.put(
                    ap,
                    box(
                                    NAMES[f] + " access point " + (a + 1),
                                    UnitKind.ACCESS_POINT,
                                    corridor(f, 4.5 + a * (length - 9) / 3, 1, 2.4),
                                    overEthernet(floor + "-switch"))
                            .maxClients(30)
                            .wireless(new Wireless("lodge", null, null))
                            .radios(Map.of(
                                    "wifi",
                                    RadioDefaults.radio(Medium.WIFI_2G4, Region.EU, UnitKind.ACCESS_POINT)
                                            .withFrequencyMHz(2412 + 25 * ((a + f) % 3))))
                            .build());
            link(ap, floor + "-switch", Medium.ETHERNET);
        }
    }

    // ------------------------------------------------------------------ meshes

    private static Radio radio(Medium medium, UnitKind kind) {
        return RadioDefaults.radio(medium, Region.EU, kind)
                .withAir(AirSettings.NONE.network(NETWORKS.get(medium), null));
    }

    private static Map<String, Radio> radios(Medium medium, UnitKind kind) {
        return Map.of(RadioDefaults.id(medium), radio(medium, kind));
    }

    private void gateway(String id, String name, Medium medium, int f, double xM) {
        units.put(
                id,
                box(name, UnitKind.GATEWAY, corridor(f, xM, 1.0, 2.2), overEthernet(FLOORS[f] + "-switch"))
                        .radios(radios(medium, UnitKind.GATEWAY))
                        .build());
        link(id, FLOORS[f] + "-switch", Medium.ETHERNET);
    }

    private static Power cells() {
        return PowerBuilder.builder()
                .source(PowerSource.BATTERY)
                .backupH(0)
                .part("cell-aa")
                .build();
    }

    private static final Duty RARELY =
            new Duty(4, 600, List.of(new Pulse("report", 12, 30, Pulse.Kind.SEND)), 2.0, null, null);

    /** A device that is its own unit of a mesh. */
    private void own(String id, String name, DeviceKind kind, Medium medium, int f, Place place, boolean steady) {
        units.put(
                id,
                box(name, UnitKind.SELF_CONTAINED, place, steady ? mains(f) : cells())
                        .hub(hub(f))
                        .duty(steady ? null : RARELY)
                        .radios(radios(medium, UnitKind.SELF_CONTAINED))
                        .build());
        devices.put(
                id,
                device(name, kind, null, id)
                        .ways(new TreeSet<>(kind == DeviceKind.LEAK ? Set.of(Way.RULE, Way.MESSAGE) : Set.of(Way.RULE)))
                        .build());
    }

    /** A thermometer in every room: sixty units of one mesh with two gateways. */
    private void mesh(int f) {
        if (f < 2) {
            gateway("mesh-gateway-" + FLOORS[f], NAMES[f] + " mesh gateway", MESH, f, 19);
        }
        for (int r = 0; r < ROOMS; r++) {
            String id = id(f, r) + "-warm";
            Place place = ThornfellLodge.at(rooms, id(f, r), r == 0 ? 14 : 1.9, r == 0 ? 1.2 : 2.3, 1.3);
            own(
                    id,
                    rooms.get(id(f, r)).name() + " thermometer",
                    DeviceKind.TEMPERATURE,
                    MESH,
                    f,
                    place,
                    STEADY.contains(r));
            if (STEADY.contains(r)) {
                link(id, f < 2 ? "mesh-gateway-" + FLOORS[f] : id(1, r) + "-warm", MESH);
            } else {
                link(id, id(f, nearest(r)) + "-warm", MESH);
            }
        }
    }

    /** The room with a steady thermometer that lies nearest on the same side of the corridor. */
    private static int nearest(int r) {
        return STEADY.stream()
                .filter(s -> s != 0 && s <= ROOMS / 2 == r <= ROOMS / 2)
                .min(java.util.Comparator.comparingInt(s -> Math.abs(s - r)))
                .orElseThrow();
    }

    /** Leak probes in the bathrooms of two floors, over a mesh whose messages make five hops at most. */
    private void water() {
        gateway("water-gateway", "water mesh gateway", WATER, 0, 6);
        gateway("water-gateway-first", "first floor water mesh gateway", WATER, 1, 32);
        for (int f = 0; f < 2; f++) {
            for (double xM : List.of(16.0, 28.0)) {
                String id = "water-repeater-" + f + "-" + (int) xM;
                units.put(
                        id,
                        box(
                                        NAMES[f] + " water repeater " + (xM < 20 ? "west" : "east"),
                                        UnitKind.CONTROLLER,
                                        corridor(f, xM, 0.4, 0.4),
                                        mains(f))
                                .hub(hub(f))
                                .radios(radios(WATER, UnitKind.CONTROLLER))
                                .build());
                link(
                        id,
                        xM < 20 ? f == 0 ? "water-gateway" : "water-repeater-0-16" : "water-repeater-" + f + "-16",
                        WATER);
            }
            for (int r = 4; r < ROOMS; r += 5) {
                String id = id(f, r) + "-leak";
                Place place = ThornfellLodge.at(rooms, id(f, r), 3.0, 3.6, 0.1);
                own(id, rooms.get(id(f, r)).name() + " leak probe", DeviceKind.LEAK, WATER, f, place, false);
                link(id, "water-repeater-" + f + (r % 10 < 5 ? "-16" : "-28"), WATER);
            }
        }
    }

    // ------------------------------------------------------------------ doors and alarm

    private static DeviceBuilder device(String name, DeviceKind kind, Place place, String unit) {
        return DeviceBuilder.builder()
                .name(name)
                .kind(kind)
                .place(place)
                .criticality(kind.criticality())
                .hand(Hand.NONE)
                .rest(RestState.STAYS)
                .unit(unit);
    }

    /** A rail with backup, a board for doors on it, and a button there that is bound to the board of the corridor. */
    private void doors(int f) {
        String floor = FLOORS[f];
        rail("rail-" + floor, NAMES[f] + " rail, 12 V with battery", f, corridor(f, 0.5, 1.5, 1.8));
        String board = "doors-" + floor;
        units.put(
                board,
                box(NAMES[f] + " door board", UnitKind.CONTROLLER, corridor(f, 0.9, 1.6, 1.6), from("rail-" + floor, 2))
                        .channels(8)
                        .hub(hub(f))
                        .build());
        link(board, floor + "-switch", Medium.ETHERNET);
        link(board, id(f, 0) + "-board", Medium.RS485);
        lock("stair-lock-" + floor, NAMES[f] + " stair door lock", f, corridor(f, 0.2, 1.8, 1.0), "bolt-drop", false);
        devices.put(
                "corridor-button-" + floor,
                device(
                                NAMES[f] + " corridor button at the stairs",
                                DeviceKind.PUSH_BUTTON,
                                corridor(f, 0.6, 0.2, 1.1),
                                board)
                        .channel(3)
                        .ways(new TreeSet<>(Set.of(Way.RULE)))
                        .build());
        // taught to each other over the bus, so that the corridor is lit without the hub
        String lamp = id(f, 0) + "-d0";
        devices.computeIfPresent(lamp, (id, d) -> {
            TreeSet<String> by = new TreeSet<>(d.wallControls());
            by.add("corridor-button-" + floor);
            return d.withWallControls(by);
        });
        if (f == 0) {
            lock("front-lock", "Front door lock", f, corridor(f, 0.2, 0.6, 1.0), "strike-secure", true);
        }
    }

    /** Fail-secure on an outside door with a key and a handle inside; fail-safe, on a contact that closes, on the stairs. */
    private void lock(String id, String name, int f, Place place, String part, boolean outside) {
        ActuationSpec works = ActuationSpecBuilder.builder()
                .part(part)
                .safeguards(outside ? null : new TreeSet<>(Set.of(Safeguard.WIRED_RELEASE, Safeguard.FIRE_RELEASE)))
                .supply("rail-" + FLOORS[f])
                .drive(outside ? Drive.MOMENTARY : Drive.MAINTAINED)
                .contact(outside ? ContactRest.NORMALLY_OPEN : ContactRest.NORMALLY_CLOSED)
                .lock(new Lockwork(3.0, 1.0, true, outside))
                .build();
        devices.put(
                id,
                device(name, DeviceKind.LOCK, place, "doors-" + FLOORS[f])
                        .channel(outside ? 2 : 1)
                        .hand(Hand.MECHANICAL)
                        .rest(outside ? RestState.CLOSED : RestState.OPEN)
                        .exitRoute(true)
                        .outsideDoor(outside)
                        .ways(new TreeSet<>(Set.of(Way.RULE, Way.HOME_APP)))
                        .works(works)
                        .build());
    }

    /** An alarm panel with contacts and sirens; the fire panel's contact is wired to it, and two boards' lids in series. */
    private void alarm() {
        units.put(
                "alarm",
                box("alarm panel", UnitKind.PANEL, corridor(0, 2.8, 0.3, 1.5), mains(0).withBackupH(24))
                        .channels(8)
                        .boards(new BoardSet("panel-8", Map.of()))
                        .hub("hub")
                        .build());
        link("alarm", "ground-switch", Medium.ETHERNET);
        // messages get out past the switch
        link("alarm", "mobile-line", Medium.ETHERNET);
        units.put(
                "fire-panel",
                box("fire panel", UnitKind.PANEL, corridor(0, 3.4, 0.3, 1.5), mains(0).withBackupH(72))
                        .channels(8)
                        .hub("hub")
                        .build());
        contact("fire-panel", 8, null);
        contact("doors-ground", 7, Link.Joined.SERIES);
        contact("doors-first", 7, Link.Joined.SERIES);
        for (int f = 0; f < 2; f++) {
            for (String side : List.of("west", "east")) {
                devices.put(
                        "contact-" + FLOORS[f] + "-" + side,
                        device(
                                        NAMES[f] + " " + side + " door contact",
                                        DeviceKind.CONTACT,
                                        corridor(f, side.equals("west") ? 0.3 : 37.5, 1.0, 2.1),
                                        "alarm")
                                .control(PANEL_AND_HUB)
                                .ways(new TreeSet<>(Set.of(Way.RULE, Way.MESSAGE)))
                                .build());
            }
        }
        siren("siren-inside", "Inside siren", corridor(0, 18, 1.8, 2.3));
    }

    private void siren(String id, String name, Place place) {
        devices.put(
                id,
                device(name, DeviceKind.SIREN, place, "alarm")
                        .control(PANEL_AND_HUB)
                        .heardIn(new TreeSet<>(Set.of(id(0, 0))))
                        .ways(new TreeSet<>(Set.of(Way.RULE)))
                        .sound(new Sound(105, 1.0))
                        .works(ActuationSpecBuilder.builder()
                                .part("siren-12")
                                .load(LoadKind.ELECTRONIC)
                                .afterPower(AfterPower.OFF)
                                .build())
                        .build());
    }

    private void contact(String from, int input, Link.Joined joined) {
        links.put(
                from + "-alarm",
                LinkBuilder.builder()
                        .from(from)
                        .to("alarm")
                        .medium(Medium.CONTACT)
                        .input(input)
                        .joined(joined)
                        .build());
    }
}
