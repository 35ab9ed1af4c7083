package org.skelto.core.plan;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.Demos;
import org.skelto.core.Plans;
import org.skelto.core.RandomEdits;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.RoomBuilder;
import org.skelto.core.plan.validation.PlanValidator;
import org.skelto.core.plan.validation.Problem;

class PlanValidatorTest {
    private static List<String> places(Plan plan) {
        return PlanValidator.problems(plan).stream().map(Problem::pointer).toList();
    }

    private static Plan with(Room room) {
        return Plans.rooms(
                Plans.sound(),
                Map.of("west", room, "east", Plans.sound().rooms().get("east")));
    }

    @Test
    void aSoundPlanHasNoProblem() {
        assertEquals(List.of(), places(Plans.sound()));
    }

    /** Corners as x,y pairs; what is wrong is told at its place. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0 0 NaN 0 4 4                  | /rooms/west/corners/1/xM",
                "0 0 4 0 4 Infinity             | /rooms/west/corners/2/yM",
                "0 0 1e9 0 4 4                  | /rooms/west/corners/1/xM",
                "0 0 4 0                        | /rooms/west/corners",
                "0 0 4 0 4 0 4 4                | /rooms/west/corners/1",
                "0 0 4 4 4 0 0 4                | /rooms/west/corners",
                "0 0 4 0 4 4 2 -1               | /rooms/west/corners",
                "0 0 4 0 4 4 4 2 4 4.5 0 4      | /rooms/west/corners",
                "0 0 0.2 0 0.2 4                | /rooms/west/corners",
                "0 0 300 0 300 4 0 4            | /rooms/west/corners"
            })
    void refusesOutlinesThatNoRoomHas(String outline, String place) {
        assertEquals(
                List.of(place),
                places(with(outlined(outline))).stream().limit(1).toList());
    }

    @ParameterizedTest
    @ValueSource(strings = {"0 0 4 0 4 4 0 4", "0 4 4 4 4 0 0 0", "0 0 6 0 6 2 3 2 3 5 0 5", "0 0 4 0 2 3"})
    void takesRoomsOfAnySimpleOutlineEitherWayRound(String outline) {
        assertEquals(List.of(), places(with(outlined(outline))));
    }

    private static Room outlined(String outline) {
        String[] numbers = outline.strip().split(" +");
        List<Corner> corners = new ArrayList<>();
        for (int i = 0; i < numbers.length; i += 2) {
            corners.add(new Corner(Double.parseDouble(numbers[i]), Double.parseDouble(numbers[i + 1])));
        }
        return RoomBuilder.builder()
                .floor("ground")
                .name("West")
                .corners(corners)
                .build();
    }

    @Test
    void takesOddNamesThatPeopleGive() {
        for (String name : List.of("<b>bold</b>", "Küche 🫖", "غرفة", "x".repeat(120))) {
            assertEquals(List.of(), places(with(Room.rectangle("ground", name, 0, 0, 4, 4, null, null))), name);
        }
        assertEquals(List.of("/rooms/west/name"), places(with(Room.rectangle("ground", " ", 0, 0, 4, 4, null, null))));
        assertEquals(
                List.of("/rooms/west/name"),
                places(with(Room.rectangle("ground", "x".repeat(121), 0, 0, 4, 4, null, null))));
    }

    @Test
    void refusesTenThousandRoomsWithOneProblem() {
        Map<String, Room> rooms = new HashMap<>();
        for (int i = 0; i < 10_000; i++) {
            rooms.put("r" + i, Room.rectangle("ground", "R", 0, 0, 4, 4, null, null));
        }
        assertEquals(List.of("/rooms"), places(Plans.rooms(Plans.sound(), rooms)));
    }

    @Test
    void refusesUnknownIdsAndStoresWhatAHouseCanBeIn() {
        Plan plan = Plans.link(Plans.sound(), "x", Plans.link("board", "nowhere", Medium.WIFI_2G4));
        assertEquals(List.of("/links/x/to"), places(plan));
        Plan loop = Plans.put(
                Plans.sound(),
                "ap",
                Plans.with(Plans.sound().units().get("ap"), Power.of(PowerSource.ETHERNET, null, "ap", 0)));
        assertEquals(List.of(), places(loop));
    }

    @Test
    void anotherVersionIsNamed() {
        Plan p = Plans.sound();
        Plan other = p.with(b -> b.format("skelto-plan/9").cautionsRead(true));
        assertEquals("/format", places(other).get(0));
    }

    /** What is the very same in a well-formed plan need not be looked at again: the answer is that of a look at everything. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void afterAnEditOnlyWhatItTouchedIsLookedAtAndTheAnswerIsTheSame(long seed) {
        RandomEdits random = new RandomEdits(seed);
        Plan plan = Demos.mill();
        int wrong = 0;
        for (int i = 0; i < 150; i++) {
            Plan changed = spoilt(random.any(plan), i);
            List<Problem> whole = PlanValidator.problems(changed);
            assertEquals(whole, PlanValidator.problems(changed, plan), "edit " + i);
            wrong += whole.isEmpty() ? 0 : 1;
            plan = whole.isEmpty() ? changed : plan;
        }
        assertTrue(wrong > 20 && wrong < 140, wrong + " of them are wrong");
    }

    /** Every third plan loses something that others name, or gets a value out of bounds. */
    private static Plan spoilt(Plan plan, int i) {
        Map<String, Room> rooms = new HashMap<>(plan.rooms());
        Map<String, Unit> units = new HashMap<>(plan.units());
        String room = rooms.keySet().stream().sorted().toList().get(i % rooms.size());
        String unit = units.keySet().stream().sorted().toList().get(i % units.size());
        switch (i % 6) {
            case 0 -> rooms.remove(room);
            case 1 -> units.remove(unit);
            case 2 -> units.computeIfPresent(unit, (id, u) -> u.withChannels(65));
            default -> {
                return plan;
            }
        }
        return plan.withRooms(rooms).withUnits(units);
    }
}
