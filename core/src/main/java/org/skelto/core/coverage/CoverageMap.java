package org.skelto.core.coverage;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.skelto.core.raster.Grid;
import org.skelto.core.work.ComputingBudget;

/**
 * Levels of several sources on a grid, with the strongest and the second strongest of each cell. Immutable; another map
 * with one source moved shares the others' levels.
 */
public final class CoverageMap {
    /** Stands for no server. */
    public static final byte NONE = -1;

    /** More sources than this are not mapped together. */
    public static final int MOST_SOURCES = 120;

    /** Rows that are worked out as one piece of work. */
    private static final int ROWS = 16;

    private final LossTerms terms;
    private final Grid grid;
    private final List<Source> sources;
    private final short[] roomOfCells;
    private final float[][] levels;
    private final float[] best;
    private final byte[] server;
    private final float[] second;
    private final byte[] secondServer;

    private CoverageMap(LossTerms terms, Grid grid, List<Source> sources, short[] roomOfCells, float[][] levels) {
        this.terms = terms;
        this.grid = grid;
        this.sources = sources;
        this.roomOfCells = roomOfCells;
        this.levels = levels;
        this.best = new float[grid.cells()];
        this.server = new byte[grid.cells()];
        this.second = new float[grid.cells()];
        this.secondServer = new byte[grid.cells()];
    }

    /** Works out all sources, on all processors. */
    public static CoverageMap of(LossTerms terms, Grid grid, List<Source> sources) {
        return of(terms, List.of(grid), sources).get(0);
    }

    /** Works out all sources on several grids at once, on all processors. */
    public static List<CoverageMap> of(LossTerms terms, List<Grid> grids, List<Source> sources) {
        if (sources.size() > MOST_SOURCES) {
            throw new IllegalArgumentException("at most " + MOST_SOURCES + " sources");
        }
        List<CoverageMap> maps = grids.stream()
                .map(grid -> new CoverageMap(
                        terms, grid, List.copyOf(sources), terms.roomOfCells(grid), new float[sources.size()][]))
                .toList();
        maps.forEach(map -> sources.forEach(s -> terms.at(s.frequencyMHz())));
        List<Runnable> work = maps.stream()
                .flatMap(map -> IntStream.range(0, sources.size()).boxed().flatMap(i -> map.work(i).stream()))
                .toList();
        work.stream().map(ComputingBudget::carried).toList().parallelStream().forEach(Runnable::run);
        maps.parallelStream().forEach(CoverageMap::rank);
        return maps;
    }

    /** These maps with one source standing elsewhere. */
    public static List<CoverageMap> moved(List<CoverageMap> maps, int number, Source source) {
        List<CoverageMap> others = maps.stream()
                .map(map -> {
                    List<Source> sources = new java.util.ArrayList<>(map.sources);
                    sources.set(number, source);
                    return new CoverageMap(
                            map.terms, map.grid, List.copyOf(sources), map.roomOfCells, map.levels.clone());
                })
                .toList();
        others.stream().flatMap(map -> map.work(number).stream()).toList().parallelStream()
                .forEach(Runnable::run);
        IntStream.range(0, maps.size()).parallel().forEach(i -> others.get(i).rankAgain(maps.get(i), number));
        return others;
    }

    private List<Runnable> work(int number) {
        Levels field = new Levels(terms, grid, sources.get(number), roomOfCells);
        levels[number] = field.dbm();
        return IntStream.range(0, (grid.rows() + ROWS - 1) / ROWS)
                .<Runnable>mapToObj(i -> () -> field.rows(i * ROWS, Math.min(grid.rows(), (i + 1) * ROWS)))
                .toList();
    }

    private void rank() {
        Arrays.fill(best, Float.NEGATIVE_INFINITY);
        Arrays.fill(second, Float.NEGATIVE_INFINITY);
        Arrays.fill(server, NONE);
        Arrays.fill(secondServer, NONE);
        for (byte s = 0; s < levels.length; s++) {
            float[] level = levels[s];
            for (int cell = 0; cell < level.length; cell++) {
                float here = level[cell];
                if (here > best[cell]) {
                    second[cell] = best[cell];
                    secondServer[cell] = server[cell];
                    best[cell] = here;
                    server[cell] = s;
                } else if (here > second[cell]) {
                    second[cell] = here;
                    secondServer[cell] = s;
                }
            }
        }
    }

    /** Ranks when only one source differs from another map: most cells keep what they had. */
    private void rankAgain(CoverageMap before, int number) {
        float[] moved = levels[number];
        for (int cell = 0; cell < moved.length; cell++) {
            boolean stood = before.server[cell] == number || before.secondServer[cell] == number;
            if (stood || moved[cell] > before.second[cell]) {
                rank(cell);
            } else {
                best[cell] = before.best[cell];
                server[cell] = before.server[cell];
                second[cell] = before.second[cell];
                secondServer[cell] = before.secondServer[cell];
            }
        }
    }

    private void rank(int cell) {
        float first = Float.NEGATIVE_INFINITY;
        float next = Float.NEGATIVE_INFINITY;
        byte by = NONE;
        byte nextBy = NONE;
        for (byte s = 0; s < levels.length; s++) {
            float here = levels[s][cell];
            if (here > first) {
                next = first;
                nextBy = by;
                first = here;
                by = s;
            } else if (here > next) {
                next = here;
                nextBy = s;
            }
        }
        best[cell] = first;
        server[cell] = by;
        second[cell] = next;
        secondServer[cell] = nextBy;
    }

    public Grid grid() {
        return grid;
    }

    public List<Source> sources() {
        return sources;
    }

    /** Number of the room of each cell among {@link LossTerms#roomIds}, or -1. */
    public short[] roomOfCells() {
        return roomOfCells.clone();
    }

    /** Level of one source in each cell, dBm. */
    public float[] levelDbm(int source) {
        return levels[source].clone();
    }

    float[] level(int source) {
        return levels[source];
    }

    short[] rooms() {
        return roomOfCells;
    }

    /** Level of the strongest source in each cell, dBm; minus infinity without any source. */
    public float[] bestDbm() {
        return best.clone();
    }

    /** Its number among the sources, or {@link #NONE}. */
    public byte[] bestServer() {
        return server.clone();
    }

    public float[] secondDbm() {
        return second.clone();
    }

    public byte[] secondServer() {
        return secondServer.clone();
    }

    float[] best() {
        return best;
    }

    float[] second() {
        return second;
    }

    byte[] server() {
        return server;
    }

    byte[] nextServer() {
        return secondServer;
    }
}
