package org.skelto.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.skelto.core.coverage.CoverageMap;
import org.skelto.core.coverage.LossTerms;
import org.skelto.core.coverage.Source;
import org.skelto.core.coverage.SourceBuilder;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Clutter;
import org.skelto.core.plan.site.Floor;
import org.skelto.core.plan.site.Opening;
import org.skelto.core.plan.site.OpeningBuilder;
import org.skelto.core.plan.site.OpeningKind;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Room;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.raster.Grid;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;

/**
 * Coverage of three floors of 20 x 15 m in cells of 10 cm (90 000), 12 transmitters, about 150 walls with a door or window
 * each: the whole anew, one moved transmitter, and the same by asking an STR-tree of the geometry library for the walls on
 * each ray, with the same tables and the same threads. The set-up checks that both agree within 0.01 dB in every cell.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 5, time = 2)
@Measurement(iterations = 5, time = 2)
public class CoverageBenchmark {
    private static final double TOLERANCE_DB = 0.01;

    private Plan plan;
    private SlabTables tables;
    private SiteModel site;
    private List<Grid> grids;
    private List<Source> sources;
    private PlainCoverage plain;
    private List<CoverageMap> kept;
    private int step;

    @Setup
    public void build() {
        plan = house();
        tables = new SlabTables();
        site = SiteModel.of(plan);
        grids = plan.floors().entrySet().stream()
                .map(f -> Grid.over(
                        f.getKey(), new Bounds(0, 0, 20, 15), f.getValue().baseM() + 1, 0.1))
                .toList();
        sources = sources(plan);
        plain = new PlainCoverage(site, tables);
        kept = CoverageMap.of(new LossTerms(site, tables), grids, sources);
        int walls = site.walls().size();
        int cells = grids.stream().mapToInt(Grid::cells).sum();
        if (cells != 90_000 || walls < 150) {
            throw new IllegalStateException(cells + " cells, " + walls + " walls");
        }
        compare();
    }

    private void compare() {
        double worst = 0;
        for (CoverageMap map : kept) {
            List<float[]> other = plain.levels(map.grid(), sources);
            for (int s = 0; s < sources.size(); s++) {
                float[] level = map.levelDbm(s);
                for (int cell = 0; cell < level.length; cell++) {
                    worst = Math.max(worst, Math.abs(level[cell] - other.get(s)[cell]));
                }
            }
        }
        System.out.println("# " + site.walls().size() + " walls, "
                + site.panels().size() + " panels; greatest difference from the plain version " + worst + " dB");
        if (worst > TOLERANCE_DB) {
            throw new IllegalStateException("differs from the plain version by " + worst + " dB");
        }
    }

    /** Whole recomputation after a wall was moved: geometry, what lies in which room, every level. */
    @Benchmark
    public List<CoverageMap> whole() {
        return CoverageMap.of(new LossTerms(SiteModel.of(plan), tables), grids, sources);
    }

    /** One transmitter dragged on. */
    @Benchmark
    public List<CoverageMap> oneMoved() {
        step = (step + 1) % 50;
        Source old = sources.get(0);
        Point at =
                new Point(old.at().xM() + step * 0.01, old.at().yM(), old.at().zM());
        return CoverageMap.moved(kept, 0, old.withAt(at));
    }

    /** Each cell asks the tree for the walls on its ray. */
    @Benchmark
    public List<List<float[]>> wholePlain() {
        return grids.stream().map(grid -> plain.levels(grid, sources)).toList();
    }

    /** One transmitter, plain. */
    @Benchmark
    public List<List<float[]>> oneMovedPlain() {
        return grids.stream()
                .map(grid -> plain.levels(grid, sources.subList(0, 1)))
                .toList();
    }

    static Plan house() {
        Plan fresh = Plan.fresh("Bench house", Region.EU, 230.0, null);
        Map<String, Floor> floors = new TreeMap<>();
        Map<String, Room> rooms = new TreeMap<>();
        Map<String, Opening> openings = new TreeMap<>();
        for (int f = 0; f < 3; f++) {
            String floor = "floor" + f;
            floors.put(
                    floor, new Floor("house", "Floor " + f, 2.8 * f, 2.5, f == 0 ? "concrete-slab" : "timber-floor"));
            for (int i = 0; i < 5; i++) {
                for (int j = 0; j < 4; j++) {
                    boolean halved = i == 2 && j == 1;
                    double deep = halved ? 1.8 : 3.75;
                    add(rooms, openings, floor, i, j, 0, deep);
                    if (halved) {
                        add(rooms, openings, floor, i, j, deep, 3.75 - deep);
                    }
                }
            }
        }
        return fresh.with(b -> b.cautionsRead(true).floors(floors).rooms(rooms).openings(openings));
    }

    /** A room with an opening in its south and its east wall. */
    private static void add(
            Map<String, Room> rooms,
            Map<String, Opening> openings,
            String floor,
            int i,
            int j,
            double up,
            double deep) {
        String id = floor + "-" + i + "-" + j + (up > 0 ? "b" : "");
        String wall = i == 0 || j == 0 ? "stone-450" : (i + j) % 2 == 0 ? "brick-110" : "board-100";
        rooms.put(id, Room.rectangle(floor, id, 4 * i, 3.75 * j + up, 4, deep, wall, Clutter.values()[(i + j) % 3]));
        openings.put(
                id + "-door",
                OpeningBuilder.builder()
                        .room(id)
                        .wall(0)
                        .kind(OpeningKind.DOOR)
                        .atM(0.7)
                        .widthM(0.9)
                        .sillM(0)
                        .headM(2.05)
                        .construction("door-wood")
                        .build());
        openings.put(
                id + "-pane",
                OpeningBuilder.builder()
                        .room(id)
                        .wall(1)
                        .kind(OpeningKind.WINDOW)
                        .atM(0.4)
                        .widthM(1.1)
                        .sillM(0.9)
                        .headM(2.1)
                        .construction("glass-24")
                        .build());
    }

    private static List<Source> sources(Plan plan) {
        List<Source> sources = new ArrayList<>();
        for (int s = 0; s < 12; s++) {
            int f = s % 3;
            double x = 1.37 + 4.9 * (s / 3);
            double y = 2.11 + 3.3 * (s % 4);
            String room = plan.rooms().entrySet().stream()
                    .filter(r -> r.getValue().floor().equals("floor" + f)
                            && r.getValue().contains(x, y))
                    .findFirst()
                    .orElseThrow()
                    .getKey();
            Place place = new Place(room, null, x, y, 2.2);
            sources.add(SourceBuilder.builder()
                    .unit("ap" + s)
                    .name("AP " + s)
                    .at(new Point(x, y, 2.8 * f + 2.2))
                    .place(place)
                    .levelDbm(19)
                    .frequencyMHz(2412 + 25 * (s % 3))
                    .build());
        }
        return sources;
    }
}
