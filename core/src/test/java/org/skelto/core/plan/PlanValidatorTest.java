package org.skelto.core.plan;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Plans;
import org.skelto.core.site.Constructions;

class PlanValidatorTest {
    private static List<String> places(Plan plan) {
        return PlanValidator.problems(plan, Constructions.all().keySet()).stream()
                .map(Problem::pointer)
                .toList();
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

    @ParameterizedTest
    @CsvSource({"NaN", "Infinity", "-Infinity", "-4", "0", "1e9"})
    void refusesAbsurdSizesByPlace(double width) {
        assertEquals(
                List.of("/rooms/west/widthM"), places(with(new Room("ground", "West", 0, 0, width, 4, null, null))));
    }

    @Test
    void takesOddNamesThatPeopleGive() {
        for (String name : List.of("<b>bold</b>", "Küche 🫖", "غرفة", "x".repeat(120))) {
            assertEquals(List.of(), places(with(new Room("ground", name, 0, 0, 4, 4, null, null))), name);
        }
        assertEquals(List.of("/rooms/west/name"), places(with(new Room("ground", " ", 0, 0, 4, 4, null, null))));
        assertEquals(
                List.of("/rooms/west/name"), places(with(new Room("ground", "x".repeat(121), 0, 0, 4, 4, null, null))));
    }

    @Test
    void refusesTenThousandRoomsWithOneProblem() {
        Map<String, Room> rooms = new HashMap<>();
        for (int i = 0; i < 10_000; i++) {
            rooms.put("r" + i, new Room("ground", "R", 0, 0, 4, 4, null, null));
        }
        assertEquals(List.of("/rooms"), places(Plans.rooms(Plans.sound(), rooms)));
    }

    @Test
    void refusesUnknownIdsAndLoopsOfPower() {
        Plan plan = Plans.link(Plans.sound(), "x", Plans.link("board", "nowhere", Medium.WIFI_2G4));
        assertEquals(List.of("/links/x/to"), places(plan));
        Plan loop = Plans.put(
                Plans.sound(),
                "ap",
                Plans.with(Plans.sound().units().get("ap"), new Power(PowerSource.ETHERNET, null, "ap", 0)));
        assertTrue(places(loop).contains("/units/ap/power/from"));
    }

    @Test
    void anotherVersionIsNamed() {
        Plan p = Plans.sound();
        Plan other = new Plan(
                "skelto-plan/9",
                p.name(),
                p.region(),
                null,
                null,
                p.network(),
                true,
                p.buildings(),
                p.floors(),
                p.rooms(),
                null,
                p.circuits(),
                null,
                null,
                null,
                null,
                null);
        assertEquals("/format", places(other).get(0));
    }
}
