package org.skelto.core.naming;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.Plans;
import org.skelto.core.naming.Renaming.NameChange;
import org.skelto.core.naming.Renaming.Part;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.sample.ThornfellLodge;

class RenamingTest {
    private static final String UNTIL = "2027-03-31";

    private static Plan named() {
        return NameAssigner.assign(Plans.sound());
    }

    private static List<NameChange> of(Renaming renaming, Part part) {
        return renaming.changes().stream().filter(c -> c.part() == part).toList();
    }

    private static Plan device(Plan plan, String id, java.util.function.UnaryOperator<Device> change) {
        Map<String, Device> devices = new TreeMap<>(plan.devices());
        devices.computeIfPresent(id, (k, d) -> change.apply(d));
        return plan.withDevices(devices);
    }

    @Test
    void aRoomTakesItsTopicsWithItAndTheyAnswerToTheOldOnesUntilADay() {
        Plan plan = named();
        Renaming renaming = Renaming.of(plan, "/rooms/east", "Garden room", UNTIL);
        assertEquals(
                Set.of("testhouse/house/garden-room/lamp", "testhouse/house/garden-room/probe"),
                of(renaming, Part.TOPIC).stream().map(NameChange::after).collect(Collectors.toSet()));
        assertEquals(
                Set.of("board"),
                of(renaming, Part.CONTROLLER).stream().map(NameChange::name).collect(Collectors.toSet()));
        assertEquals(
                Set.of("hub"),
                of(renaming, Part.LISTENER).stream().map(NameChange::name).collect(Collectors.toSet()));
        Plan then = Changed.after(plan, renaming.edits());
        assertEquals("Garden room", then.rooms().get("east").name());
        Device lamp = then.devices().get("lamp");
        assertEquals("testhouse/house/garden-room/lamp", lamp.topic());
        assertEquals(Map.of("testhouse/house/east-room/lamp", UNTIL), lamp.aliases());
        assertEquals(lamp.aliases(), Contracts.of(then).get("lamp").aliases());
    }

    @Test
    void backAgainLeavesTheOldTopicWithoutANumber() {
        Plan plan = named();
        Plan there = Changed.after(
                plan, Renaming.of(plan, "/rooms/east", "Garden room", UNTIL).edits());
        Plan back = Changed.after(
                there, Renaming.of(there, "/rooms/east", "East room", null).edits());
        assertEquals(plan, back, "without an alias left of either");
    }

    @Test
    void aTopicGivenByHandStays() {
        Plan plan = device(named(), "lamp", d -> d.withTopic("testhouse/lamps/one"));
        Renaming renaming = Renaming.of(plan, "/rooms/east", "Garden room", UNTIL);
        assertEquals(1, renaming.keptTopics());
        assertEquals(
                List.of("probe"),
                of(renaming, Part.TOPIC).stream().map(NameChange::name).toList());
    }

    @Test
    void nobodyTakesATopicThatAnotherStillAnswersTo() {
        Plan plan = named();
        Plan renamed = Changed.after(
                plan, Renaming.of(plan, "/devices/lamp", "ceiling", UNTIL).edits());
        Renaming other = Renaming.of(renamed, "/devices/probe", "lamp", UNTIL);
        assertEquals(
                "testhouse/house/east-room/lamp-2", of(other, Part.TOPIC).get(0).after());
        Plan fresh = NameAssigner.assign(device(
                Changed.after(renamed, List.of()),
                "probe",
                d -> d.with(b -> b.name("lamp").topic(null))));
        assertEquals(
                "testhouse/house/east-room/lamp-2", fresh.devices().get("probe").topic());
    }

    @Test
    void spokenNamesAreasAndRulesAreTold() {
        Plan plan = device(named(), "lamp", d -> d.withWays(new TreeSet<>(Set.of(Way.SPOKEN, Way.RULE))));
        assertEquals(
                new NameChange(Part.SPOKEN, "/devices/lamp", "lamp", "lamp", "ceiling"),
                of(Renaming.of(plan, "/devices/lamp", "ceiling", null), Part.SPOKEN)
                        .get(0));
        Renaming room = Renaming.of(plan, "/rooms/east", "Garden room", null);
        assertEquals(1, of(room, Part.SPOKEN).size());
        assertEquals(2, of(room, Part.RULE).size(), "the lamp and the probe");
        assertTrue(
                of(room, Part.PRINT).stream().anyMatch(c -> c.thing().equals("/units/board")),
                "its label says where it stands");
    }

    @Test
    void aRuleThatNamesTheThingIsToldByItsName() {
        Plan mill = Demos.mill();
        assertEquals(
                List.of("Hall lamp on arrival", "Quiet hall", "Smoke on the stairs"),
                of(Renaming.of(mill, "/devices/hall-lamp", "big lamp", null), Part.RULE).stream()
                        .map(NameChange::name)
                        .toList());
        assertEquals(
                21,
                of(Renaming.of(mill, "/units/hub", "brain", null), Part.RULE).size());
    }

    @Test
    void theRootTakesAllOfThemAndTheLodgeStaysFreeOfDoubles() {
        Plan plan = NameAssigner.assign(ThornfellLodge.plan());
        Renaming renaming = Renaming.of(plan, Renaming.ROOT, "fell", UNTIL);
        assertEquals(plan.devices().size(), of(renaming, Part.TOPIC).size() + renaming.keptTopics());
        Plan then = Changed.after(plan, renaming.edits());
        assertEquals(
                then.devices().size(),
                then.devices().values().stream().map(Device::topic).distinct().count());
        assertTrue(then.devices().values().stream().allMatch(d -> d.topic().startsWith("fell/")));
    }

    @Test
    void otherLevelsOfTopicsAreShownBeforeTheyAreTaken() {
        Plan plan = named();
        Renaming renaming = Renaming.of(plan, Renaming.LEVELS, "ROOM, KIND, DEVICE", UNTIL);
        assertEquals(
                Set.of("testhouse/east-room/lamp/lamp", "testhouse/east-room/temperature/probe"),
                of(renaming, Part.TOPIC).stream().map(NameChange::after).collect(Collectors.toSet()));
        Plan then = Changed.after(plan, renaming.edits());
        assertEquals(
                "testhouse/east-room/lamp/lamp",
                NameAssigner.topicByRule(then, then.devices().get("lamp")));
        assertEquals(
                List.of(),
                Renaming.of(plan, Renaming.LEVELS, "BUILDING,ROOM", UNTIL).edits(),
                "the device is last anyway");
        Plan back = Changed.after(
                then,
                Renaming.of(then, Renaming.LEVELS, "BUILDING,ROOM,DEVICE", null).edits());
        assertEquals(topics(plan), topics(back));
    }

    @Test
    void theMillIsRenamedThereAndBack() {
        Plan plan = NameAssigner.assign(Demos.mill());
        for (String room : plan.rooms().keySet()) {
            String was = plan.rooms().get(room).name();
            Plan there = Changed.after(
                    plan,
                    Renaming.of(plan, "/rooms/" + room, "Another place", UNTIL).edits());
            Plan back = Changed.after(
                    there, Renaming.of(there, "/rooms/" + room, was, null).edits());
            assertEquals(topics(plan), topics(back), room);
            assertFalse(topics(there).equals(topics(plan)) && hasFollowers(plan, room), room);
        }
    }

    private static boolean hasFollowers(Plan plan, String room) {
        return plan.devices().values().stream()
                .anyMatch(d -> d.place() != null
                        && room.equals(d.place().room())
                        && d.topic().equals(NameAssigner.topicByRule(plan, d)));
    }

    private static Map<String, String> topics(Plan plan) {
        Map<String, String> topics = new TreeMap<>();
        plan.devices().forEach((id, d) -> topics.put(id, d.topic()));
        return topics;
    }

    @ParameterizedTest
    @CsvSource({
        "/rooms/nowhere, Attic, , thing",
        "/rooms, Attic, , thing",
        "/links/board-ap, Attic, , thing",
        "/network/subnet, Attic, , thing",
        "/rooms/east, ' ', , name",
        "/network/topicRoot, a/#, , name",
        "/network/topicRoot, /a, , name",
        "/network/topicRoot, 'a b', , name",
        "/network/topicLevels, 'ROOM,CELLAR', , name",
        "/rooms/east, Attic, soon, until",
        "/rooms/east, Attic, 2027-02-30, until"
    })
    void whatCannotBeIsRefusedWithItsField(String thing, String to, String until, String field) {
        Renaming.Refused refused = assertThrows(Renaming.Refused.class, () -> Renaming.of(named(), thing, to, until));
        assertEquals(field, refused.field());
    }

    @Test
    void theSameNameChangesNothing() {
        assertEquals(
                List.of(),
                Renaming.of(named(), "/rooms/east", "East room", UNTIL).edits());
    }
}
