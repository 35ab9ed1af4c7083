package org.skelto.core.sight;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.skelto.core.Demos;
import org.skelto.core.Plans;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Sight;
import org.skelto.core.plan.site.Opening;
import org.skelto.core.plan.site.OpeningBuilder;
import org.skelto.core.plan.site.OpeningKind;
import org.skelto.core.plan.site.Place;
import org.skelto.core.site.Panel;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;

/** What sensors see, by figures from school and by walking along rays. */
class SightsTest {
    private static final String HALL = "hall";

    /** The mill with one sensor in its hall, 6.2 to 11.6 m east and 4.2 to 8.4 m north, and no other. */
    private static Plan hall(DeviceKind kind, double xM, double yM, Sight sight, Opening... openings) {
        Map<String, Device> devices = new TreeMap<>();
        devices.put(
                "eye",
                Plans.device("eye", kind, Hand.NONE, RestState.STAYS, java.util.Set.of())
                        .with(d -> d.place(new Place(HALL, null, xM, yM, 1.0)).sight(sight)));
        Map<String, Opening> all = new TreeMap<>();
        for (int i = 0; i < openings.length; i++) {
            all.put("o" + i, openings[i]);
        }
        return Demos.mill().with(p -> p.devices(devices).openings(all));
    }

    private static Sights sights(Plan plan) {
        return Sights.of(plan, SiteModel.of(plan));
    }

    /** In the north wall of the hall, 9 to 10 m east. */
    private static Opening north(OpeningKind kind, String filling) {
        // wall 2 runs from the north-east corner to the west
        return opening(2, kind, filling);
    }

    private static Opening opening(int wall, OpeningKind kind, String filling) {
        return OpeningBuilder.builder()
                .room(HALL)
                .wall(wall)
                .kind(kind)
                .atM(1.6)
                .widthM(1)
                .sillM(0.2)
                .headM(2)
                .construction(filling)
                .build();
    }

    @Test
    void withoutWallsInReachItSeesASector() {
        double area = sights(hall(DeviceKind.MOTION, 8.9, 6.3, new Sight(2, 90, 0)))
                .sensors()
                .get(0)
                .areaM2();
        // a quarter of a circle of 2 m, less what chords of 3° leave out
        assertEquals(Math.PI, area, 0.01);
        double around = sights(hall(DeviceKind.MOTION, 8.9, 6.3, new Sight(2, 360, 77)))
                .sensors()
                .get(0)
                .areaM2();
        assertEquals(4 * Math.PI, around, 0.03);
    }

    @Test
    void wallsEndWhatItSees() {
        // from the middle of the hall to beyond all its walls: the hall itself, 5.4 by 4.2 m
        Sights all = sights(hall(DeviceKind.MOTION, 8.9, 6.3, new Sight(20, 360, 0)));
        assertEquals(5.4 * 4.2, all.sensors().get(0).areaM2(), 0.05);
    }

    @Test
    void aCameraLooksThroughGlassAndAMotionSensorDoesNotAndAShutDoorEndsBoth() {
        Sight sight = new Sight(6, 40, 10);
        double wall = area(DeviceKind.CAMERA, sight);
        Opening window = north(OpeningKind.WINDOW, "glass-24");
        Opening door = north(OpeningKind.DOOR, "door-wood");
        assertTrue(area(DeviceKind.CAMERA, sight, window) > wall + 1);
        assertEquals(wall, area(DeviceKind.MOTION, sight, window), 1e-9);
        assertEquals(wall, area(DeviceKind.CAMERA, sight, door), 1e-9);
    }

    private static double area(DeviceKind kind, Sight sight, Opening... openings) {
        return sights(hall(kind, 8.9, 6.3, sight, openings)).sensors().get(0).areaM2();
    }

    @Test
    void aWayInIsSeenOnlyWithinRangeAndAngleAndFromEitherSide() {
        Opening window = north(OpeningKind.WINDOW, "glass-24");
        assertTrue(seen(new Sight(5, 60, 10), window));
        assertFalse(seen(new Sight(1.5, 60, 10), window), "too far");
        assertFalse(seen(new Sight(5, 60, 120), window), "it looks elsewhere");
        assertEquals(
                List.of("o0"),
                sights(hall(DeviceKind.MOTION, 8.9, 6.3, new Sight(5, 60, 10), window)).openings().stream()
                        .map(Sights.OutsideOpening::opening)
                        .toList());
        // a door between the hall and the room south of it leads nowhere outside
        Opening inner = opening(0, OpeningKind.DOOR, "door-wood");
        assertEquals(
                List.of(),
                sights(hall(DeviceKind.MOTION, 8.9, 6.3, new Sight(5, 60, 10), inner))
                        .openings());
    }

    private static boolean seen(Sight sight, Opening window) {
        return sights(hall(DeviceKind.MOTION, 8.9, 6.3, sight, window))
                .openings()
                .get(0)
                .watched();
    }

    /** Along rays by chance, step by step: as far as the outline says and no farther. */
    @Test
    void theOutlineIsWhereARayFirstMeetsAWall() {
        Plan mill = Demos.mill();
        SiteModel site = SiteModel.of(mill);
        Random random = new Random(5);
        for (Sights.SensorSight sensor : Sights.of(mill, site).sensors()) {
            Device d = mill.devices().get(sensor.device());
            Place place = SiteModel.placeOf(mill, d);
            Point from = site.position(place).orElseThrow();
            for (List<Double> corner :
                    sensor.outline().subList(1, sensor.outline().size())) {
                if (random.nextInt(3) > 0) {
                    continue;
                }
                double dx = corner.get(0) - from.xM();
                double dy = corner.get(1) - from.yM();
                double length = Math.hypot(dx, dy);
                double range = d.sight().rangeM();
                assertTrue(length <= range + 1e-9);
                double slope = (from.zM() - place.heightM() + 1 - from.zM()) / range;
                double met = range;
                for (double at = 0.01; at < range && met == range; at += 0.01) {
                    Point here = along(from, dx / length, dy / length, slope, at - 0.01);
                    Point there = along(from, dx / length, dy / length, slope, at);
                    for (Panel p : site.panels()) {
                        if (p.stops(here.xM(), here.yM(), here.zM(), there.xM(), there.yM(), there.zM())) {
                            met = at;
                        }
                    }
                }
                assertEquals(met, length, 0.02, sensor.device() + " " + corner);
            }
        }
    }

    private static Point along(Point from, double dx, double dy, double slope, double at) {
        return new Point(from.xM() + dx * at, from.yM() + dy * at, from.zM() + slope * at);
    }
}
