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
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.site.Clutter;
import org.skelto.core.plan.site.Room;

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
        Map<String, org.skelto.core.plan.site.Floor> floors = new TreeMap<>(p.floors());
        floors.put("upper", new org.skelto.core.plan.site.Floor("house", "Upper", 2.6, 2.4, "concrete-slab"));
        Map<String, Room> rooms = new TreeMap<>(p.rooms());
        rooms.put("loft", Room.rectangle("upper", "Loft", 0, 0, 8, 4, "brick-110", Clutter.EMPTY));
        Plan two = p.with(b -> b.cautionsRead(true).floors(floors).rooms(rooms));

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

    @Test
    void aDoorInASharedWallIsADoorForBothRoomsAndTheWallGoesOnAboveIt() {
        org.skelto.core.plan.site.Opening door = org.skelto.core.plan.site.OpeningBuilder.builder()
                .room("r1")
                .wall(3)
                .kind(org.skelto.core.plan.site.OpeningKind.DOOR)
                .atM(1)
                .widthM(1)
                .sillM(0)
                .headM(2)
                .construction("door-wood")
                .build();
        Plan plan = org.skelto.core.Houses.with(
                org.skelto.core.Houses.row(2), org.skelto.core.Houses.row(2).rooms(), Map.of("d", door));
        SiteModel site = SiteModel.of(plan);

        // r1's west wall runs from north (4,4) to south (4,0): the door is from y = 3 down to y = 2
        assertEquals(List.of("door-wood"), through(site, 2.5, 1));
        assertEquals(List.of("brick-110"), through(site, 2.5, 2.2));
        assertEquals(List.of("brick-110"), through(site, 1.5, 1));
        // the joint between wall and door belongs to one of them, never to both or none
        assertEquals(1, through(site, 2, 1).size());
        assertEquals(1, through(site, 3, 1).size());
    }

    private static List<String> through(SiteModel site, double y, double z) {
        return site.crossings(new Point(3, y, z), new Point(5, y, z)).stream()
                .map(Crossing::construction)
                .toList();
    }

    @Test
    void nothingIsInTheWayUpAStairwell() {
        Plan plan = org.skelto.core.Houses.random(new java.util.Random(1));
        SiteModel site = SiteModel.of(plan);
        // the stairwell of the upper floor is 1..3.3 by 1.2..2.1
        assertEquals(
                List.of(),
                site.crossings(new Point(2, 1.6, 1), new Point(2, 1.6, 4)).stream()
                        .map(Crossing::construction)
                        .filter("timber-floor"::equals)
                        .toList());
        assertTrue(site.crossings(new Point(0.5, 1.6, 1), new Point(0.5, 1.6, 4)).stream()
                .anyMatch(c -> c.construction().equals("timber-floor")));
    }

    @Test
    void aListOfRoomsBecomesAPackedLayoutWithoutOverlaps() throws Exception {
        Plan plan = Plan.fresh("List", org.skelto.core.plan.radio.Region.EU, 230.0, null);
        List<Edit> edits = RoomList.read("""
                Room\tWidth\tDepth
                Kitchen\t4,2 m\t3,6 m
                Hall\t2.4\t5
                bath 2x3 brick
                Kitchen\t3\t3

                study 3x3 @ 20,0
                """, "ground", plan);

        assertEquals(
                List.of("/rooms/kitchen", "/rooms/hall", "/rooms/bath", "/rooms/kitchen-2", "/rooms/study"),
                edits.stream().map(Edit::path).toList());
        List<Room> rooms = edits.stream().map(e -> (Room) e.value()).toList();
        for (int i = 0; i < rooms.size(); i++) {
            for (int j = 0; j < i; j++) {
                assertEquals(0, Overlap.areaM2(rooms.get(i), rooms.get(j), 0.01));
            }
        }
        assertEquals(4.2, rooms.get(0).bounds().widthM(), 1e-9);
        assertEquals(20, rooms.get(4).bounds().westM());
        var refused =
                assertThrows(RoomList.UnreadableList.class, () -> RoomList.read("hall 2x2\nwhat", "ground", plan));
        assertEquals(2, refused.line());
    }

    @Test
    void aCutShowsTheWallsSlabsAndUnitsOnItsLine() {
        SiteModel site = SiteModel.of(Plans.sound());
        Section cut = Section.of(site, 0.5, 2, 7.5, 2);

        // one metre before and beyond is shown: walls at x = 0, 4 and 8 lie 0.5, 4.5 and 8.5 m along the line
        assertEquals(
                List.of(0.5, 4.5, 8.5),
                cut.walls().stream().map(Section.CutWall::atM).toList());
        assertEquals(1, cut.slabs().size());
        assertEquals(8, cut.slabs().get(0).toM() - cut.slabs().get(0).fromM(), 1e-6);
        assertEquals(7, cut.units().size());
    }

    @Test
    void degreesAndMetresAgreeBothWays() {
        var origin = new org.skelto.core.plan.site.GeoPoint(52, -3);
        // one minute of latitude is 1853.25 m on a sphere of 6371 km
        assertEquals(1853.25, Earth.metres(origin, new org.skelto.core.plan.site.GeoPoint(52 + 1 / 60.0, -3))[1], 0.01);
        var there = Earth.degrees(origin, 812.5, -340);
        assertEquals(812.5, Earth.metres(origin, there)[0], 1e-6);
        assertEquals(-340, Earth.metres(origin, there)[1], 1e-6);
    }
}
