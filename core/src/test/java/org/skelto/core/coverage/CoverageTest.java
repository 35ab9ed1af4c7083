package org.skelto.core.coverage;

import static org.junit.jupiter.api.Assertions.assertArrayEquals;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.Houses;
import org.skelto.core.Plans;
import org.skelto.core.links.RadioDefaults;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.radio.Beam;
import org.skelto.core.plan.radio.IndoorModel;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Place;
import org.skelto.core.radio.AntennaPattern;
import org.skelto.core.radio.Indoors;
import org.skelto.core.radio.LossModel;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.raster.Contours;
import org.skelto.core.raster.Grid;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;

class CoverageTest {
    private final SlabTables tables = new SlabTables();

    /** Slanted rooms, doors, windows, stairwells, floors above each other: every cell against the ray walked plainly. */
    @ParameterizedTest
    @ValueSource(longs = {31, 32, 33, 34, 35, 36})
    void everyCellIsWhatTheRayToItSays(long seed) {
        Random random = new Random(seed);
        Plan plan = Houses.random(random);
        if (seed % 3 == 0) {
            plan = Houses.with(plan, IndoorModel.EXPONENT);
        }
        SiteModel site = SiteModel.of(plan);
        LossModel model = Indoors.of(site, tables);
        LossTerms terms = new LossTerms(site, tables);
        List<Source> sources = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            // the first stands on the very line of a wall's end
            double x = i == 0 ? 4 : random.nextInt(800) / 100.0;
            double y = i == 0 ? 0 : random.nextInt(600) / 100.0;
            double z = i == 1 ? 1.0 : random.nextInt(520) / 100.0;
            Place place = new Place(plan.rooms().keySet().iterator().next(), null, x, y, z);
            Radio pointed = RadioDefaults.radio(Medium.WIFI_2G4, Region.EU, UnitKind.ACCESS_POINT)
                    .withAntennaGainDbi(8)
                    .withBeam(i == 2 ? Beam.facing(random.nextInt(360)) : null);
            sources.add(source("u" + i, new Point(x, y, z), place, i % 2 == 0 ? 2437 : 868.3)
                    .pattern(AntennaPattern.of(pointed).orElse(null))
                    .build());
        }
        for (String floor : plan.floors().keySet()) {
            Grid grid = Grid.over(floor, new Bounds(-1, -1, 9.2, 7.3), CoverageScenario.heightM(plan, floor), 0.2);
            CoverageMap map = CoverageMap.of(terms, grid, sources);
            for (int s = 0; s < sources.size(); s++) {
                compare(terms, grid, map, s, model);
            }
        }
    }

    private static void compare(LossTerms terms, Grid grid, CoverageMap map, int number, LossModel model) {
        Source source = map.sources().get(number);
        float[] level = map.levelDbm(number);
        short[] rooms = map.roomOfCells();
        for (int row = 0; row < grid.rows(); row++) {
            for (int column = 0; column < grid.columns(); column++) {
                int cell = row * grid.columns() + column;
                String room = rooms[cell] < 0 ? null : terms.roomIds().get(rooms[cell]);
                Place place = new Place(room, null, grid.x(column), grid.y(row), 1);
                Point at = new Point(grid.x(column), grid.y(row), grid.zM());
                double lossDb = model.loss(source.at(), source.place(), at, place, source.frequencyMHz())
                        .with(source.beside(at))
                        .lossDb();
                assertEquals(source.levelDbm() - lossDb, level[cell], 0.01, () -> source + " at " + at);
            }
        }
    }

    /**
     * Three walls by hand. From (1, 2) to (11, 2) at one height, 2437 MHz: free space over 10 m is
     * 20 log10(4π·10·2.437e9/299792458) = 60.19 dB. Each of the three brick walls of 110 mm is met at right angles. The
     * slab formula for brick (η = 3.91 − j·17.98·0.0274/2.437, n = 1.978) at 110 mm, averaged over ±10 % thickness, gives
     * 3.9 dB within half a decibel: both faces alone reflect R = 0.108 of the power, 2 × 0.48 dB, and 110 mm of
     * σ = 0.0274 S/m absorb 8.686·(σ/2)·√(μ0/ε0)/n·t = 2.5 dB.
     */
    @Test
    void threeWallsByHand() {
        Plan plan = Houses.row(3);
        SiteModel site = SiteModel.of(plan);
        LossModel.Loss loss = Indoors.of(site, tables)
                .loss(
                        new Point(1, 2, 1),
                        new Place("r0", null, 1, 2, 1),
                        new Point(11, 2, 1),
                        new Place("r2", null, 11, 2, 1),
                        2437);

        assertEquals(60.19, loss.parts().get(0).lossDb(), 0.01);
        assertEquals(2, site.crossings(new Point(1, 2, 1), new Point(11, 2, 1)).size());
        assertEquals(3, site.crossings(new Point(1, 2, 1), new Point(13, 2, 1)).size());
        for (LossModel.Part wall : loss.parts().subList(1, loss.parts().size())) {
            assertEquals(3.7, wall.lossDb(), 0.6);
        }
    }

    @Test
    void theStrongestAndTheSecondAreRankedAndAMovedSourceIsLikeANewMap() {
        Plan plan = Houses.row(3);
        LossTerms terms = new LossTerms(SiteModel.of(plan), tables);
        Grid grid = Grid.over("ground", new Bounds(0, 0, 12, 4), 1, 0.25);
        List<Source> sources = List.of(source("a", 1), source("b", 6), source("c", 11));
        CoverageMap map = CoverageMap.of(terms, grid, sources);

        int cell = grid.cell(0.6, 2);
        assertEquals(0, map.bestServer()[cell]);
        assertEquals(1, map.secondServer()[cell]);
        assertTrue(map.bestDbm()[cell] > map.secondDbm()[cell]);
        for (double x : new double[] {7.3, 1.05, 10.9, 4, 5.2}) {
            List<Source> other = List.of(source("a", 1), source("b", x), source("c", 11));
            CoverageMap moved =
                    CoverageMap.moved(List.of(map), 1, source("b", x)).get(0);
            CoverageMap anew = CoverageMap.of(terms, grid, other);
            assertArrayEquals(anew.bestDbm(), moved.bestDbm());
            assertArrayEquals(anew.bestServer(), moved.bestServer());
            assertArrayEquals(anew.secondDbm(), moved.secondDbm());
            assertArrayEquals(anew.secondServer(), moved.secondServer());
            assertFalse(java.util.Arrays.equals(map.bestDbm(), moved.bestDbm()));
        }
    }

    private static Source source(String id, double x) {
        return source(id, new Point(x, 2, 1.5), new Place("r0", null, x, 2, 1.5), 2437)
                .build();
    }

    @Test
    void aRoomSaysWhatRemainsWithoutItsBestTransmitter() {
        Plan plan = Plans.sound();
        FloorCoverage one = FloorCoverage.of(SiteModel.of(plan), tables, Medium.WIFI_2G4, "ground", Set.of(), 5000)
                .coverage();
        RoomCover west = one.rooms().stream()
                .filter(r -> r.room().equals("west"))
                .findFirst()
                .orElseThrow();
        assertEquals("ap", west.best());
        assertEquals(1, west.share());
        assertEquals(0, west.shareWithoutBest());

        Plan two = Plans.put(plan, "ap2", Plans.unit("ap2", UnitKind.ACCESS_POINT, 6.5, Medium.WIFI_2G4));
        FloorCoverage both = FloorCoverage.of(SiteModel.of(two), tables, Medium.WIFI_2G4, "ground", Set.of(), 5000)
                .coverage();
        assertEquals(
                List.of(1.0, 1.0),
                both.rooms().stream().map(RoomCover::shareWithoutBest).toList());
        // a dark access point is not counted
        FloorCoverage dark = FloorCoverage.of(SiteModel.of(two), tables, Medium.WIFI_2G4, "ground", Set.of("ap2"), 5000)
                .coverage();
        assertEquals(1, dark.servers().size());
    }

    @Test
    void whatArrivesAtAPointIsWhatTheMapSays() {
        Plan plan = Plans.sound();
        SiteModel site = SiteModel.of(plan);
        FloorCoverage.Mapped mapped = FloorCoverage.of(site, tables, Medium.WIFI_2G4, "ground", Set.of(), 5000);
        Grid grid = mapped.map().grid();
        double x = grid.x(grid.columns() / 2);
        double y = grid.y(grid.rows() / 3);
        Probe probe = Probe.at(site, tables, Medium.WIFI_2G4, "ground", x, y, Set.of());
        assertEquals(
                mapped.map().bestDbm()[grid.cell(x, y)], probe.heard().get(0).levelDbm(), 0.01);
    }

    /** Around one source in the open the lines are circles: 20 dB more loss is ten times as far. */
    @Test
    void contoursAroundASourceInTheOpenAreCircles() {
        Plan plan = Houses.open(Houses.row(1));
        LossTerms terms = new LossTerms(SiteModel.of(plan), tables);
        Grid grid = Grid.over("ground", new Bounds(-20, -20, 20, 20), 1.5, 0.25);
        CoverageMap map = CoverageMap.of(terms, grid, List.of(source("a", 0)));
        double atOneMetre = 15 - 40.18;
        List<double[]> lines = Contours.of(grid, map.bestDbm(), atOneMetre - 20);

        assertEquals(1, lines.size());
        double[] line = lines.get(0);
        assertTrue(line.length > 40);
        for (int i = 0; i < line.length; i += 2) {
            assertEquals(10, Math.hypot(line[i], line[i + 1] - 2), 0.05);
        }
        assertEquals(line[0], line[line.length - 2]);
        assertEquals(line[1], line[line.length - 1]);
    }

    @Test
    void noSourceMeansNoLevelAndNoLine() {
        Plan plan = Plans.units(Plans.sound(), units -> new TreeMap<>(Map.of("hub", units.get("hub"))));
        Plan bare = Plans.links(plan, links -> Map.of());
        FloorCoverage none = FloorCoverage.of(SiteModel.of(bare), tables, Medium.WIFI_2G4, "ground", Set.of(), 5000)
                .coverage();
        assertTrue(none.contours().stream().allMatch(c -> c.lines().isEmpty()));
        assertTrue(none.rooms().stream().allMatch(r -> r.share() == 0 && r.best() == null));
        assertEquals(List.of(), CoverageScenario.media(SiteModel.of(bare)));
    }

    private static SourceBuilder source(String id, Point at, Place place, double frequencyMHz) {
        return SourceBuilder.builder()
                .unit(id)
                .name(id)
                .at(at)
                .place(place)
                .levelDbm(15)
                .frequencyMHz(frequencyMHz);
    }
}
