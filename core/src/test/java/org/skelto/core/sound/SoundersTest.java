package org.skelto.core.sound;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.skelto.core.Houses;
import org.skelto.core.Plans;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceBuilder;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Sound;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Opening;
import org.skelto.core.plan.site.OpeningBuilder;
import org.skelto.core.plan.site.OpeningKind;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.RoomBuilder;
import org.skelto.core.plan.site.RoomUse;
import org.skelto.core.site.SiteModel;

class SoundersTest {
    private static Plan house(String wall, Sound sound, Set<String> heardIn, Map<String, Opening> openings) {
        Plan row = Houses.row(3);
        Map<String, Room> rooms = new TreeMap<>(row.rooms());
        Room last = rooms.get("r2");
        rooms.put(
                "r2",
                RoomBuilder.builder()
                        .floor(last.floor())
                        .name("Bedroom")
                        .corners(last.corners())
                        .walls(last.walls())
                        .use(RoomUse.SLEEPING)
                        .build());
        rooms.replaceAll((id, r) -> r.shaped(r.corners(), java.util.Collections.nCopies(4, wall)));
        Device plain = Plans.device("siren", DeviceKind.SIREN, Hand.NONE, RestState.STAYS, Set.of());
        Device siren = DeviceBuilder.builder()
                .name(plain.name())
                .kind(plain.kind())
                .place(new Place("r0", null, 2, 2, 0.8))
                .criticality(Criticality.PROTECTIVE)
                .hand(plain.hand())
                .rest(plain.rest())
                .ways(plain.ways())
                .exitRoute(false)
                .outsideDoor(false)
                .obstacleDetection(false)
                .sound(sound)
                .heardIn(new TreeSet<>(heardIn))
                .build();
        return Houses.with(row, rooms, openings).with(p -> p.units(Map.of()).devices(Map.of("siren", siren)));
    }

    private static SoundReport.RoomSound in(Plan plan, String room) {
        return Sounders.of(SiteModel.of(plan)).get("siren").rooms().stream()
                .filter(r -> r.room().equals(room))
                .findFirst()
                .orElseThrow();
    }

    /** 100 dB(A) at 3 m are 109.5 at 1 m; two inner walls and 8 m take 25 + 25 + 18.1 dB: 41.5 dB(A) are left. */
    @Test
    void takesWallsAndDistanceOffARatingAtThreeMetres() {
        Plan plan = house("board-100", new Sound(100, 3), Set.of(), Map.of());

        assertEquals(109.5, Sounders.of(SiteModel.of(plan)).get("siren").levelDb(), 0.05);
        SoundReport.RoomSound bed = in(plan, "r2");
        assertEquals(109.54 - 18.06 - 50, bed.levelDb(), 0.05);
        assertTrue(bed.asked());
        assertFalse(bed.wakes());
        assertFalse(bed.enough());
        assertTrue(in(plan, "r0").heardByDay());
    }

    /**
     * Normal speech of 60 dB(A) is 48 dB(A) after 4 m and 42 after 8 m; in a living room of 40 dB(A) an assistant wants 45, raised
     * speech has 6 dB more. An inner wall takes 25 dB.
     */
    @Test
    void anAssistantHearsItsRoomAndWhatLiesOpenBesideIt() {
        Plan closed = house("board-100", null, Set.of(), Map.of())
                .with(p -> p.units(Map.of(
                        "voice",
                        Plans.unit("voice", UnitKind.ASSISTANT, 2, Medium.WIFI_2G4)
                                .withPlace(new Place("r0", null, 2, 2, 0.8)))));
        List<Speech.HeardRoom> own = Speech.of(SiteModel.of(closed)).get("voice");
        assertEquals(List.of("r0"), own.stream().map(Speech.HeardRoom::room).toList());
        assertEquals(60, own.get(0).levelDb(), 1e-9);
        List<Speech.HeardRoom> open =
                Speech.of(SiteModel.of(closed.with(p -> p.openings(gaps())))).get("voice");
        assertEquals(
                List.of("r0", "r1", "r2"),
                open.stream().map(Speech.HeardRoom::room).toList());
        assertEquals(
                List.of(Speech.Voice.NORMAL, Speech.Voice.NORMAL, Speech.Voice.RAISED),
                open.stream().map(Speech.HeardRoom::voice).toList());
        assertEquals(60 - 18.06, open.get(2).levelDb(), 0.01);
    }

    private static Opening opening(String room, int wall, OpeningKind kind, String construction) {
        return OpeningBuilder.builder()
                .room(room)
                .wall(wall)
                .kind(kind)
                .atM(1)
                .widthM(0.9)
                .sillM(0)
                .headM(2)
                .construction(construction)
                .build();
    }

    private static Map<String, Opening> gaps() {
        Map<String, Opening> gaps = new TreeMap<>();
        for (String room : List.of("r0", "r1")) {
            gaps.put(room, opening(room, 1, OpeningKind.GAP, "open"));
        }
        return gaps;
    }

    @Test
    void masonryTakesFortyUnlessThereIsADoorOrAGap() {
        double stone = in(house("stone-450", new Sound(100, 3), Set.of(), Map.of()), "r1")
                .levelDb();
        Opening door = opening("r0", 1, OpeningKind.DOOR, "door-wood");
        double withDoor = in(house("stone-450", new Sound(100, 3), Set.of(), Map.of("d", door)), "r1")
                .levelDb();
        Opening gap = opening("r1", 3, OpeningKind.GAP, "open");
        double withGap = in(house("stone-450", new Sound(100, 3), Set.of(), Map.of("d", gap)), "r1")
                .levelDb();

        assertEquals(15, withDoor - stone, 1e-9);
        assertEquals(40, withGap - stone, 1e-9);
    }

    @Test
    void isAskedForWhereThePersonSaysSo() {
        Plan plan = house("board-100", null, Set.of("r1"), Map.of());
        assertTrue(in(plan, "r1").asked());
        assertFalse(in(plan, "r2").asked());
        assertTrue(Sounders.of(SiteModel.of(plan)).get("siren").assumed());
    }
}
