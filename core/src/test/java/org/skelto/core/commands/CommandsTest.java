package org.skelto.core.commands;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.Tried;
import org.skelto.core.facts.Facts;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.site.Opening;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.validation.PlanValidator;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.snags.Checks;
import org.skelto.core.snags.Severity;

/** Each command on every demo: what comes out is a well-formed plan, and what was not asked for is as it was. */
class CommandsTest {
    private static final List<Plan> DEMOS = List.of(
            NameAssigner.assign(Demos.mill()),
            NameAssigner.assign(Demos.flat()),
            NameAssigner.assign(ThornfellLodge.plan()));

    /** Those on which every kind of thing is tried: each is judged anew for each. */
    private static final List<Plan> SMALL = DEMOS.subList(0, 2);

    /** The plan after a command, with names given as the server gives them. */
    private static Plan after(Plan plan, Command command) {
        return NameAssigner.assign(Changed.after(plan, command.on(plan).edits()));
    }

    private static <V> Map<String, V> others(Map<String, V> now, Map<String, V> before) {
        Map<String, V> added = new TreeMap<>(now);
        added.keySet().removeAll(before.keySet());
        return added;
    }

    private static <V> void untouched(Map<String, V> before, Map<String, V> now) {
        before.forEach((id, value) -> assertEquals(value, now.get(id), id));
    }

    private static long worst(Plan plan) {
        return Checks.snags(new Facts(plan)).stream()
                .filter(s -> s.severity() == Severity.STOP && s.code().matches("N\\d+|T\\d+|C9|B1"))
                .count();
    }

    @ParameterizedTest
    @EnumSource(DeviceKind.class)
    void aDeviceOfEveryKindIsAddedWithTheDefaultsOfItsKind(DeviceKind kind) {
        for (Plan plan : SMALL) {
            String room = plan.rooms().keySet().iterator().next();
            Plan now = after(plan, new AddDevice(kind, room));
            untouched(plan.devices(), now.devices());
            Device added =
                    others(now.devices(), plan.devices()).values().iterator().next();
            assertEquals(kind, added.kind());
            assertEquals(kind.criticality(), added.criticality());
            assertTrue(plan.rooms()
                    .get(room)
                    .contains(added.place().xM(), added.place().yM()));
            assertEquals(kind.mains(), added.circuit() != null);
        }
    }

    @ParameterizedTest
    @EnumSource(UnitKind.class)
    void aUnitOfEveryKindIsAddedAndServedByTheHub(UnitKind kind) {
        for (Plan plan : SMALL) {
            Plan now = after(plan, new AddUnit(kind, null));
            untouched(plan.units(), now.units());
            Unit added = others(now.units(), plan.units()).values().iterator().next();
            assertEquals(kind, added.kind());
            assertEquals(kind.carries() || kind == UnitKind.CAMERA, added.hub() != null);
            assertNull(added.place());
            Medium comesWith = switch (kind) {
                case ACCESS_POINT, WALL_TABLET, ASSISTANT, CAMERA, INFRARED_SENDER -> Medium.WIFI_2G4;
                case KEYPAD, HANDSET -> Medium.SUB_GHZ;
                default -> null;
            };
            assertEquals(comesWith == null ? List.of() : List.of(comesWith), added.media());
        }
    }

    @Test
    void aDeviceWithARadioOfItsOwnIsOneThingWithItsUnit() {
        Plan plan = DEMOS.get(0);
        String room = plan.rooms().keySet().iterator().next();
        Plan now = after(plan, new AddDevice(DeviceKind.LEAK, room, null, "sink leak", true));
        Device added = others(now.devices(), plan.devices()).get("sink-leak");
        Unit unit = others(now.units(), plan.units()).get("sink-leak");
        assertEquals("sink-leak", added.unit());
        assertNull(added.place());
        assertEquals(room, unit.place().room());
        assertTrue(unit.power().onCells() && unit.hub() != null);
        assertEquals(
                1,
                new AddDevice(DeviceKind.LAMP, null, null, "sink leak", null)
                        .on(now)
                        .notes()
                        .size());
    }

    @Test
    void theFirstHubServesWhatWaitedForOne() {
        Plan plan = Plan.fresh("Empty", Region.EU, 230.0, null);
        plan = after(plan, new AddUnit(UnitKind.CONTROLLER, null));
        plan = after(plan, new AddUnit(UnitKind.ROUTER, null));
        plan = after(plan, new AddUnit(UnitKind.HUB, null, null, "brain", null));
        plan = after(plan, new AddUnit(UnitKind.HUB, null));
        assertEquals("brain", plan.units().get("controller").hub());
        assertNull(plan.units().get("router").hub());
        Plan gateway = after(plan, new AddUnit(UnitKind.GATEWAY, null, null, null, Medium.CHIRP));
        assertEquals(List.of(Medium.CHIRP), gateway.units().get("gateway").media());
        Plan made = plan;
        assertThrows(
                Command.Refused.class, () -> new AddUnit(UnitKind.GATEWAY, null, null, null, Medium.ETHERNET).on(made));
    }

    @Test
    void inAnEmptyPlanThereIsNoHubAndNoRoomToStandIn() {
        Plan empty = Plan.fresh("Empty", Region.EU, 230.0, null);
        assertNull(others(after(empty, new AddUnit(UnitKind.CONTROLLER, null)).units(), Map.of())
                .get("controller")
                .hub());
        Unit router = others(after(empty, new AddUnit(UnitKind.ROUTER, null)).units(), Map.of())
                .get("router");
        assertEquals(List.of(Medium.WIFI_2G4), router.media(), "the first router is most people's only access point");
        Command.Refused refused =
                assertThrows(Command.Refused.class, () -> new AddDevice(DeviceKind.LAMP, "attic").on(empty));
        assertEquals("room", refused.field());
    }

    @Test
    void aMovedRoomTakesAlongWhatStandsInItAndNothingElse() {
        for (Plan plan : DEMOS) {
            plan.rooms().keySet().stream().limit(8).forEach(room -> {
                Plan now = after(plan, new MoveRoom(room, 1.25, -0.5));
                assertEquals(
                        plan.rooms().get(room).areaM2(), now.rooms().get(room).areaM2(), 1e-6);
                plan.units()
                        .forEach((id, u) ->
                                moved(room, u.place(), now.units().get(id).place()));
                plan.devices()
                        .forEach((id, d) ->
                                moved(room, d.place(), now.devices().get(id).place()));
                plan.fittings()
                        .forEach((id, f) ->
                                moved(room, f.place(), now.fittings().get(id).place()));
                Plan back = after(now, new MoveRoom(room, -1.25, 0.5));
                assertEquals(
                        plan.rooms().get(room).corners().get(1).xM(),
                        back.rooms().get(room).corners().get(1).xM(),
                        0.006,
                        "and back again, to the centimetre");
            });
        }
    }

    private static void moved(String room, Place before, Place now) {
        if (before != null) {
            boolean goes = room.equals(before.room());
            assertEquals(before.xM() + (goes ? 1.25 : 0), now.xM(), 1e-9);
            assertEquals(before.yM() - (goes ? 0.5 : 0), now.yM(), 1e-9);
        }
    }

    @Test
    void openingsKeepTheirWallsWhenACornerGoes() {
        Plan start = Demos.mill();
        Opening door = start.openings().values().stream()
                .filter(o -> o.wall() >= 2)
                .findFirst()
                .orElseThrow();
        Plan plan = start.withOpenings(Map.of("door", door));
        Plan now = after(plan, new RemoveCorner(door.room(), 1));
        assertEquals(door.wall() - 1, now.openings().get("door").wall());
        assertEquals(
                plan.rooms().get(door.room()).walls().get(door.wall()),
                now.rooms().get(door.room()).walls().get(door.wall() - 1),
                "the same wall under its new number");
        assertTrue(after(plan, new RemoveCorner(door.room(), door.wall()))
                .openings()
                .isEmpty());
        int corners = plan.rooms().get(door.room()).corners().size();
        assertThrows(Command.Refused.class, () -> new RemoveCorner(door.room(), corners).on(plan));
        Plan triangle = now;
        while (triangle.rooms().get(door.room()).corners().size() > 3) {
            triangle = after(triangle, new RemoveCorner(door.room(), 0));
        }
        Plan last = triangle;
        assertThrows(Command.Refused.class, () -> new RemoveCorner(door.room(), 0).on(last));
    }

    @Test
    void devicesGoOverToTheLowestFreeChannelsOfAnotherUnit() {
        Plan plan = DEMOS.get(0);
        String to = plan.units().entrySet().stream()
                .filter(e -> e.getValue().kind() == UnitKind.CONTROLLER)
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow();
        List<String> two = plan.devices().keySet().stream().limit(2).toList();
        Plan now = after(plan, new Attach(two, to));
        two.forEach(id -> {
            assertEquals(to, now.devices().get(id).unit());
            assertNull(now.devices().get(id).wiring());
        });
        // no two devices share a channel, and none is beyond what the unit has
        List<Integer> channels = now.devices().values().stream()
                .filter(d -> to.equals(d.unit()) && d.channel() != null)
                .map(Device::channel)
                .toList();
        assertEquals(channels.size(), new HashSet<>(channels).size(), channels.toString());
        int most = now.units().get(to).channels();
        List<String> all = List.copyOf(plan.devices().keySet());
        Plan crowded = after(plan, new Attach(all, to));
        assertEquals(
                java.util.stream.IntStream.rangeClosed(1, most).boxed().toList(),
                all.stream()
                        .map(id -> crowded.devices().get(id).channel())
                        .filter(java.util.Objects::nonNull)
                        .toList());
        assertNull(after(now, new Attach(two, null)).devices().get(two.get(0)).unit());
        assertEquals(
                "unit",
                assertThrows(Command.Refused.class, () -> new Attach(two, "hub").on(plan))
                        .field());
        assertEquals(
                "devices",
                assertThrows(Command.Refused.class, () -> new Attach(List.of("ghost"), to).on(plan))
                        .field());
    }

    @Test
    void aUnitOnceMoreHasItsOwnDevicesNumbersAndLinks() {
        for (Plan plan : DEMOS) {
            long stops = worst(plan);
            Tried.some(plan.units(), 10).forEach(id -> {
                Plan now = after(plan, new DuplicateUnit(id, null));
                untouched(plan.units(), now.units());
                untouched(plan.devices(), now.devices());
                Map<String, Unit> units = others(now.units(), plan.units());
                assertEquals(1, units.size());
                Unit copy = units.values().iterator().next();
                assertEquals(plan.units().get(id).boards(), copy.boards());
                assertNotEquals(plan.units().get(id).name(), copy.name());
                String made = units.keySet().iterator().next();
                assertEquals(
                        plan.devices().values().stream()
                                .filter(d -> id.equals(d.unit()))
                                .count(),
                        now.devices().values().stream()
                                .filter(d -> made.equals(d.unit()))
                                .count());
                assertEquals(
                        plan.links().values().stream()
                                .filter(l -> l.from().equals(id))
                                .count(),
                        now.links().values().stream()
                                .filter(l -> l.from().equals(made))
                                .count());
                assertTrue(worst(now) <= stops, id + ": no address, topic or name twice");
                Set<String> topics = new HashSet<>();
                now.devices().values().forEach(d -> assertTrue(topics.add(d.topic()), d.topic()));
            });
        }
    }

    @Test
    void aRoomsSetIsCopiedToOthersWithNamesAndWallControlsMapped() {
        Plan plan = DEMOS.get(2);
        String from = "ground-1";
        List<String> to = List.of("ground-2", "first-3", "second-4");
        Plan now = after(plan, new CopyRoomSet(from, to));
        untouched(plan.units(), now.units());
        untouched(plan.devices(), now.devices());
        long units = plan.units().values().stream()
                .filter(u -> u.place() != null && from.equals(u.place().room()))
                .filter(u -> u.kind() != UnitKind.ACCESS_POINT && u.kind() != UnitKind.ROUTER)
                .filter(u -> u.kind() != UnitKind.SWITCH && u.kind() != UnitKind.HUB)
                .filter(u -> u.kind() != UnitKind.GATEWAY)
                .count();
        Map<String, Unit> made = others(now.units(), plan.units());
        assertEquals(units * to.size(), made.size());
        made.values()
                .forEach(u -> assertTrue(now.rooms()
                        .get(u.place().room())
                        .contains(u.place().xM(), u.place().yM())));
        Map<String, Device> devices = others(now.devices(), plan.devices());
        assertTrue(devices.size() >= to.size());
        devices.forEach((id, d) -> d.wallControls()
                .forEach(control -> assertTrue(devices.containsKey(control), id + " is worked by a copy")));
        String name = plan.rooms().get("first-3").name();
        assertTrue(devices.values().stream()
                .anyMatch(d ->
                        d.name().toLowerCase(java.util.Locale.ROOT).contains(name.toLowerCase(java.util.Locale.ROOT))));
        assertThrows(Command.Refused.class, () -> new CopyRoomSet(from, List.of(from)).on(plan));
        assertThrows(Command.Refused.class, () -> new CopyRoomSet(from, List.of()).on(plan));
        assertThrows(Command.Refused.class, () -> new CopyRoomSet(from, List.of("moon")).on(plan));
    }

    /** Kept of one house, placed in another: what comes out is well-formed there, and controllers bring their devices. */
    @Test
    void aRoomsSetIsKeptAndPlacedInAnotherHouse() {
        Plan lodge = DEMOS.get(2);
        Plan set = RoomSet.of(lodge, "ground-1", "Guest room");
        assertEquals(List.of(), PlanValidator.problems(set));
        assertTrue(set.units().size() >= 1 && set.devices().size() >= 2);
        Plan mill = DEMOS.get(0);
        List<String> to = mill.rooms().keySet().stream().limit(2).toList();
        Plan now = after(mill, new PlaceRoomSet(placed(set, to), false));
        assertEquals(List.of(), PlanValidator.problems(now));
        untouched(mill.units(), now.units());
        untouched(mill.devices(), now.devices());
        Map<String, Unit> units = others(now.units(), mill.units());
        Map<String, Device> devices = others(now.devices(), mill.devices());
        assertEquals(2 * set.units().size(), units.size());
        assertEquals(2 * set.devices().size(), devices.size());
        devices.values().forEach(d -> assertTrue(d.unit() == null || units.containsKey(d.unit())));
        units.values().forEach(u -> assertTrue(to.contains(u.place().room())));
        assertEquals(mill.rooms(), now.rooms());
        // whatever stands in a room can be kept, whatever it names outside of it
        for (Plan plan : DEMOS) {
            plan.rooms().keySet().stream()
                    .filter(room -> plan.devices().values().stream().anyMatch(d -> Asked.in(d.place(), room)))
                    .limit(20)
                    .forEach(room -> {
                        Plan kept = RoomSet.of(plan, room, "kept");
                        assertEquals(List.of(), PlanValidator.problems(kept), plan.name() + " " + room);
                        Plan with = after(mill, new PlaceRoomSet(placed(kept, List.of(to.get(0))), false));
                        assertEquals(List.of(), PlanValidator.problems(with), plan.name() + " " + room);
                    });
        }
        assertThrows(Command.Refused.class, () -> RoomSet.of(lodge, "moon", "x"));
        assertThrows(Command.Refused.class, () -> new PlaceRoomSet(placed(set, List.of("moon")), false).on(mill));
    }

    private static Map<String, Plan> placed(Plan set, List<String> rooms) {
        Map<String, Plan> all = new TreeMap<>();
        rooms.forEach(room -> all.put(room, set));
        return all;
    }

    @Test
    void theBuiltInTemplatesStandInEveryRoomWithOrWithoutRadiosOfTheirOwn() {
        for (Plan plan : DEMOS) {
            List<String> rooms = plan.rooms().keySet().stream().limit(3).toList();
            RoomSet.suggested(plan)
                    .forEach((room, set) -> assertTrue(RoomSet.builtIn(plan).containsKey(set), room));
            RoomSet.builtIn(plan).forEach((name, set) -> {
                assertEquals(List.of(), PlanValidator.problems(set), name);
                for (boolean own : List.of(true, false)) {
                    Plan now = after(plan, new PlaceRoomSet(placed(set, rooms), own));
                    assertEquals(List.of(), PlanValidator.problems(now), name);
                    Map<String, Device> devices = others(now.devices(), plan.devices());
                    assertEquals(rooms.size() * set.devices().size(), devices.size(), name);
                    assertEquals(
                            own ? devices.size() : 0,
                            others(now.units(), plan.units()).size());
                    assertTrue(devices.values().stream()
                            .anyMatch(d -> !d.wallControls().isEmpty()));
                    if (plan == DEMOS.get(1)) {
                        assertEquals(worst(plan), worst(now), name);
                    }
                }
            });
        }
    }

    /** Whatever hung on them hangs on nothing: the plan stays well-formed, and what was not named is there. */
    @Test
    void anythingCanBeRemovedAloneAndTogether() {
        for (Plan plan : DEMOS) {
            Tried.some(plan.units(), 30).forEach(id -> {
                Plan now = after(plan, new Remove(List.of(id), List.of()));
                assertEquals(plan.units().size() - 1, now.units().size(), id);
                assertTrue(now.links().values().stream().noneMatch(l -> l.joins(id)));
            });
            Tried.some(plan.devices(), 30).forEach(id -> {
                Plan now = after(plan, new Remove(List.of(), List.of(id)));
                assertEquals(plan.devices().size() - 1, now.devices().size(), id);
            });
            Plan bare = after(
                    plan,
                    new Remove(
                            List.copyOf(plan.units().keySet()),
                            List.copyOf(plan.devices().keySet())));
            assertTrue(bare.units().isEmpty()
                    && bare.devices().isEmpty()
                    && bare.links().isEmpty());
            assertEquals(plan.rooms(), bare.rooms());
        }
    }

    @Test
    void whatIsOneThingToItsOwnerGoesAsOne() {
        Plan plan = DEMOS.get(0);
        Map.Entry<String, Device> own = plan.devices().entrySet().stream()
                .filter(e -> e.getValue().unit() != null
                        && plan.units().get(e.getValue().unit()).kind().alone())
                .filter(e -> plan.devices().values().stream()
                                .filter(d -> e.getValue().unit().equals(d.unit()))
                                .count()
                        == 1)
                .findFirst()
                .orElseThrow();
        String unit = own.getValue().unit();
        assertTrue(!after(plan, new Remove(List.of(), List.of(own.getKey())))
                .units()
                .containsKey(unit));
        assertTrue(!after(plan, new Remove(List.of(unit), List.of())).devices().containsKey(own.getKey()));
        assertEquals(
                "devices",
                assertThrows(Command.Refused.class, () -> new Remove(null, List.of("nothing")).on(plan))
                        .field());
        assertThrows(Command.Refused.class, () -> new Remove(null, null).on(plan));
    }

    @Test
    void thingsMoveToARoomAndKeepTheirHeights() {
        for (Plan plan : DEMOS) {
            String room = plan.rooms().keySet().stream().skip(1).findFirst().orElseThrow();
            List<String> units = List.copyOf(plan.units().keySet());
            List<String> devices = List.copyOf(plan.devices().keySet());
            Plan now = after(plan, new MoveToRoom(units, devices, room));
            now.units().forEach((id, u) -> {
                stands(now, room, u.place(), plan.units().get(id).place());
            });
            now.devices().values().stream()
                    .filter(d -> d.place() != null)
                    .forEach(d -> stands(now, room, d.place(), null));
        }
    }

    private static void stands(Plan plan, String room, Place place, Place before) {
        assertEquals(room, place.room());
        assertTrue(plan.rooms().get(room).contains(place.xM(), place.yM()), place.toString());
        if (before != null) {
            assertEquals(before.heightM(), place.heightM());
        }
    }

    @Test
    void powerFromElsewhereForgetsWhatWasSaidOfTheSourceBefore() {
        Plan plan = DEMOS.get(0);
        for (String id : plan.units().keySet()) {
            for (PowerSource source : PowerSource.values()) {
                Plan now = after(plan, new SetPowerSource(id, source));
                assertEquals(List.of(), PlanValidator.problems(now), id + " from " + source);
                Power power = now.units().get(id).power();
                assertEquals(source, power.source());
                assertNull(power.part());
                assertNull(power.feed());
                assertEquals(source == PowerSource.MAINS, power.circuit() != null);
                assertNotEquals(id, power.from());
            }
        }
        assertThrows(Command.Refused.class, () -> new SetPowerSource("moon", PowerSource.MAINS).on(plan));
    }

    @Test
    void copiesStandSideBySideUnderNamesOfTheirOwn() {
        Plan plan = DEMOS.get(1);
        String board = plan.units().entrySet().stream()
                .filter(e -> e.getValue().place() != null)
                .findFirst()
                .orElseThrow()
                .getKey();
        Plan now = after(plan, new DuplicateUnit(board, 4));
        Map<String, Unit> added = others(now.units(), plan.units());
        assertEquals(4, added.size());
        assertEquals(4, added.values().stream().map(Unit::name).distinct().count());
        assertEquals(
                4, added.values().stream().map(u -> u.place().xM()).distinct().count());
        assertThrows(Command.Refused.class, () -> new DuplicateUnit(board, 41).on(plan));
        assertThrows(Command.Refused.class, () -> new DuplicateUnit(board, 0).on(plan));
    }

    @Test
    void linesOfWordsBecomeDevicesAndWhatIsNotUnderstoodIsToldAndLeft() {
        Plan plan = DEMOS.get(1);
        String room = plan.rooms().values().iterator().next().name();
        AddDevices lines = new AddDevices(List.of(
                new AddDevices.Line("reading lamp", "Lamp", room.toUpperCase(java.util.Locale.ROOT)),
                new AddDevices.Line("reading lamp", "LAMP", ""),
                new AddDevices.Line(null, "smoke sensor", "attic of nobody"),
                new AddDevices.Line("x", "teleporter", room)));
        Command.Proposal proposal = lines.on(plan);
        Map<String, Device> added = others(Changed.after(plan, proposal.edits()).devices(), plan.devices());
        assertEquals(3, added.size());
        assertEquals(Set.of("reading lamp", "reading lamp 2", "smoke"), names(added));
        assertEquals(
                room, plan.rooms().get(added.get("reading-lamp").place().room()).name());
        assertNull(added.get("reading-lamp-2").place());
        assertEquals(2, proposal.notes().size(), proposal.notes().toString());
        assertTrue(proposal.notes().get(0).contains("attic of nobody"));
        assertTrue(proposal.notes().get(1).startsWith("Line 4: \"teleporter\" is no kind of device"));
        assertThrows(Command.Refused.class, () -> new AddDevices(null).on(plan));
    }

    private static Set<String> names(Map<String, Device> devices) {
        return devices.values().stream().map(Device::name).collect(java.util.stream.Collectors.toSet());
    }
}
