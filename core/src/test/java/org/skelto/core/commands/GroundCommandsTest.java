package org.skelto.core.commands;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.Tried;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.FittingKind;
import org.skelto.core.plan.site.Opening;
import org.skelto.core.plan.site.OpeningKind;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.site.SiteModel;

/** Walls, openings and places changed by command: what comes out is a well-formed plan, and the rest is as it was. */
class GroundCommandsTest {
    private static final List<Plan> DEMOS = List.of(Demos.mill(), Demos.flat(), ThornfellLodge.plan());

    /** The plan after a command; refused here when it is not well-formed. */
    private static Plan after(Plan plan, Command command) {
        return Changed.after(plan, command.on(plan).edits());
    }

    private static double lengthM(Room room, int wall) {
        Corner a = room.corners().get(wall);
        Corner b = room.corners().get((wall + 1) % room.corners().size());
        return Math.hypot(b.xM() - a.xM(), b.yM() - a.yM());
    }

    @Test
    void aSplitWallAndItsCornerTakenAwayAgainLeaveTheHouseAsItWas() {
        for (Plan plan : DEMOS) {
            Tried.some(plan.rooms(), 8).forEach(id -> {
                Room room = plan.rooms().get(id);
                for (int wall = 0; wall < room.corners().size(); wall++) {
                    int at = wall;
                    Plan split = after(plan, new SplitWall(id, at));
                    Room now = split.rooms().get(id);
                    assertEquals(room.corners().size() + 1, now.corners().size());
                    assertEquals(
                            room.areaM2(), now.areaM2(), 0.02 * room.corners().size());
                    // each opening is where it was, by the metres from the room's first corner along its walls
                    plan.openings().forEach((key, o) -> {
                        if (o.room().equals(id)) {
                            assertEquals(
                                    along(room, o),
                                    along(now, split.openings().get(key)),
                                    o.wall() == at ? o.widthM() : 0.05,
                                    id + " " + key);
                        }
                    });
                }
            });
        }
    }

    /** Metres from the first corner along the walls to an opening. */
    private static double along(Room room, Opening opening) {
        double sum = opening.atM();
        for (int wall = 0; wall < opening.wall(); wall++) {
            sum += lengthM(room, wall);
        }
        return sum;
    }

    @Test
    void aRectangleStaysOneWhenAWallIsMadeLonger() {
        Plan plan = Demos.flat();
        plan.rooms().forEach((id, room) -> {
            for (int wall = 0; wall < room.corners().size(); wall++) {
                double wanted = Corner.cm(lengthM(room, wall) + 0.4);
                Room now =
                        after(plan, new SetWallLength(id, wall, wanted)).rooms().get(id);
                assertEquals(wanted, lengthM(now, wall), 0.011);
                if (room.corners().size() == 4) {
                    assertEquals(wanted, lengthM(now, (wall + 2) % 4), 0.011);
                }
            }
            for (double wrong : new double[] {0, -1, 0.04, 1001, Double.NaN}) {
                assertEquals(
                        "lengthM",
                        assertThrows(Command.Refused.class, () -> new SetWallLength(id, 0, wrong).on(plan))
                                .field());
            }
            assertThrows(Command.Refused.class, () -> new SplitWall(id, 99).on(plan));
        });
    }

    @Test
    void aWallBetweenTwoRoomsIsOneWall() {
        Plan plan = Demos.mill();
        int shared = 0;
        for (var entry : plan.rooms().entrySet()) {
            for (int wall = 0; wall < entry.getValue().corners().size(); wall++) {
                String path = "/rooms/" + entry.getKey() + "/walls/" + wall;
                Plan now = after(plan, new SetWall(entry.getKey(), wall, "glass-24"));
                for (var piece : SiteModel.of(now).walls()) {
                    if (piece.owners().contains(path)) {
                        shared += piece.owners().size() > 1 ? 1 : 0;
                        for (String owner : piece.owners()) {
                            String[] parts = owner.split("/");
                            assertEquals(
                                    "glass-24",
                                    now.rooms().get(parts[2]).walls().get(Integer.parseInt(parts[4])),
                                    owner);
                        }
                    }
                }
            }
        }
        assertTrue(shared > 10);
    }

    @ParameterizedTest
    @EnumSource(OpeningKind.class)
    void anOpeningFitsItsWallHoweverShort(OpeningKind kind) {
        for (Plan plan : DEMOS) {
            Tried.some(plan.rooms(), 8).forEach(id -> {
                Room room = plan.rooms().get(id);
                for (int wall = 0; wall < room.corners().size(); wall++) {
                    Map<String, Opening> added = new TreeMap<>(
                            after(plan, new AddOpening(id, wall, kind)).openings());
                    added.keySet().removeAll(plan.openings().keySet());
                    Opening o = added.values().iterator().next();
                    assertEquals(kind, o.kind());
                    if (lengthM(room, wall) > 0.3) {
                        assertTrue(o.atM() > 0 && o.atM() + o.widthM() < lengthM(room, wall), id);
                    }
                }
            });
        }
    }

    @Test
    void whatStoodInARoomThatGoesStandsNowhereAndIsHeardNowhere() {
        for (Plan demo : DEMOS) {
            for (String room : Tried.some(demo.rooms(), 8)) {
                String sounder = demo.devices().keySet().iterator().next();
                Map<String, Device> devices = new TreeMap<>(demo.devices());
                devices.computeIfPresent(sounder, (id, d) -> d.with(b -> b.heardIn(new TreeSet<>(List.of(room)))));
                Plan plan = demo.with(p -> p.devices(devices));
                Plan now = after(plan, new RemoveGround(room, null));
                assertFalse(now.rooms().containsKey(room));
                assertEquals(plan.units().keySet(), now.units().keySet());
                assertEquals(plan.devices().keySet(), now.devices().keySet());
                plan.units().forEach((id, unit) -> {
                    boolean stood =
                            unit.place() != null && room.equals(unit.place().room());
                    Place left = now.units().get(id).place();
                    assertEquals(stood ? null : unit.place(), left);
                });
                assertTrue(now.devices().get(sounder).heardIn().isEmpty());
            }
            demo.spots()
                    .keySet()
                    .forEach(spot -> assertFalse(
                            after(demo, new RemoveGround(null, spot)).spots().containsKey(spot)));
            assertThrows(Command.Refused.class, () -> new RemoveGround(null, null).on(demo));
            assertThrows(Command.Refused.class, () -> new RemoveGround("attic", null).on(demo));
        }
    }

    @Test
    void newThingsStandClearOfOneAnotherTheFirstInTheMiddle() {
        Plan flat = Demos.flat();
        String id = flat.rooms().keySet().iterator().next();
        Room room = Room.rectangle(
                flat.rooms().get(id).floor(),
                "den",
                0,
                0,
                4,
                3,
                "brick-110",
                flat.rooms().get(id).clutter());
        Plan plan = flat.freshLike("empty")
                .with(p -> p.floors(flat.floors()).buildings(flat.buildings()).rooms(Map.of(id, room)));
        List<Place> places = new ArrayList<>();
        for (int n = 0; n < 12; n++) {
            Plan now = after(plan, new AddDevice(DeviceKind.LAMP, id));
            Map<String, Device> added = new TreeMap<>(now.devices());
            added.keySet().removeAll(plan.devices().keySet());
            Place place = added.values().iterator().next().place();
            assertTrue(room.contains(place.xM(), place.yM()));
            for (Place other : places) {
                assertTrue(Math.hypot(other.xM() - place.xM(), other.yM() - place.yM()) >= 0.5);
            }
            places.add(place);
            plan = now;
        }
        assertEquals(new Place(id, null, 2, 1.5, 1.2), places.get(0));
        // many lines at once stand apart too, and when nothing is free they still stand in the room
        List<AddDevices.Line> lines = new ArrayList<>();
        for (int n = 0; n < 60; n++) {
            lines.add(new AddDevices.Line(null, "lamp", "den"));
        }
        after(plan, new AddDevices(lines))
                .devices()
                .values()
                .forEach(d -> assertTrue(room.contains(d.place().xM(), d.place().yM())));
    }

    @Test
    void anythingIsPutInAnyRoomOrAtAnySpotOrNowhereAtItsHeight() {
        for (Plan plan : DEMOS) {
            String room = plan.rooms().keySet().iterator().next();
            Tried.some(plan.devices(), 20).forEach(id -> {
                Device device = plan.devices().get(id);
                Plan now = after(plan, new PutIn("/devices/" + id, room, null));
                boolean ofUnit = device.place() == null
                        && device.unit() != null
                        && plan.units().get(device.unit()).kind().alone();
                Place before = ofUnit ? plan.units().get(device.unit()).place() : device.place();
                Place place = ofUnit
                        ? now.units().get(device.unit()).place()
                        : now.devices().get(id).place();
                assertEquals(room, place.room());
                assertEquals(before == null ? 1.2 : before.heightM(), place.heightM());
                Plan gone = after(plan, new PutIn("/devices/" + id, null, null));
                assertNull(
                        ofUnit
                                ? gone.units().get(device.unit()).place()
                                : gone.devices().get(id).place());
            });
            for (String wrong : List.of("", "/rooms/" + room, "/units/nobody", "/devices", "x/y/z/q")) {
                assertEquals(
                        "thing",
                        assertThrows(Command.Refused.class, () -> new PutIn(wrong, room, null).on(plan))
                                .field());
            }
        }
    }

    @Test
    void fittingsAndPlacesToWorkFromStandWhereTheyAreSaidTo() {
        Plan plan = Demos.mill();
        String room = plan.rooms().keySet().iterator().next();
        String spot = plan.spots().keySet().iterator().next();
        Plan now = after(plan, new AddFitting(FittingKind.OUTLET, "by the sink", room, null));
        assertEquals(room, now.fittings().get("by-the-sink").place().room());
        assertTrue(now.circuits().containsKey(now.fittings().get("by-the-sink").circuit()));
        Plan then = after(now, new AddDemand("bench", Medium.WIFI_2G4, null, spot));
        assertEquals(new Place(null, spot, 0, 0, 1), then.demands().get("bench").place());
        assertEquals(
                spot,
                after(then, new PutIn("/demands/bench", null, spot))
                        .demands()
                        .get("bench")
                        .place()
                        .spot());
        assertThrows(Command.Refused.class, () -> new PutIn("/demands/bench", null, null).on(then));
        assertThrows(Command.Refused.class, () -> new AddDemand("bench", Medium.ETHERNET, room, null).on(plan));
        assertThrows(Command.Refused.class, () -> new AddDemand(" ", Medium.BLE, room, null).on(plan));
        assertThrows(Command.Refused.class, () -> new AddDemand("bench", Medium.BLE, null, null).on(plan));
    }
}
