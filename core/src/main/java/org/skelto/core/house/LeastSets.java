package org.skelto.core.house;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/** Sets of components of which each alone loses a job, while none of its parts does; by their places in a list of components. */
final class LeastSets {
    private final List<int[]> sets = new ArrayList<>();
    private final List<int[]> again = new ArrayList<>();
    private boolean always;
    private int[][] parts = {};

    /** Whether the job is lost with nothing gone. */
    void nothingGone(boolean lost) {
        always = lost;
    }

    /**
     * Takes in what a block of combinations of one size found.
     *
     * @param lanes by component, in which of them it is gone
     * @param within the lanes that there are
     * @param lost those in which the job is lost
     * @param rests whether a position that it rests in could give the job
     */
    synchronized void take(List<int[]> tuples, int from, long[] lanes, long within, long lost, boolean rests) {
        if (always) {
            return;
        }
        long covered = covered(lanes);
        for (long rest = lost & ~covered & within; rest != 0; rest &= rest - 1) {
            sets.add(tuples.get(from + Long.numberOfTrailingZeros(rest)));
        }
        if (rests) {
            for (long rest = covered & ~lost & within; rest != 0; rest &= rest - 1) {
                again.add(tuples.get(from + Long.numberOfTrailingZeros(rest)));
            }
        }
    }

    /** After all combinations of one size: those found are parts of larger ones now. */
    void close() {
        parts = sets.toArray(new int[0][]);
    }

    private long covered(long[] lanes) {
        long covered = 0;
        for (int[] part : parts) {
            long all = -1;
            for (int i : part) {
                all &= lanes[i];
            }
            covered |= all;
        }
        return covered;
    }

    /** Whether the job is lost with everything working. */
    boolean always() {
        return always;
    }

    /** The sets, smaller ones first. */
    List<int[]> sets() {
        return sets.stream()
                .sorted(Comparator.<int[]>comparingInt(s -> s.length).thenComparing(Arrays::compare))
                .toList();
    }

    /** Whether a set works again when something more fails: a position that it rests in gives the job then. */
    boolean worksAgain(int[] set) {
        return again.stream()
                .anyMatch(more ->
                        Arrays.stream(set).allMatch(i -> Arrays.stream(more).anyMatch(m -> m == i)));
    }
}
