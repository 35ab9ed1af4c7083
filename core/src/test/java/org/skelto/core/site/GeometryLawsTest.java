package org.skelto.core.site;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.Houses;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Room;

/** What holds for the geometry of any house. */
class GeometryLawsTest {
    private static final double AROUND_M = 1;

    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14, 15})
    void aSectionCutsWhatARayInItGoesThrough(long seed) {
        Random random = new Random(seed);
        SiteModel site = SiteModel.of(Houses.random(random));
        for (int i = 0; i < 150; i++) {
            Point a = point(random);
            Point b = point(random);
            Section cut = Section.of(site, a.xM(), a.yM(), b.xM(), b.yM());
            double run = Math.hypot(b.xM() - a.xM(), b.yM() - a.yM());
            List<String> cuts = new java.util.ArrayList<>();
            for (Section.CutWall wall : cut.walls()) {
                double share = (wall.atM() - AROUND_M) / run;
                double z = a.zM() + share * (b.zM() - a.zM());
                if (share > 0 && share < 1 && z >= wall.fromZM() && z < wall.toZM()) {
                    cuts.add(wall.construction());
                }
            }
            for (Section.CutSlab slab : cut.slabs()) {
                double share = (slab.zM() - a.zM()) / (b.zM() - a.zM());
                double at = AROUND_M + share * run;
                if (share > 0 && share < 1 && at >= slab.fromM() && at < slab.toM()) {
                    cuts.add(slab.construction());
                }
            }
            List<String> crossed =
                    site.crossings(a, b).stream().map(Crossing::construction).toList();
            assertEquals(sorted(crossed), sorted(cuts), () -> "from " + a + " to " + b);
        }
    }

    private static List<String> sorted(List<String> names) {
        return names.stream().sorted().toList();
    }

    private static Point point(Random random) {
        return new Point(10 * random.nextDouble() - 1, 8 * random.nextDouble() - 1, 5 * random.nextDouble() + 0.05);
    }

    @ParameterizedTest
    @ValueSource(longs = {21, 22, 23, 24, 25})
    void aStepThroughAWallMeetsOnePanelOfItOrAnOpenOne(long seed) {
        Random random = new Random(seed);
        Plan plan = Houses.random(random);
        SiteModel site = SiteModel.of(plan);
        int met = 0;
        for (Map.Entry<String, Room> entry : plan.rooms().entrySet()) {
            Room room = entry.getValue();
            List<Corner> corners = room.corners();
            double foot = plan.floors().get(room.floor()).baseM();
            for (int wall = 0; wall < corners.size(); wall++) {
                Corner a = corners.get(wall);
                Corner b = corners.get((wall + 1) % corners.size());
                double length = Math.hypot(b.xM() - a.xM(), b.yM() - a.yM());
                for (int i = 0; i < 20; i++) {
                    double share = 0.02 + 0.96 * random.nextDouble();
                    double x = a.xM() + share * (b.xM() - a.xM());
                    double y = a.yM() + share * (b.yM() - a.yM());
                    double nx = (b.yM() - a.yM()) / length * 1e-4;
                    double ny = -(b.xM() - a.xM()) / length * 1e-4;
                    double z = foot + 0.01 + 2.3 * random.nextDouble();
                    int crossed = site.crossings(new Point(x - nx, y - ny, z), new Point(x + nx, y + ny, z))
                            .size();
                    assertTrue(crossed <= 1, () -> entry.getKey() + " at " + x + ", " + y + ", " + z);
                    met += crossed;
                }
            }
        }
        assertTrue(met > 0);
    }

    @ParameterizedTest
    @ValueSource(longs = {31, 32, 33})
    void thePlaceOfAPointIsWhereThePointIs(long seed) {
        Random random = new Random(seed);
        Plan plan = Houses.random(random);
        SiteModel site = SiteModel.of(plan);
        for (int i = 0; i < 300; i++) {
            Point at = point(random);
            for (String floor : plan.floors().keySet()) {
                String room = site.roomAt(floor, at.xM(), at.yM());
                var place = site.placeAt(floor, at.xM(), at.yM(), 1.2);
                assertEquals(room, place.room());
                if (room != null) {
                    assertEquals(
                            site.pointAt(floor, at.xM(), at.yM(), 1.2),
                            site.position(place).orElseThrow());
                    assertTrue(plan.rooms().get(room).contains(place.xM(), place.yM()));
                }
            }
        }
    }
}
