package org.skelto.core.sample;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import org.skelto.core.links.RadioDefaults;
import org.skelto.core.plan.Caution;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.PlanBuilder;
import org.skelto.core.plan.equipment.ActuationSpec;
import org.skelto.core.plan.equipment.ActuationSpecBuilder;
import org.skelto.core.plan.equipment.AfterPower;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceBuilder;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Drive;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.LoadKind;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Safeguard;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitBuilder;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.BrokerAccess;
import org.skelto.core.plan.network.Credential;
import org.skelto.core.plan.network.Direction;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.network.Network;
import org.skelto.core.plan.network.Service;
import org.skelto.core.plan.network.ServiceKind;
import org.skelto.core.plan.power.Circuit;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.site.Building;
import org.skelto.core.plan.site.Clutter;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.GeoPoint;
import org.skelto.core.plan.site.Opening;
import org.skelto.core.plan.site.OpeningBuilder;
import org.skelto.core.plan.site.OpeningKind;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.RoomBuilder;
import org.skelto.core.plan.site.RoomUse;
import org.skelto.core.plan.site.Stairwell;

/**
 * A made-up guest house, generated, as a good installer leaves it: three floors of twenty rooms along a corridor, a relay board in
 * every room, 500 devices; two hubs, two lines, roaming, a mesh of sixty units, one with limited hops, rails of 12 V with backup,
 * locks of both kinds, bound pairs, panels and wired contacts. The largest plan that Skelto must stay quick with.
 */
public final class ThornfellLodge {
    /** Rooms on each of the floors, the corridor among them. */
    static final int ROOMS = 20;

    private static final double WIDE_M = 3.8;
    private static final double DEEP_M = 4.6;
    private static final double CORRIDOR_M = 2;
    static final String[] FLOORS = {"ground", "first", "second"};
    static final String[] NAMES = {"Ground floor", "First floor", "Second floor"};
    private static final DeviceKind[] ROOM_DEVICES = {
        DeviceKind.LAMP,
        DeviceKind.LAMP,
        DeviceKind.DIMMED_LAMP,
        DeviceKind.SOCKET,
        DeviceKind.BLIND,
        DeviceKind.HEATER,
        DeviceKind.PUSH_BUTTON
    };

    private final Map<String, Floor> floors = new TreeMap<>();
    private final Map<String, Room> rooms = new TreeMap<>();
    private final Map<String, Opening> openings = new TreeMap<>();
    private final Map<String, Stairwell> stairwells = new TreeMap<>();
    private final Map<String, Circuit> circuits = new TreeMap<>();
    private final Map<String, Unit> units = new TreeMap<>();
    private final Map<String, Device> devices = new TreeMap<>();
    private final Map<String, Link> links = new TreeMap<>();

    private ThornfellLodge() {}

    /** The plan; the same every time. */
    public static Plan plan() {
        return new ThornfellLodge().build();
    }

    private Plan build() {
        for (int f = 0; f < FLOORS.length; f++) {
            floor(f);
        }
        new LodgeEquipment(rooms, units, devices, links).all();
        Map<String, Service> services = Map.of(
                "push",
                new Service("phone message service", ServiceKind.PUSH),
                "sms",
                new Service("text messages", ServiceKind.PUSH, 2.0),
                "remote",
                new Service("remote access", ServiceKind.REMOTE_ACCESS, 4.0));
        return PlanBuilder.builder()
                .format(Plan.FORMAT)
                .name("Thornfell Lodge")
                .region(Region.EU)
                .mainsVoltageV(230.0)
                .place(new GeoPoint(46.2, 8.1))
                .network(Network.of("192.168.60.0/24", "192.168.60.200", "192.168.60.239", "lodge")
                        .with(n -> n.lines(List.of("router", "mobile-line"))
                                .failover(true)
                                .access(BrokerAccess.EACH)))
                .credentials(Map.of(
                        "wireless.lodge",
                        new Credential(Credential.State.CHANGED, "2026-08-20", true, "safe in the keeper's office")))
                .cautionsRead(true)
                .cautions(Map.of(Caution.EXIT, "with the keeper, at the walk round"))
                .buildings(Map.of("lodge", new Building("Lodge", 0, 0, 0)))
                .floors(floors)
                .rooms(rooms)
                .spots(Map.of())
                .circuits(circuits)
                .services(services)
                .units(units)
                .devices(devices)
                .links(links)
                .accepted(Map.of())
                .constructions(Map.of())
                .openings(openings)
                .stairwells(stairwells)
                .fittings(Map.of())
                .cables(Map.of())
                .routes(Map.of())
                .owned(Map.of())
                .demands(Map.of())
                .build();
    }

    static String id(int floor, int room) {
        return FLOORS[floor] + "-" + room;
    }

    private void floor(int f) {
        floors.put(FLOORS[f], new Floor("lodge", NAMES[f], 2.9 * f, 2.6, f == 0 ? "concrete-slab" : "timber-floor"));
        circuits.put(
                "lights-" + f, new Circuit(NAMES[f] + " lights", null, null, null, Circuit.Phase.values()[f], null));
        if (f > 0) {
            stairwells.put("stairs-" + f, new Stairwell(FLOORS[f], 1, DEEP_M + 0.4, 2.6, 1.2));
        }
        // the corridor is room 0; rooms 1 to 10 lie south of it, 11 to 19 north
        double length = WIDE_M * (ROOMS / 2);
        room(f, 0, NAMES[f] + " corridor", RoomUse.PASSAGE, 0, DEEP_M, length, CORRIDOR_M);
        for (int r = 1; r < ROOMS; r++) {
            boolean south = r <= ROOMS / 2;
            double x = WIDE_M * (south ? r - 1 : r - ROOMS / 2 - 1);
            double wide = r == ROOMS - 1 ? 2 * WIDE_M : WIDE_M;
            RoomUse use = r % 5 == 4 ? RoomUse.WET : RoomUse.SLEEPING;
            room(
                    f,
                    r,
                    "Room " + (f + 1) + String.format("%02d", r),
                    use,
                    x,
                    south ? 0 : DEEP_M + CORRIDOR_M,
                    wide,
                    DEEP_M);
            openings.put(
                    "door-" + id(f, r),
                    OpeningBuilder.builder()
                            .room(id(f, r))
                            .wall(south ? 2 : 0)
                            .kind(OpeningKind.DOOR)
                            .atM(0.4)
                            .widthM(0.9)
                            .sillM(0)
                            .headM(2.05)
                            .construction("door-wood")
                            .build());
            openings.put(
                    "window-" + id(f, r),
                    OpeningBuilder.builder()
                            .room(id(f, r))
                            .wall(south ? 0 : 2)
                            .kind(OpeningKind.WINDOW)
                            .atM(1.2)
                            .widthM(1.4)
                            .sillM(0.9)
                            .headM(2.1)
                            .construction("glass-24")
                            .build());
        }
        for (int r = 0; r < ROOMS; r++) {
            board(f, r);
        }
    }

    private void room(int f, int r, String name, RoomUse use, double x, double y, double wide, double deep) {
        List<Corner> corners = List.of(
                new Corner(Corner.cm(x), Corner.cm(y)),
                new Corner(Corner.cm(x + wide), Corner.cm(y)),
                new Corner(Corner.cm(x + wide), Corner.cm(y + deep)),
                new Corner(Corner.cm(x), Corner.cm(y + deep)));
        List<String> walls = r == 0
                ? List.of("brick-110", "brick-220", "brick-110", "brick-220")
                : r <= ROOMS / 2
                        ? List.of("brick-220", "board-100", "brick-110", "board-100")
                        : List.of("brick-110", "board-100", "brick-220", "board-100");
        rooms.put(
                id(f, r),
                RoomBuilder.builder()
                        .floor(FLOORS[f])
                        .name(name)
                        .corners(corners)
                        .walls(walls)
                        .clutter(Clutter.FURNISHED)
                        .use(use)
                        .build());
    }

    /** A relay board with the devices of its room. */
    private void board(int f, int r) {
        String board = id(f, r) + "-board";
        Room room = rooms.get(id(f, r));
        units.put(
                board,
                UnitBuilder.builder()
                        .name(room.name() + " board")
                        .kind(UnitKind.CONTROLLER)
                        .place(at(id(f, r), 0.4, 0.4, 1.6))
                        .power(Power.mains("lights-" + f))
                        .channels(10)
                        .hub(f == 2 ? "guest-hub" : "hub")
                        .asksAgain(true)
                        .radios(Map.of("wifi", RadioDefaults.radio(Medium.WIFI_2G4, Region.EU, UnitKind.CONTROLLER)))
                        .build());
        units.computeIfPresent(
                board,
                (id, unit) -> unit.withPower(unit.power().withPart("brick-5"))
                        .withBoards(new BoardSet(
                                "broad-22",
                                Map.of(
                                        "relays", new Attached("relay-8-high", null),
                                        "dimmers", new Attached("dimmer-2", 40)))));
        double xM = room.bounds().westM() + room.bounds().widthM() / 2;
        int nearest = (int) Math.max(0, Math.min(3, Math.round((xM - 4.5) / (WIDE_M * (ROOMS / 2) - 9) * 3)));
        links.put(
                board + "-" + FLOORS[f] + "-ap-" + nearest,
                Link.of(board, FLOORS[f] + "-ap-" + nearest, Medium.WIFI_2G4, Direction.TWO_WAY, null, null));
        for (int d = 0; d < ROOM_DEVICES.length; d++) {
            DeviceKind kind = ROOM_DEVICES[d];
            boolean sensor = kind.family() == DeviceKind.Family.SENSOR;
            String id = id(f, r) + "-d" + d;
            SortedSet<Way> ways =
                    new TreeSet<>(sensor ? List.of(Way.RULE) : List.of(Way.RULE, Way.HOME_APP, Way.WALL_CONTROL));
            SortedSet<String> by = new TreeSet<>(sensor ? List.of() : List.of(id(f, r) + "-d6"));
            Place place = at(id(f, r), 0.9 + 0.35 * d, 0.6 + (d % 3) * 0.5, 1.2);
            String name = room.name() + " "
                    + kind.name().toLowerCase(java.util.Locale.ROOT).replace('_', ' ') + " " + (d + 1);
            devices.put(id, device(name, kind, place, board, d + 1, sensor ? null : "lights-" + f, ways, by));
        }
    }

    private static Device device(
            String name,
            DeviceKind kind,
            Place place,
            String board,
            int channel,
            String circuit,
            SortedSet<Way> ways,
            SortedSet<String> by) {
        Hand hand = kind.family() == DeviceKind.Family.LOAD ? Hand.SWITCH : Hand.NONE;
        Device made = DeviceBuilder.builder()
                .name(name)
                .kind(kind)
                .place(place)
                .criticality(kind.criticality())
                .hand(hand)
                .rest(RestState.STAYS)
                .unit(board)
                .channel(channel)
                .circuit(circuit)
                .ways(ways)
                .wallControls(by)
                .exitRoute(false)
                .outsideDoor(false)
                .obstacleDetection(false)
                .build();
        return kind.family() == DeviceKind.Family.LOAD ? made.withWorks(works(kind)) : made;
    }

    /** Typical loads, all off when power returns. */
    private static ActuationSpec works(DeviceKind kind) {
        boolean blind = kind == DeviceKind.BLIND;
        Double watts = switch (kind) {
            case HEATER -> 1200.0;
            case SOCKET -> 400.0;
            case BLIND -> 150.0;
            default -> 9.0;
        };
        LoadKind load = switch (kind) {
            case HEATER -> LoadKind.RESISTIVE;
            case SOCKET -> LoadKind.ELECTRONIC;
            case BLIND -> LoadKind.MOTOR;
            default -> LoadKind.LED;
        };
        return ActuationSpecBuilder.builder()
                .volts(230.0)
                .watts(watts)
                .safeguards(kind == DeviceKind.HEATER ? new TreeSet<>(Set.of(Safeguard.LIMITER)) : null)
                .load(load)
                .inrushA(kind == DeviceKind.SOCKET ? 20.0 : null)
                .travelS(blind ? 24.0 : null)
                .drive(blind ? Drive.TWO_WAY : Drive.MAINTAINED)
                .afterPower(AfterPower.OFF)
                .build();
    }

    private Place at(String room, double xM, double yM, double heightM) {
        return at(rooms, room, xM, yM, heightM);
    }

    /** So far from the south-western corner of a room. */
    static Place at(Map<String, Room> rooms, String room, double xM, double yM, double heightM) {
        Room in = rooms.get(room);
        return new Place(
                room,
                null,
                Corner.cm(in.bounds().westM() + xM),
                Corner.cm(in.bounds().southM() + yM),
                heightM);
    }
}
