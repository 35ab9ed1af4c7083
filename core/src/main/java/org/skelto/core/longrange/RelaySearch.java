package org.skelto.core.longrange;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.skelto.core.ground.ElevationGrid;
import org.skelto.core.ground.LossMap;
import org.skelto.core.ground.PlainLoss;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.Budget;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.Diffraction;
import org.skelto.core.radio.FreeSpace;
import org.skelto.core.raster.Contours;
import org.skelto.core.raster.GridBuilder;
import org.skelto.core.work.Progress;

/** The margin of a link from one antenna to everywhere on a grid, and the places from which a relay reaches two. */
public final class RelaySearch {
    /** Nodes of a drawn map along a side at most. */
    private static final int DRAWN = 300;

    private static final int CANDIDATES = 6;

    /** Two candidates are at least this share of the grid apart. */
    private static final double APART_SHARE = 0.06;

    private RelaySearch() {}

    /**
     * A map as it is drawn.
     *
     * @param columns west to east, thinned to at most {@value #DRAWN}
     * @param rows south to north
     * @param marginDb of the worse direction at each node row by row from the south, whole tenths of a dB
     * @param lines contour lines at levels that mean something
     * @param candidates for a relay, best first; empty when only one end was asked for
     * @param seconds that it took
     */
    @RecordBuilder
    public record MarginMap(
            int columns,
            int rows,
            double westM,
            double southM,
            double eastStepM,
            double northStepM,
            int[] marginDb,
            List<MarginLine> lines,
            List<Candidate> candidates,
            double holdsShare,
            double seconds)
            implements RelaySearchMarginMapBuilder.With {}

    /** A line of equal margin: x, y, x, y… on the site. */
    public record MarginLine(double levelDb, String meaning, List<double[]> lines) {}

    /**
     * A place for a relay.
     *
     * @param groundM height of the ground by the grid
     * @param siteM the same above the site's own datum
     */
    @RecordBuilder
    public record Candidate(
            double xM,
            double yM,
            double groundM,
            double siteM,
            double oneDb,
            double otherDb,
            double worstDb,
            boolean meets,
            Figure oneFigure,
            Figure otherFigure)
            implements RelaySearchCandidateBuilder.With {}

    /**
     * One end.
     *
     * @param heightM of its antenna above the ground
     * @param siteGroundM of the ground there above the site's datum
     * @param aroundDb what walls around it and its own pattern take, by direction, evenly from north over east
     */
    public record EndPoint(double xM, double yM, double heightM, double siteGroundM, Radio radio, double[] aroundDb) {
        /** What walls and the antenna's pattern take towards a place, dB. */
        double aroundDb(double toXM, double toYM) {
            double turn = Math.atan2(toXM - xM, toYM - yM) / (2 * Math.PI);
            return aroundDb[Math.floorMod((int) Math.round(turn * aroundDb.length), aroundDb.length)];
        }
    }

    /**
     * The margin at the node of the grid next to a place, over the profile up to there.
     *
     * @param xM of the node, likewise {@code yM}
     * @param groundM height of the ground there by the grid
     * @param lengthM of the way along the ground
     */
    @RecordBuilder
    public record PlaceMargin(
            double xM, double yM, double groundM, double lengthM, double marginDb, double chance, Figure figure)
            implements RelaySearchPlaceMarginBuilder.With {}

    /** The margin at one place; it must lie on the grid. */
    public static PlaceMargin at(
            ElevationGrid grid, EndPoint end, Radio relay, double relayM, double sigmaDb, double xM, double yM) {
        int column = (int) Math.round(grid.column(xM));
        int row = (int) Math.round(grid.row(yM));
        double x = grid.x(column);
        double y = grid.y(row);
        double loss = new PlainLoss(grid, ask(end, relayM)).lossDb(column, row);
        double around = end.aroundDb(x, y);
        double margin = Budget.lesserMarginDb(end.radio(), relay, loss + around);
        double ground = grid.heightM()[row * grid.columns() + column];
        double length = Math.hypot(x - end.xM(), y - end.yM());
        return RelaySearchPlaceMarginBuilder.builder()
                .xM(x)
                .yM(y)
                .groundM(ground)
                .lengthM(length)
                .marginDb(margin)
                .chance(Chance.of(margin, sigmaDb))
                .figure(Figure.of(
                        "EIRP + receiving antenna and feeder − receiver floor − loss over the ground − walls and pattern, the worse"
                                + " direction",
                        "link budget; ITU-R P.525 and P.526 §4.5 over the grid of heights, bare ground",
                        false,
                        "what may be lost on the way",
                        Text.db(Budget.lesserMarginDb(end.radio(), relay, 0)),
                        "over",
                        Text.metres(length) + ", antennas at " + Text.metres(end.heightM()) + " and "
                                + Text.metres(relayM),
                        "ground at both ends",
                        Text.metres(grid.at(end.xM(), end.yM())) + " and " + Text.metres(ground),
                        "loss over the ground",
                        Text.db(loss),
                        "of that free space",
                        Text.db(FreeSpace.lossDb(end.radio().frequencyMHz(), length)),
                        "walls and the antenna's own pattern in that direction",
                        Text.db(around)))
                .build();
    }

    private static LossMap.Ask ask(EndPoint end, double relayM) {
        return new LossMap.Ask(
                end.xM(), end.yM(), end.heightM(), relayM, end.radio().frequencyMHz(), Diffraction.USUAL_FACTOR);
    }

    /**
     * The map.
     *
     * @param other the second end, or null for the map of one
     * @param relay radio of what would stand at each node
     * @param relayM height of its antenna
     * @param neededDb margin that is wanted
     */
    public static MarginMap of(
            ElevationGrid grid,
            EndPoint one,
            EndPoint other,
            Radio relay,
            double relayM,
            double neededDb,
            Progress progress,
            int threads) {
        long began = System.nanoTime();
        float[] first = margins(grid, one, relay, relayM, part(progress, 0, other == null ? 0.9 : 0.45), threads);
        float[] second = other == null ? null : margins(grid, other, relay, relayM, part(progress, 0.45, 0.9), threads);
        float[] worst = first.clone();
        for (int i = 0; second != null && i < worst.length; i++) {
            worst[i] = Math.min(worst[i], second[i]);
        }
        progress.at(0.92, "drawing lines");
        List<Candidate> candidates =
                second == null ? List.of() : candidates(grid, one, other, relay, relayM, worst, neededDb);
        int by = (Math.max(grid.columns(), grid.rows()) + DRAWN - 1) / DRAWN;
        int columns = (grid.columns() + by - 1) / by;
        int rows = (grid.rows() + by - 1) / by;
        float[] thin = new float[columns * rows];
        int[] drawn = new int[thin.length];
        int holds = 0;
        for (int r = 0; r < rows; r++) {
            for (int c = 0; c < columns; c++) {
                float value = worst[r * by * grid.columns() + c * by];
                thin[r * columns + c] = value;
                drawn[r * columns + c] = Math.round(value * 10);
                holds += value >= neededDb ? 1 : 0;
            }
        }
        List<MarginLine> lines = lines(grid, thin, columns, rows, by, neededDb);
        progress.check();
        return RelaySearchMarginMapBuilder.builder()
                .columns(columns)
                .rows(rows)
                .westM(grid.westM())
                .southM(grid.southM())
                .eastStepM(grid.eastStepM() * by)
                .northStepM(grid.northStepM() * by)
                .marginDb(drawn)
                .lines(lines)
                .candidates(candidates)
                .holdsShare((double) holds / thin.length)
                .seconds((System.nanoTime() - began) / 1e9)
                .build();
    }

    private static Progress part(Progress whole, double from, double to) {
        return new Progress() {
            @Override
            public void at(double share, String doing) {
                whole.at(from + share * (to - from), doing);
            }

            @Override
            public boolean cancelled() {
                return whole.cancelled();
            }
        };
    }

    private static float[] margins(
            ElevationGrid grid, EndPoint end, Radio relay, double relayM, Progress progress, int threads) {
        float[] loss = LossMap.lossDb(grid, ask(end, relayM), progress, threads);
        float without = (float) Budget.lesserMarginDb(end.radio(), relay, 0);
        for (int r = 0; r < grid.rows(); r++) {
            for (int c = 0; c < grid.columns(); c++) {
                int i = r * grid.columns() + c;
                loss[i] = without - loss[i] - (float) end.aroundDb(grid.x(c), grid.y(r));
            }
        }
        return loss;
    }

    private static List<MarginLine> lines(
            ElevationGrid grid, float[] thin, int columns, int rows, int by, double neededDb) {
        org.skelto.core.raster.Grid unit = GridBuilder.builder()
                .westM(0)
                .southM(0)
                .cellM(1)
                .columns(columns)
                .rows(rows)
                .zM(0)
                .build();
        List<MarginLine> all = new ArrayList<>();
        for (double[] level : new double[][] {{0, 0}, {neededDb, 1}, {neededDb + 10, 2}}) {
            List<double[]> found = new ArrayList<>();
            for (double[] line : Contours.of(unit, thin, level[0])) {
                if (line.length < 8) {
                    continue;
                }
                double[] site = new double[line.length];
                for (int i = 0; i < line.length; i += 2) {
                    site[i] = Math.round(grid.x((line[i] - unit.x(0)) * by) * 10) / 10.0;
                    site[i + 1] = Math.round(grid.y((line[i + 1] - unit.y(0)) * by) * 10) / 10.0;
                }
                found.add(site);
            }
            found.sort(Comparator.comparingInt((double[] l) -> -l.length));
            all.add(new MarginLine(
                    level[0],
                    level[1] == 0 ? "nothing beyond" : level[1] == 1 ? "target met within" : "10 dB to spare within",
                    found.subList(0, Math.min(found.size(), 120))));
        }
        return all;
    }

    /** The best places, apart from each other. */
    private static List<Candidate> candidates(
            ElevationGrid grid,
            EndPoint one,
            EndPoint other,
            Radio relay,
            double relayM,
            float[] worst,
            double neededDb) {
        double datumM = one.siteGroundM() - grid.at(one.xM(), one.yM());
        int apart = (int) Math.max(2, APART_SHARE * Math.max(grid.columns(), grid.rows()));
        boolean[] taken = new boolean[worst.length];
        List<Candidate> all = new ArrayList<>();
        for (int n = 0; n < CANDIDATES; n++) {
            int best = -1;
            for (int i = 0; i < worst.length; i++) {
                if (!taken[i] && (best < 0 || worst[i] > worst[best])) {
                    best = i;
                }
            }
            if (best < 0 || worst[best] < 0) {
                break;
            }
            int c = best % grid.columns();
            int r = best / grid.columns();
            PlaceMargin first = at(grid, one, relay, relayM, Chance.OUTDOOR_SIGMA_DB, grid.x(c), grid.y(r));
            PlaceMargin second = at(grid, other, relay, relayM, Chance.OUTDOOR_SIGMA_DB, grid.x(c), grid.y(r));
            double worse = Math.min(first.marginDb(), second.marginDb());
            all.add(RelaySearchCandidateBuilder.builder()
                    .xM(first.xM())
                    .yM(first.yM())
                    .groundM(first.groundM())
                    .siteM(first.groundM() + datumM)
                    .oneDb(first.marginDb())
                    .otherDb(second.marginDb())
                    .worstDb(worse)
                    .meets(worse >= neededDb)
                    .oneFigure(first.figure())
                    .otherFigure(second.figure())
                    .build());
            for (int y = Math.max(0, r - apart); y <= Math.min(grid.rows() - 1, r + apart); y++) {
                for (int x = Math.max(0, c - apart); x <= Math.min(grid.columns() - 1, c + apart); x++) {
                    taken[y * grid.columns() + x] = true;
                }
            }
        }
        return all;
    }
}
