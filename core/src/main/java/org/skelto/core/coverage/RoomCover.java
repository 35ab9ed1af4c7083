package org.skelto.core.coverage;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.raster.Grid;
import org.skelto.core.work.ComputingBudget;

/**
 * How well a room is covered.
 *
 * @param room id of the room
 * @param share of its area at or above the wanted level, 0 to 1
 * @param worstDbm weakest level in it, dBm
 * @param worstXM where that is, metres on the site
 * @param best id of the unit that serves most of it, or null
 * @param second id of the unit that would serve most of it next, or null
 * @param shareWithoutBest of its area at or above the wanted level if the best one fails, 0 to 1
 */
@RecordBuilder
public record RoomCover(
        String room,
        double share,
        double worstDbm,
        double worstXM,
        double worstYM,
        @Nullable String best,
        @Nullable String second,
        double shareWithoutBest)
        implements RoomCoverBuilder.With {

    /** Rooms of a floor, in the plan's order. Rooms smaller than a cell are left out. */
    public static List<RoomCover> of(CoverageMap map, List<String> roomIds, double wantedDbm) {
        Tally[] tallies = new Tally[roomIds.size()];
        short[] rooms = map.rooms();
        int sources = map.sources().size();
        for (int cell = 0; cell < rooms.length; cell++) {
            if (rooms[cell] >= 0) {
                if (tallies[rooms[cell]] == null) {
                    tallies[rooms[cell]] = new Tally(sources);
                }
                tallies[rooms[cell]].add(map, cell, wantedDbm);
            }
        }
        List<RoomCover> covers = new ArrayList<>();
        for (int r = 0; r < tallies.length; r++) {
            if (tallies[r] != null) {
                covers.add(tallies[r].cover(map, roomIds.get(r), (short) r, wantedDbm));
            }
        }
        return covers;
    }

    private static final class Tally {
        private final int[] served;
        private final int[] next;
        private int cells;
        private int covered;
        private int worst = -1;

        Tally(int sources) {
            served = new int[sources];
            next = new int[sources];
        }

        void add(CoverageMap map, int cell, double wantedDbm) {
            cells++;
            if (map.best()[cell] >= wantedDbm) {
                covered++;
            }
            if (worst < 0 || map.best()[cell] < map.best()[worst]) {
                worst = cell;
            }
            if (map.server()[cell] >= 0) {
                served[map.server()[cell]]++;
            }
            if (map.nextServer()[cell] >= 0) {
                next[map.nextServer()[cell]]++;
            }
        }

        RoomCover cover(CoverageMap map, String id, short number, double wantedDbm) {
            ComputingBudget.step();
            int best = most(served, -1);
            int second = most(next, best);
            Grid grid = map.grid();
            return RoomCoverBuilder.builder()
                    .room(id)
                    .share((double) covered / cells)
                    .worstDbm(Math.max(-300, map.best()[worst]))
                    .worstXM(grid.x(worst % grid.columns()))
                    .worstYM(grid.y(worst / grid.columns()))
                    .best(best < 0 ? null : map.sources().get(best).unit())
                    .second(second < 0 ? null : map.sources().get(second).unit())
                    .shareWithoutBest(without(map, number, best, wantedDbm))
                    .build();
        }

        private double without(CoverageMap map, short number, int best, double wantedDbm) {
            if (best < 0) {
                return 0;
            }
            int left = 0;
            for (int cell = 0; cell < map.rooms().length; cell++) {
                if (map.rooms()[cell] == number) {
                    float level = map.server()[cell] == best ? map.second()[cell] : map.best()[cell];
                    left += level >= wantedDbm ? 1 : 0;
                }
            }
            return (double) left / cells;
        }

        private static int most(int[] counts, int not) {
            int best = -1;
            for (int i = 0; i < counts.length; i++) {
                if (i != not && counts[i] > 0 && (best < 0 || counts[i] > counts[best])) {
                    best = i;
                }
            }
            return best;
        }
    }
}
