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
import org.skelto.core.Assessment;
import org.skelto.core.Plans;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.*;

/** Each check on a plan that has it; the sound house has none of them. */
class ReviewTest {
    private static final Plan SOUND = NameAssigner.assign(Plans.sound());

    private static List<Snag> snags(Plan plan) {
        return new Assessment.Figures(plan).without(Set.of()).snags();
    }

    private static Set<String> codes(Plan plan) {
        return snags(plan).stream().map(Snag::code).collect(Collectors.toSet());
    }

    @Test
    void theSoundHouseHasOnlyOneHubToLookAt() {
        assertEquals(Set.of("H4"), codes(SOUND));
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
        Radio quiet = new Radio(Medium.WIFI_2G4, 2437, -30, 0, 0, -82.0, null, true, false);
        cases.put("R2", Plans.put(SOUND, "ap", Plans.with(SOUND.units().get("ap"), quiet)));
        Radio mute = new Radio(Medium.WIFI_2G4, 2437, 14, 0, 0, -75.0, null, false, false);
        cases.put("R2 mute", Plans.put(SOUND, "board", Plans.with(board, mute)));
        Radio loud = new Radio(Medium.WIFI_2G4, 2437, 30, 2, 0, -82.0, null, true, false);
        cases.put("R3", Plans.put(SOUND, "ap", Plans.with(SOUND.units().get("ap"), loud)));
        Radio band = new Radio(Medium.SUB_GHZ, 915, 0, 0, 0, -100.0, null, true, false);
        cases.put("R5", Plans.put(SOUND, "board", Plans.with(board, band)));
        cases.put("R6", Plans.link(SOUND, "board-ap", Plans.link("board", "gateway", Medium.WIFI_2G4)));
        Plan chirp = Plans.put(SOUND, "far", Plans.unit("far", UnitKind.GATEWAY, 2, Medium.CHIRP));
        Radio other = new Radio(Medium.CHIRP, 868.3, 10, 0, 0, null, new Chirp(12, 125, 5), true, false);
        chirp = Plans.put(chirp, "board", Plans.with(board, other));
        cases.put("R7", Plans.link(chirp, "board-ap", Plans.link("board", "far", Medium.CHIRP)));
        cases.put("R8", Plans.put(SOUND, "door", device("door", DeviceKind.CONTACT, "probe", null, null)));
        cases.put("R9", Plans.link(SOUND, "board-ap", Plans.link("board", "probe", Medium.MESH_802154)));
        Plan crowded = SOUND;
        for (int i = 0; i < 21; i++) {
            crowded = Plans.put(crowded, "c" + i, Plans.unit("c" + i, UnitKind.CONTROLLER, 6, Medium.WIFI_2G4));
            crowded = Plans.link(crowded, "c" + i, Plans.link("c" + i, "ap", Medium.WIFI_2G4));
        }
        cases.put("R12", crowded);
        cases.put(
                "R16",
                Plans.link(SOUND, "board-ap", new Link("board", "ap", Medium.WIFI_2G4, Direction.ONE_WAY, null, null)));
        Radio boxed = new Radio(Medium.WIFI_2G4, 2437, 14, 0, 0, -75.0, null, true, true);
        cases.put("R19", Plans.put(SOUND, "board", Plans.with(board, boxed)));
        cases.put("R23", Plans.head(SOUND, Region.JP, 100.0, SOUND.place(), SOUND.network(), true));
    }

    private static void names(Map<String, Plan> cases) {
        Unit board = SOUND.units().get("board");
        cases.put("N1 address", Plans.put(SOUND, "board", board.withNames("192.168.40.1", board.mac(), null)));
        cases.put(
                "N1 hardware",
                Plans.put(
                        SOUND,
                        "board",
                        board.withNames(board.ipv4(), SOUND.units().get("hub").mac(), null)));
        cases.put("N2", NameAssigner.assign(Plans.put(SOUND, "router", Plans.unit("router", UnitKind.SWITCH, 1))));
        cases.put("N3", Plans.put(SOUND, "board", board.withNames("192.168.40.200", board.mac(), null)));
        cases.put("N3 pool", network(new Network("192.168.40.0/24", "10.0.0.5", "10.0.0.9", "testhouse")));
        cases.put("N4", Plans.put(SOUND, "board", board.withNames(null, board.mac(), null)));
        cases.put("N5", Plans.put(SOUND, "board", board.withNames(board.ipv4(), "03:00:00:00:00:01", null)));
        cases.put(
                "N6",
                Plans.link(SOUND, "board-ap", Plans.link("board", "far", Medium.CHIRP))
                        .withNamed(
                                Plans.put(SOUND, "far", Plans.unit("far", UnitKind.GATEWAY, 2, Medium.CHIRP))
                                        .units(),
                                SOUND.devices()));
        Device lamp = SOUND.devices().get("lamp");
        cases.put("T1", Plans.put(SOUND, "lamp", lamp.withTopic("testhouse/+/lamp")));
        cases.put(
                "T2",
                Plans.put(
                        SOUND,
                        "lamp",
                        lamp.withTopic(SOUND.devices().get("probe").topic().toUpperCase(java.util.Locale.ROOT))));
        cases.put("T3", network(new Network("192.168.40.0/24", "192.168.40.150", "192.168.40.239", "home")));
        cases.put("T15", Plans.put(SOUND, "seven", device("7", DeviceKind.METER, "board", 3, "t/7")));
    }

    private static void outages(Map<String, Plan> cases) {
        cases.put("H3", Plans.link(SOUND, "hub-switch", Plans.link("hub", "ap", Medium.WIFI_2G4)));
        Device told = device("told", DeviceKind.LEVEL, "board", 3, "t/told", Way.RULE, Way.MESSAGE);
        cases.put("H7", Plans.put(Plans.put(SOUND, "told", told), "too", told.withTopic("t/too")));
        Device remote = device("fan", DeviceKind.FAN, "board", 3, "t/fan", Way.AWAY_APP);
        Map<String, Service> services = Map.of("remote", new Service("remote access", ServiceKind.REMOTE_ACCESS));
        Plan reachable = new Plan(
                SOUND.format(),
                "x",
                Region.EU,
                230.0,
                SOUND.place(),
                SOUND.network(),
                true,
                SOUND.buildings(),
                SOUND.floors(),
                SOUND.rooms(),
                SOUND.spots(),
                SOUND.circuits(),
                services,
                SOUND.units(),
                SOUND.devices(),
                SOUND.links(),
                null);
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
                        new Unit(
                                "box",
                                UnitKind.HUB,
                                hub.place(),
                                hub.power(),
                                0,
                                0,
                                true,
                                true,
                                null,
                                hub.radios(),
                                hub.ipv4(),
                                hub.mac(),
                                null)));
    }

    private static Plan network(Network network) {
        return Plans.head(SOUND, Region.EU, 230.0, SOUND.place(), network, true);
    }

    private static Plan barrier(
            DeviceKind kind, Hand hand, RestState rest, boolean exit, boolean outside, boolean detection) {
        return Plans.put(SOUND, "barrier", Plans.barrier(kind, hand, rest, exit, outside, detection));
    }

    private static Device on(int channel, DeviceKind kind, Hand hand) {
        return new Device(
                "thing",
                kind,
                new Place("east", null, 5, 1, 1),
                null,
                hand,
                null,
                "board",
                channel,
                "mains",
                new TreeSet<>(Set.of(Way.RULE)),
                null,
                false,
                false,
                false,
                "t/thing");
    }

    private static Device siren(Criticality criticality) {
        return new Device(
                "smoke",
                DeviceKind.SIREN,
                new Place("east", null, 5, 1, 1),
                criticality,
                null,
                null,
                "board",
                2,
                null,
                new TreeSet<>(Set.of(Way.RULE)),
                null,
                false,
                false,
                false,
                "t/smoke");
    }

    /** A leak sensor that sounds by itself, but on a controller of others. */
    private static Device vitalLeak() {
        return new Device(
                "leak",
                DeviceKind.LEAK,
                new Place("east", null, 5, 1, 1),
                Criticality.VITAL,
                null,
                null,
                "board",
                2,
                null,
                new TreeSet<>(Set.of(Way.ALONE)),
                null,
                false,
                false,
                false,
                "t/leak");
    }

    private static Device device(
            String name, DeviceKind kind, String unit, Integer channel, String topic, Way... ways) {
        return new Device(
                name,
                kind,
                unit == null ? null : new Place("east", null, 5, 1, 1),
                null,
                null,
                null,
                unit,
                channel,
                null,
                new TreeSet<>(Set.of(ways)),
                null,
                false,
                false,
                false,
                topic == null ? "t/" + name : topic);
    }

    @Test
    void anAcceptedSnagStaysInTheRecordWithItsReason() {
        String key = snags(SOUND).get(0).key();
        Plan accepted = new Plan(
                SOUND.format(),
                SOUND.name(),
                SOUND.region(),
                230.0,
                SOUND.place(),
                SOUND.network(),
                true,
                SOUND.buildings(),
                SOUND.floors(),
                SOUND.rooms(),
                SOUND.spots(),
                SOUND.circuits(),
                SOUND.services(),
                SOUND.units(),
                SOUND.devices(),
                SOUND.links(),
                Map.of(key, "a second hub comes next year"));
        Assessment after = new Assessment.Figures(accepted).without(Set.of());
        assertEquals("a second hub comes next year", after.snags().get(0).accepted());
        assertEquals(
                0,
                after.stages().stream().mapToInt(Assessment.StageSummary::snags).sum());
    }
}
