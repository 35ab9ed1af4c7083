package org.skelto.core.coverage;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.IndoorModel;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.radio.CalibratedLoss;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.raster.Contours;
import org.skelto.core.raster.Grid;
import org.skelto.core.site.SiteModel;

/**
 * The coverage of a floor by one radio, ready to be drawn.
 *
 * @param levels that mean something, strongest first
 * @param wantedDbm below it a place does not count as covered
 * @param upward whether sensors speak and the mapped units listen
 * @param contours lines of equal level: first those of the levels, then stronger ones
 * @param rooms how well each room is covered
 * @param model how it was predicted, in words
 */
@RecordBuilder
public record FloorCoverage(
        Medium medium,
        Grid grid,
        List<Server> servers,
        List<CoverageScenario.Level> levels,
        double floorDbm,
        double sigmaDb,
        double wantedDbm,
        boolean upward,
        List<Contour> contours,
        List<RoomCover> rooms,
        String model)
        implements FloorCoverageBuilder.With {
    /** Above the strongest level that means something, lines follow each other by this much, dB. */
    private static final List<Double> STRONGER_DB = List.of(10.0, 20.0, 30.0);

    /** A unit whose level is mapped; its place in this list is its number in the grid. */
    public record Server(String unit, String name, double xM, double yM, double zM) {}

    /** Lines at a level, each as x, y, x, y… in metres on the site. */
    public record Contour(double dbm, List<double[]> lines) {}

    /** A coverage with its levels. */
    public record Mapped(FloorCoverage coverage, CoverageMap map) {}

    /**
     * Works out the coverage of a floor that has rooms.
     *
     * @param dark ids of units that are dark or cut off
     * @param mostCells the grid is as fine as this many cells allow, from 10 cm up
     */
    public static Mapped of(
            SiteModel site, SlabTables tables, Medium medium, String floor, Set<String> dark, int mostCells) {
        Plan plan = site.plan();
        CoverageScenario reach = new CoverageScenario(site, medium);
        List<Source> all = reach.sources(Set.of());
        List<Source> sources =
                all.stream().filter(s -> !dark.contains(s.unit())).toList();
        LossTerms terms = new LossTerms(site, tables);
        Grid grid = CoverageScenario.grid(plan, floor, mostCells);
        CoverageMap map = CoverageMap.of(terms, grid, sources);
        List<CoverageScenario.Level> levels = reach.levels(all);
        List<Contour> contours = Stream.concat(
                        levels.stream().map(CoverageScenario.Level::dbm),
                        STRONGER_DB.stream().map(above -> levels.get(0).dbm() + above))
                .map(dbm -> new Contour(dbm, Contours.of(grid, map.best(), dbm)))
                .toList();
        double wanted = levels.get(1).dbm();
        double sigma = CalibratedLoss.sigmaDb(plan, reach.frequencyMHz());
        return new Mapped(
                FloorCoverageBuilder.builder()
                        .medium(medium)
                        .grid(grid)
                        .servers(sources.stream()
                                .map(s -> new Server(s.unit(), s.name(), s.at().xM(), s.at().yM(), s.at().zM()))
                                .toList())
                        .levels(levels)
                        .floorDbm(reach.floorDbm(all))
                        .sigmaDb(sigma)
                        .wantedDbm(wanted)
                        .upward(CoverageScenario.upward(medium))
                        .contours(contours)
                        .rooms(RoomCover.of(map, terms.roomIds(), wanted))
                        .model(model(plan, sigma))
                        .build(),
                map);
    }

    private static String model(Plan plan, double sigma) {
        boolean calibrated = CalibratedLoss.used(plan);
        String by = plan.indoorModel() == IndoorModel.WALLS ? "by walls" : "by distance exponent";
        return by + (calibrated ? ", calibrated ±" : ", tables ±") + Math.round(sigma * 10) / 10.0 + " dB";
    }
}
