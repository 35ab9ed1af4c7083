package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.skelto.core.Plans;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.facts.Facts;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Plan;
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
import org.skelto.core.plan.network.Direction;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.network.Network;
import org.skelto.core.plan.network.OpenedPort;
import org.skelto.core.plan.network.Service;
import org.skelto.core.plan.network.ServiceKind;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioBuilder;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;

/** Each check on a plan that has it; the sound house has none of them. */
class ReviewTest {
    private static final Plan SOUND = NameAssigner.assign(Plans.sound());

    private static List<Snag> snags(Plan plan) {
        return ChecksTest.snags(new Facts(plan));
    }

    private static Set<String> codes(Plan plan) {
        return snags(plan).stream().map(Snag::code).collect(Collectors.toSet());
    }

    @Test
    void theSoundHouseHasOnlyOneHubAndItsPartsToLookAt() {
        assertEquals(Set.of("H4", "M1"), codes(SOUND));
    }

    @TestFactory
    Stream<DynamicTest> findsEachSnagWhereItIs() {
        return cases().entrySet().stream()
                .map(e -> DynamicTest.dynamicTest(e.getKey(), () -> {
                    String code = e.getKey().split(" ")[0];
                    List<Snag> found = snags(e.getValue()).stream()
                            .filter(s -> s.code().equals(code))
                            .toList();
                    assertFalse(found.isEmpty(), "not found: " + codes(e.getValue()));
                    assertTrue(found.stream()
                            .allMatch(s ->
                                    !s.title().isBlank() && !s.consequence().isBlank()));
                    assertFalse(codes(SOUND).contains(code));
                }));
    }

    private static Map<String, Plan> cases() {
        Map<String, Plan> cases = new TreeMap<>();
        site(cases);
        devices(cases);
        radio(cases);
        names(cases);
        outages(cases);
        return cases;
    }

    private static void site(Map<String, Plan> cases) {
        Map<String, Room> rooms = new TreeMap<>(SOUND.rooms());
        rooms.put("cupboard", Room.rectangle("ground", "Cupboard", 3, 1, 2, 1, null, null));
        cases.put("S1", Plans.rooms(SOUND, rooms));
        cases.put("S2", Plans.head(SOUND, Region.EU, 230.0, null, SOUND.network(), true));
        cases.put("S3", Plans.head(SOUND, Region.EU, null, SOUND.place(), SOUND.network(), true));
        cases.put("S5", Plans.put(SOUND, "router", Plans.unit("router", UnitKind.SWITCH, 1)));
    }

    private static void devices(Map<String, Plan> cases) {
        cases.put("D1", Plans.head(SOUND, Region.EU, 230.0, SOUND.place(), SOUND.network(), false));
        cases.put("D2", barrier(DeviceKind.LOCK, Hand.NONE, RestState.CLOSED, true, false, true));
        cases.put("D3", barrier(DeviceKind.LOCK, Hand.MECHANICAL, RestState.OPEN, false, true, true));
        cases.put("D4", barrier(DeviceKind.LOCK, Hand.NONE, RestState.CLOSED, false, true, true));
        cases.put("D7", barrier(DeviceKind.GATE, Hand.MECHANICAL, RestState.STAYS, false, true, false));
        cases.put("D8", Plans.put(SOUND, "smoke", siren(Criticality.VITAL)));
        cases.put("D8 sensor", Plans.put(SOUND, "smoke", vitalLeak()));
        cases.put("D9", Plans.put(SOUND, "pump", on(2, DeviceKind.PUMP, Hand.NONE)));
        cases.put("D12", Plans.put(SOUND, "lost", device("lost", DeviceKind.FAN, null, null, null)));
        cases.put("C1 unattached", Plans.put(SOUND, "lost", device("lost", DeviceKind.FAN, null, null, null)));
        cases.put("C1 same channel", Plans.put(SOUND, "fan", on(1, DeviceKind.FAN, Hand.SWITCH)));
        cases.put("C1 no such channel", Plans.put(SOUND, "fan", on(9, DeviceKind.FAN, Hand.SWITCH)));
    }

    private static void radio(Map<String, Plan> cases) {
        Unit board = SOUND.units().get("board");
        Plan far = Plans.put(SOUND, "board", Plans.with(board, new Place(null, "shed", 900, 0, 1)));
        cases.put("R1", far);
        cases.put("R1 unlinked", Plans.links(SOUND, m -> {
            m.remove("board-ap");
            return m;
        }));
        // the access point whispers, so that only the board is heard
        Radio quiet = RadioBuilder.builder()
                .medium(Medium.WIFI_2G4)
                .frequencyMHz(2437)
                .txPowerDbm(-30)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .sensitivityDbm(-82.0)
                .receives(true)
                .metalBox(false)
                .build();
        cases.put("R2", Plans.put(SOUND, "ap", Plans.with(SOUND.units().get("ap"), quiet)));
        Radio mute = RadioBuilder.builder()
                .medium(Medium.WIFI_2G4)
                .frequencyMHz(2437)
                .txPowerDbm(14)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .sensitivityDbm(-75.0)
                .receives(false)
                .metalBox(false)
                .build();
        cases.put("R2 mute", Plans.put(SOUND, "board", Plans.with(board, mute)));
        Radio loud = RadioBuilder.builder()
                .medium(Medium.WIFI_2G4)
                .frequencyMHz(2437)
                .txPowerDbm(30)
                .antennaGainDbi(2)
                .feederLossDb(0)
                .sensitivityDbm(-82.0)
                .receives(true)
                .metalBox(false)
                .build();
        cases.put("R3", Plans.put(SOUND, "ap", Plans.with(SOUND.units().get("ap"), loud)));
        Radio band = RadioBuilder.builder()
                .medium(Medium.SUB_GHZ)
                .frequencyMHz(915)
                .txPowerDbm(0)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .sensitivityDbm(-100.0)
                .receives(true)
                .metalBox(false)
                .build();
        cases.put("R5", Plans.put(SOUND, "board", Plans.with(board, band)));
        cases.put("R6", Plans.link(SOUND, "board-ap", Plans.link("board", "gateway", Medium.WIFI_2G4)));
        Plan chirp = Plans.put(SOUND, "far", Plans.unit("far", UnitKind.GATEWAY, 2, Medium.CHIRP));
        Radio other = RadioBuilder.builder()
                .medium(Medium.CHIRP)
                .frequencyMHz(868.3)
                .txPowerDbm(10)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .chirp(new Chirp(12, 125, 5))
                .receives(true)
                .metalBox(false)
                .build();
        chirp = Plans.put(chirp, "board", Plans.with(board, other));
        cases.put("R7", Plans.link(chirp, "board-ap", Plans.link("board", "far", Medium.CHIRP)));
        cases.put("R8", Plans.put(SOUND, "door", device("door", DeviceKind.CONTACT, "probe", null, "t/1", Way.RULE)));
        cases.put("R9", Plans.link(SOUND, "board-ap", Plans.link("board", "probe", Medium.MESH_802154)));
        Plan crowded = SOUND;
        for (int i = 0; i < 21; i++) {
            crowded = Plans.put(crowded, "c" + i, Plans.unit("c" + i, UnitKind.CONTROLLER, 6, Medium.WIFI_2G4));
            crowded = Plans.link(crowded, "c" + i, Plans.link("c" + i, "ap", Medium.WIFI_2G4));
        }
        cases.put("R12", crowded);
        cases.put(
                "R16",
                Plans.link(SOUND, "board-ap", Link.of("board", "ap", Medium.WIFI_2G4, Direction.ONE_WAY, null, null)));
        Radio boxed = RadioBuilder.builder()
                .medium(Medium.WIFI_2G4)
                .frequencyMHz(2437)
                .txPowerDbm(14)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .sensitivityDbm(-75.0)
                .receives(true)
                .metalBox(true)
                .build();
        cases.put("R19", Plans.put(SOUND, "board", Plans.with(board, boxed)));
        cases.put("R23", Plans.head(SOUND, Region.JP, 100.0, SOUND.place(), SOUND.network(), true));
    }

    private static void names(Map<String, Plan> cases) {
        Unit board = SOUND.units().get("board");
        cases.put(
                "N1 address",
                Plans.put(
                        SOUND,
                        "board",
                        board.with(u -> u.ipv4("192.168.40.1").mac(board.mac()).nodeId(null))));
        cases.put(
                "N1 hardware",
                Plans.put(
                        SOUND,
                        "board",
                        board.with(u -> u.ipv4(board.ipv4())
                                .mac(SOUND.units().get("hub").mac())
                                .nodeId(null))));
        cases.put("N2", NameAssigner.assign(Plans.put(SOUND, "router", Plans.unit("router", UnitKind.SWITCH, 1))));
        cases.put(
                "N3",
                Plans.put(
                        SOUND,
                        "board",
                        board.with(
                                u -> u.ipv4("192.168.40.200").mac(board.mac()).nodeId(null))));
        cases.put("N3 pool", network(Network.of("192.168.40.0/24", "10.0.0.5", "10.0.0.9", "testhouse")));
        cases.put(
                "N4",
                Plans.put(
                        SOUND,
                        "board",
                        board.with(u -> u.ipv4(null).mac(board.mac()).nodeId(null))));
        cases.put(
                "N5",
                Plans.put(
                        SOUND,
                        "board",
                        board.with(u ->
                                u.ipv4(board.ipv4()).mac("03:00:00:00:00:01").nodeId(null))));
        cases.put(
                "N6",
                Plans.link(SOUND, "board-ap", Plans.link("board", "far", Medium.CHIRP))
                        .with(p -> p.units(Plans.put(SOUND, "far", Plans.unit("far", UnitKind.GATEWAY, 2, Medium.CHIRP))
                                        .units())
                                .devices(SOUND.devices())));
        cases.put("N10", network(SOUND.network().withOpened(Map.of("page", new OpenedPort("hub", 443, null)))));
        Device lamp = SOUND.devices().get("lamp");
        cases.put("T1", Plans.put(SOUND, "lamp", lamp.withTopic("testhouse/+/lamp")));
        cases.put(
                "T2",
                Plans.put(
                        SOUND,
                        "lamp",
                        lamp.withTopic(SOUND.devices().get("probe").topic().toUpperCase(java.util.Locale.ROOT))));
        cases.put("T3", network(Network.of("192.168.40.0/24", "192.168.40.150", "192.168.40.239", "home")));
        cases.put("T15", Plans.put(SOUND, "seven", device("7", DeviceKind.METER, "board", 3, "t/7")));
    }

    private static void outages(Map<String, Plan> cases) {
        cases.put("H3", Plans.link(SOUND, "hub-switch", Plans.link("hub", "ap", Medium.WIFI_2G4)));
        cases.put(
                "H3 circuit",
                Plans.put(SOUND, "pump", on(2, DeviceKind.PUMP, Hand.NONE).withCriticality(Criticality.PROTECTIVE)));
        Unit board = SOUND.units().get("board");
        cases.put("O7 not said", Plans.put(SOUND, "board", board.withAsksAgain(null)));
        cases.put("O7 deaf", Plans.put(SOUND, "board", board.withAsksAgain(false)));
        Device told = device("told", DeviceKind.LEVEL, "board", 3, "t/told", Way.RULE, Way.MESSAGE);
        cases.put("H7", Plans.put(Plans.put(SOUND, "told", told), "too", told.withTopic("t/too")));
        Device remote = device("fan", DeviceKind.FAN, "board", 3, "t/fan", Way.AWAY_APP);
        Map<String, Service> services = Map.of("remote", new Service("remote access", ServiceKind.REMOTE_ACCESS));
        Plan reachable = SOUND.with(b -> b.name("x")
                .region(Region.EU)
                .mainsVoltageV(230.0)
                .cautionsRead(true)
                .services(services));
        cases.put("O1", Plans.put(reachable, "fan", remote));
        cases.put("O2", Plans.put(SOUND, "fan", device("fan", DeviceKind.FAN, "board", 3, "t/fan", Way.RULE)));
        cases.put("O3", barrier(DeviceKind.GATE, Hand.NONE, RestState.STAYS, false, true, true));
        Device door = device("door", DeviceKind.CONTACT, "probe", null, "t/1", Way.RULE);
        cases.put("O4", Plans.put(Plans.put(SOUND, "door", door), "gate", door.withTopic("t/2")));
        Unit hub = SOUND.units().get("hub");
        cases.put(
                "O8",
                Plans.put(
                        SOUND,
                        "hub",
                        UnitBuilder.builder()
                                .name("box")
                                .kind(UnitKind.HUB)
                                .place(hub.place())
                                .power(hub.power())
                                .channels(0)
                                .maxClients(0)
                                .internetEntry(true)
                                .broker(true)
                                .radios(hub.radios())
                                .ipv4(hub.ipv4())
                                .mac(hub.mac())
                                .build()));
    }

    private static Plan network(Network network) {
        return Plans.head(SOUND, Region.EU, 230.0, SOUND.place(), network, true);
    }

    private static Plan barrier(
            DeviceKind kind, Hand hand, RestState rest, boolean exit, boolean outside, boolean detection) {
        return Plans.put(SOUND, "barrier", Plans.barrier(kind, hand, rest, exit, outside, detection));
    }

    private static Device on(int channel, DeviceKind kind, Hand hand) {
        return DeviceBuilder.builder()
                .name("thing")
                .kind(kind)
                .place(new Place("east", null, 5, 1, 1))
                .hand(hand)
                .unit("board")
                .channel(channel)
                .circuit("mains")
                .ways(new TreeSet<>(Set.of(Way.RULE)))
                .exitRoute(false)
                .outsideDoor(false)
                .obstacleDetection(false)
                .topic("t/thing")
                .build();
    }

    private static Device siren(Criticality criticality) {
        return DeviceBuilder.builder()
                .name("smoke")
                .kind(DeviceKind.SIREN)
                .place(new Place("east", null, 5, 1, 1))
                .criticality(criticality)
                .unit("board")
                .channel(2)
                .ways(new TreeSet<>(Set.of(Way.RULE)))
                .exitRoute(false)
                .outsideDoor(false)
                .obstacleDetection(false)
                .topic("t/smoke")
                .build();
    }

    /** A leak sensor that sounds by itself, but on a controller of others. */
    private static Device vitalLeak() {
        return DeviceBuilder.builder()
                .name("leak")
                .kind(DeviceKind.LEAK)
                .place(new Place("east", null, 5, 1, 1))
                .criticality(Criticality.VITAL)
                .unit("board")
                .channel(2)
                .ways(new TreeSet<>(Set.of(Way.ALONE)))
                .exitRoute(false)
                .outsideDoor(false)
                .obstacleDetection(false)
                .topic("t/leak")
                .build();
    }

    private static Device device(
            String name, DeviceKind kind, String unit, Integer channel, String topic, Way... ways) {
        return DeviceBuilder.builder()
                .name(name)
                .kind(kind)
                .place(unit == null ? null : new Place("east", null, 5, 1, 1))
                .unit(unit)
                .channel(channel)
                .ways(new TreeSet<>(Set.of(ways)))
                .exitRoute(false)
                .outsideDoor(false)
                .obstacleDetection(false)
                .topic(topic == null ? "t/" + name : topic)
                .build();
    }

    @Test
    void anAcceptedSnagStaysInTheRecordWithItsReason() {
        String key = snags(SOUND).get(0).key();
        Plan accepted = SOUND.with(
                b -> b.mainsVoltageV(230.0).cautionsRead(true).accepted(Map.of(key, "a second hub comes next year")));
        Assessment after = Assessment.of(new Facts(accepted), Set.of());
        assertEquals("a second hub comes next year", after.snags().get(0).accepted());
        // one that is accepted is counted no more
        assertEquals(
                snags(SOUND).size() - 1,
                after.stages().stream().mapToInt(Assessment.StageSummary::snags).sum());
    }
}
