package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.skelto.core.Plans;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.calibration.Reading;
import org.skelto.core.calibration.ReadingBuilder;
import org.skelto.core.facts.Facts;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceBuilder;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Sound;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioBuilder;
import org.skelto.core.plan.radio.Wireless;
import org.skelto.core.plan.site.Constructions;
import org.skelto.core.plan.site.Exposure;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.RoomUse;
import org.skelto.core.radio.SlabTables;

/** The checks of places, coverage and meshes, each on a house that has it; the sound house has none of them. */
class HouseChecksTest {
    private static List<Snag> snags(Plan plan, Reading... readings) {
        return Assessment.of(new Facts(plan, new SlabTables(), List.of(readings), Catalogue.builtIn()), Set.of())
                .snags();
    }

    private static List<Snag> of(String code, Plan plan, Reading... readings) {
        return snags(plan, readings).stream().filter(s -> s.code().equals(code)).toList();
    }

    @Test
    void theSoundHouseHasNoneOfThem() {
        Set<String> codes = Set.of("S1", "S4", "D10", "D12", "D13", "R10", "R11", "R13", "R21", "R22", "N14");
        assertEquals(
                List.of(),
                snags(Plans.sound()).stream()
                        .filter(s -> codes.contains(s.code()))
                        .toList());
    }

    private static Plan room(String id, java.util.function.UnaryOperator<Room> change) {
        Map<String, Room> rooms = new TreeMap<>(Plans.sound().rooms());
        rooms.put(id, change.apply(rooms.get(id)));
        return Plans.rooms(Plans.sound(), rooms);
    }

    @Test
    void s1RoomWithoutAWallToTheOutside() {
        Plan open = room("east", r -> r.shaped(r.corners(), List.of("brick-110", "open", "brick-110", "brick-110")));
        Snag snag = of("S1", open).get(0);
        assertEquals("/rooms/east/walls/1", snag.fixes().get(0).edits().get(0).path());
        // an open side towards another room is a passage
        Plan passage = Plans.rooms(
                Plans.sound(),
                Map.of(
                        "west", side(Plans.sound().rooms().get("west"), 1),
                        "east", side(Plans.sound().rooms().get("east"), 3)));
        assertEquals(List.of(), of("S1", passage));
    }

    private static Room side(Room room, int wall) {
        List<String> walls = new ArrayList<>(room.walls());
        walls.set(wall, "open");
        return room.shaped(room.corners(), walls);
    }

    @Test
    void s4LinkThroughAWallThatNobodyKnows() {
        Plan unknown = room("west", r -> r.shaped(r.corners(), Collections.nCopies(4, Constructions.UNKNOWN)));
        Map<String, Room> rooms = new TreeMap<>(unknown.rooms());
        rooms.put(
                "east",
                rooms.get("east").shaped(rooms.get("east").corners(), Collections.nCopies(4, Constructions.UNKNOWN)));
        assertTrue(of("S4", Plans.rooms(unknown, rooms)).stream()
                .anyMatch(s -> s.subjects().contains("/links/board-ap")));
    }

    @Test
    void d10SirenThatNobodyHearsAtNight() {
        Plan bedroom = room("east", r -> r.withUse(RoomUse.SLEEPING));
        Device d = Plans.device("siren", DeviceKind.SIREN, Hand.NONE, RestState.STAYS, Set.of(Way.RULE));
        assertFalse(of("D10", Plans.put(bedroom, "siren", siren(d, 70))).isEmpty());
        assertTrue(of("D10", Plans.put(bedroom, "siren", siren(d, 125))).isEmpty());
    }

    private static Device siren(Device d, double levelDb) {
        return DeviceBuilder.builder()
                .name(d.name())
                .kind(d.kind())
                .place(new Place("west", null, 2, 3, 2))
                .criticality(Criticality.PROTECTIVE)
                .hand(d.hand())
                .rest(d.rest())
                .unit(d.unit())
                .channel(3)
                .circuit(d.circuit())
                .ways(d.ways())
                .exitRoute(false)
                .outsideDoor(false)
                .obstacleDetection(false)
                .sound(new Sound(levelDb, 1))
                .heardIn(new TreeSet<>())
                .build();
    }

    @Test
    void d12RoomWithoutADeviceAndD13PartInAPlaceItIsNotMadeFor() {
        Map<String, Room> rooms = new TreeMap<>(Plans.sound().rooms());
        rooms.put("den", Room.rectangle("ground", "Den", 8, 0, 3, 4, "brick-110", null));
        assertEquals(
                List.of("Den has no device"),
                of("D12", Plans.rooms(Plans.sound(), rooms)).stream()
                        .map(Snag::title)
                        .toList());

        Plan damp = room("east", r -> r.withExposure(Exposure.FREEZING));
        Unit board = damp.units().get("board");
        assertEquals(List.of(), of("D13", damp));
        assertEquals(
                1,
                of("D13", Plans.put(damp, "board", rated(board, Exposure.DAMP))).size());
        assertEquals(
                0,
                of("D13", Plans.put(damp, "board", rated(board, Exposure.FREEZING)))
                        .size());
    }

    private static Unit rated(Unit u, Exposure rating) {
        return extra(u, rating, null);
    }

    private static Unit extra(Unit u, Exposure rating, Wireless wireless) {
        return u.with(b -> b.rating(rating).wireless(wireless));
    }

    @Test
    void n14NameOfAnotherRoomOrASegmentThatCutsTheHubOff() {
        Unit ap = Plans.sound().units().get("ap");
        assertEquals(
                0,
                of("N14", Plans.put(Plans.sound(), "ap", extra(ap, null, new Wireless("house", null, null))))
                        .size());
        assertEquals(
                1,
                of("N14", Plans.put(Plans.sound(), "ap", extra(ap, null, new Wireless("East room", null, null))))
                        .size());
        List<Snag> cut =
                of("N14", Plans.put(Plans.sound(), "ap", extra(ap, null, new Wireless("house", "guests", null))));
        assertEquals(
                "/units/ap/wireless/segment",
                cut.get(0).fixes().get(0).edits().get(0).path());
    }

    @Test
    void r12TooManyClientsAreSharedOutToAnotherAccessPoint() {
        Plan two = Plans.put(Plans.sound(), "ap2", Plans.unit("ap2", UnitKind.ACCESS_POINT, 6.5, Medium.WIFI_2G4));
        Plan linked = Plans.link(two, "ap2-switch", Plans.link("ap2", "switch", Medium.ETHERNET));
        Unit ap = linked.units().get("ap");
        Plan full = linked;
        for (int i = 0; i < 3; i++) {
            full = Plans.put(full, "b" + i, Plans.unit("b" + i, UnitKind.CONTROLLER, 5 + i * 0.5, Medium.WIFI_2G4));
            full = Plans.link(full, "b" + i + "-ap", Plans.link("b" + i, "ap", Medium.WIFI_2G4));
        }
        Unit small =
                ap.with(b -> b.channels(0).maxClients(2).internetEntry(false).broker(false));
        Snag snag = of("R12", Plans.put(full, "ap", small)).get(0);
        // four clients, built for two: two go over
        assertEquals(2, snag.fixes().get(0).edits().size());
        assertTrue(snag.fixes().get(0).edits().stream().allMatch(e -> e.value().equals("ap2")));
    }

    @Test
    void r13AccessPointsOnOneChannel() {
        Plan two = Plans.put(Plans.sound(), "ap2", Plans.unit("ap2", UnitKind.ACCESS_POINT, 6.5, Medium.WIFI_2G4));
        Snag snag = of("R13", two).get(0);
        assertTrue(snag.fixes().get(0).edits().stream().allMatch(e -> e.path().endsWith("/frequencyMHz")));
    }

    @Test
    void r21ReadingsFarFromThePrediction() {
        Reading[] far = new Reading[3];
        Reading[] near = new Reading[3];
        for (int i = 0; i < 3; i++) {
            far[i] = reading(i, -75);
            near[i] = reading(i, -35);
        }
        assertEquals(1, of("R21", Plans.sound(), far).size());
        assertEquals(0, of("R21", Plans.sound(), near).size());
    }

    private static Reading reading(int i, double dbm) {
        return ReadingBuilder.builder()
                .floor("ground")
                .xM(5 + i)
                .yM(2)
                .heightM(1)
                .unit("ap")
                .medium(Medium.WIFI_2G4)
                .dbm(dbm)
                .at(Instant.ofEpochSecond(i))
                .build();
    }

    @Test
    void r22GatewayThatHearsButCannotDecode() {
        Plan p = Plans.sound();
        Radio mouth = RadioBuilder.builder()
                .medium(Medium.SUB_GHZ)
                .frequencyMHz(868.3)
                .txPowerDbm(10)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .sensitivityDbm(-105.0)
                .receives(true)
                .metalBox(false)
                .family("window frames B")
                .build();
        Radio ear = RadioBuilder.builder()
                .medium(Medium.SUB_GHZ)
                .frequencyMHz(868.3)
                .txPowerDbm(10)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .sensitivityDbm(-105.0)
                .receives(true)
                .metalBox(false)
                .decodes(new TreeSet<>(Set.of("plain frames A")))
                .build();
        Unit probe = p.units().get("probe").withRadios(Map.of("subghz", mouth));
        Unit gateway = p.units().get("gateway").withRadios(Map.of("subghz", ear));
        Plan deaf = Plans.link(
                Plans.put(Plans.put(p, "probe", probe), "gateway", gateway),
                "probe-gateway",
                Plans.link("probe", "gateway", Medium.SUB_GHZ));
        Snag snag = of("R22", deaf).get(0);
        assertEquals(
                "/units/gateway/radios/subghz/decodes",
                snag.fixes().get(0).edits().get(0).path());
        assertEquals(List.of(), of("R6", deaf));
        Unit all = p.units()
                .get("gateway")
                .withRadios(Map.of(
                        "subghz",
                        RadioBuilder.builder()
                                .medium(Medium.SUB_GHZ)
                                .frequencyMHz(868.3)
                                .txPowerDbm(10)
                                .antennaGainDbi(0)
                                .feederLossDb(0)
                                .sensitivityDbm(-105.0)
                                .receives(true)
                                .metalBox(false)
                                .build()));
        assertEquals(List.of(), of("R22", Plans.put(deaf, "gateway", all)));
    }

    @Test
    void r10AndR11AndAPlaceToWorkFrom() {
        // a chain of repeaters 2 m apart that hear their neighbours only: see MeshTest for the figures
        Radio weak = RadioBuilder.builder()
                .medium(Medium.MESH_G9959)
                .frequencyMHz(868.4)
                .txPowerDbm(-9)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .sensitivityDbm(-60.0)
                .receives(true)
                .metalBox(false)
                .build();
        Map<String, Unit> units = new TreeMap<>();
        units.put("hub", Plans.sound().units().get("hub").withPlace(new Place("r0", null, 1, 1, 1)));
        for (int i = 0; i < 7; i++) {
            UnitKind kind = i == 0 ? UnitKind.GATEWAY : UnitKind.CONTROLLER;
            units.put(
                    "u" + i,
                    Plans.with(Plans.unit("u" + i, kind, 1, Medium.MESH_G9959), weak)
                            .withPlace(new Place("r0", null, 0.5 + 2 * i, 2, 1)));
        }
        Plan chain = org.skelto.core.Houses.open(org.skelto.core.Houses.row(4))
                .with(p -> p.units(units).devices(Map.of()));
        List<Snag> hops = of("R10", chain);
        // four repeaters make five hops: the sixth is too far out
        assertEquals(1, hops.size());
        assertEquals(5, of("R11", chain).size());
    }
}
