package org.skelto.core.site;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.Plans;
import org.skelto.core.plan.Clutter;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Room;

class SiteTest {
    @Test
    void aWallBetweenTwoRoomsIsOneWallOfBoth() {
        List<WallPiece> walls = SiteModel.of(Plans.sound()).walls();

        // two rooms of four sides share one: seven pieces
        assertEquals(7, walls.size());
        WallPiece shared =
                walls.stream().filter(w -> w.owners().size() == 2).findFirst().orElseThrow();
        assertEquals(4, shared.axM());
        assertEquals(
                List.of("/rooms/east/walls/3", "/rooms/west/walls/1"),
                shared.owners().stream().sorted().toList());
    }

    @Test
    void whereTwoRoomsDisagreeTheThickerWallStandsAndOnlyAsLongAsBothTouch() {
        Map<String, Room> rooms = new TreeMap<>(Plans.sound().rooms());
        rooms.put("east", Room.rectangle("ground", "East", 4, 1, 4, 4, "stone-600", Clutter.EMPTY));
        List<WallPiece> line = SiteModel.of(Plans.rooms(Plans.sound(), rooms)).walls().stream()
                .filter(w -> w.axM() == 4 && w.bxM() == 4)
                .toList();

        // brick from 0 to 1, the thicker stone from 1 to 4 where both touch, stone from 4 to 5
        assertEquals(
                List.of("brick-110", "stone-600", "stone-600"),
                line.stream().map(WallPiece::construction).toList());
        assertEquals(3, line.get(1).byM() - line.get(1).ayM(), 1e-9);
    }

    @Test
    void aRayThroughTwoFloorsCrossesTheSlabBetweenThem() {
        Plan p = Plans.sound();
        Map<String, org.skelto.core.plan.Floor> floors = new TreeMap<>(p.floors());
        floors.put("upper", new org.skelto.core.plan.Floor("house", "Upper", 2.6, 2.4, "concrete-slab"));
        Map<String, Room> rooms = new TreeMap<>(p.rooms());
        rooms.put("loft", Room.rectangle("upper", "Loft", 0, 0, 8, 4, "brick-110", Clutter.EMPTY));
        Plan two = new Plan(
                p.format(),
                p.name(),
                p.region(),
                p.mainsVoltageV(),
                p.place(),
                p.network(),
                true,
                p.buildings(),
                floors,
                rooms,
                p.spots(),
                p.circuits(),
                p.services(),
                p.units(),
                p.devices(),
                p.links(),
                null);

        List<Crossing> crossed = SiteModel.of(two).crossings(new Point(1, 1, 1), new Point(1, 2, 4));

        assertEquals(
                List.of("concrete-slab"),
                crossed.stream().map(Crossing::construction).toList());
        // the ray runs 1 m sideways and 3 m up: atan(1/3) = 18.43° from the slab's normal
        assertEquals(18.43, crossed.get(0).incidenceDeg(), 0.01);
    }

    @Test
    void readsATypedRoomInFull() throws Exception {
        Plan plan = Plans.sound();
        List<Edit> edits = RoomLine.read("meal floor 9.2x6.1 @ -2,0.5 stone-600", "ground", plan);

        Room room = (Room) edits.get(0).value();
        assertEquals("/rooms/meal-floor", edits.get(0).path());
        assertEquals(Room.rectangle("ground", "meal floor", -2, 0.5, 9.2, 6.1, "stone-600", Clutter.FURNISHED), room);
    }

    @Test
    void putsARoomWithoutCornerToTheEastOfTheOthersAndChangesARoomOfTheSameName() throws Exception {
        Plan plan = Plans.sound();
        assertEquals(
                8,
                ((Room) RoomLine.read("porch 1 x 2", "ground", plan).get(0).value())
                        .bounds()
                        .westM());

        Edit again = RoomLine.read("WEST room 5x5", "ground", plan).get(0);
        assertEquals("replace", again.op());
        assertEquals("/rooms/west", again.path());
        assertEquals("West room", ((Room) again.value()).name());
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "kitchen",
                "kitchen 4",
                "4x4",
                "kitchen 4x4 @ 1",
                "kitchen 4x4 @ 0,0 marzipan",
                "kitchen -4x4"
            })
    void saysWhatToWriteWhenALineCannotBeRead(String line) {
        var refused = assertThrows(RoomLine.UnreadableLine.class, () -> RoomLine.read(line, "ground", Plans.sound()));
        assertTrue(refused.getMessage().contains("scullery")
                || refused.getMessage().contains("brick"));
    }

    @ParameterizedTest
    @ValueSource(strings = {"kitchen 0x4", "kitchen 4x201", "kitchen 99999999999999999999x4", "kitchen 4x4 @ 0,1001"})
    void refusesASizeThatNoRoomHas(String line) {
        var refused = assertThrows(RoomLine.UnreadableLine.class, () -> RoomLine.read(line, "ground", Plans.sound()));
        assertTrue(refused.getMessage().contains("must lie between"), refused.getMessage());
    }
}
