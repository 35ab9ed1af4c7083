package org.skelto.core.site;

import java.util.Arrays;
import java.util.List;

/**
 * The horizontal slab under a floor: the outlines of the rooms that it carries or covers, less the stairwells in it. A
 * ray goes through it when it meets its height strictly between its own two ends, above one of the outlines and not in
 * a stairwell.
 *
 * <p>Points on a left or lower edge belong to an outline, those on a right or upper edge do not.
 *
 * @param floor id of the floor
 * @param what name for the person
 * @param zM its height above the site's datum, metres
 * @param outlines rings of x, y, x, y…, on the site, metres
 * @param stairwells likewise
 */
public record SlabArea(
        String floor, String what, double zM, String construction, List<double[]> outlines, List<double[]> stairwells) {

    /** Whether there is slab at a point. */
    public boolean covers(double xM, double yM) {
        return in(outlines, xM, yM) && !in(stairwells, xM, yM);
    }

    private static boolean in(List<double[]> rings, double xM, double yM) {
        for (double[] ring : rings) {
            if (in(ring, xM, yM)) {
                return true;
            }
        }
        return false;
    }

    private static boolean in(double[] ring, double xM, double yM) {
        boolean inside = false;
        for (int i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
            if (ring[i + 1] > yM != ring[j + 1] > yM && xM >= meets(ring, i, j, yM)) {
                inside = !inside;
            }
        }
        return inside;
    }

    private static double meets(double[] ring, int i, int j, double yM) {
        return ring[i] + (yM - ring[i + 1]) / (ring[j + 1] - ring[i + 1]) * (ring[j] - ring[i]);
    }

    /** Where slab begins and ends along a line to the east at y: begin, end, begin, end… in order, metres. */
    public double[] spans(double yM) {
        double[] covered = union(outlines, yM);
        double[] open = union(stairwells, yM);
        return open.length == 0 ? covered : less(covered, open);
    }

    /** The joined spans of several rings. */
    private static double[] union(List<double[]> rings, double yM) {
        double[][] pairs = new double[8][];
        int count = 0;
        for (double[] ring : rings) {
            double[] cuts = cuts(ring, yM);
            for (int i = 0; i + 1 < cuts.length; i += 2) {
                if (count == pairs.length) {
                    pairs = Arrays.copyOf(pairs, 2 * count);
                }
                pairs[count++] = new double[] {cuts[i], cuts[i + 1]};
            }
        }
        Arrays.sort(pairs, 0, count, java.util.Comparator.comparingDouble(p -> p[0]));
        double[] joined = new double[2 * count];
        int size = 0;
        for (int i = 0; i < count; i++) {
            if (size > 0 && pairs[i][0] <= joined[size - 1]) {
                joined[size - 1] = Math.max(joined[size - 1], pairs[i][1]);
            } else {
                joined[size++] = pairs[i][0];
                joined[size++] = pairs[i][1];
            }
        }
        return Arrays.copyOf(joined, size);
    }

    private static double[] cuts(double[] ring, double yM) {
        double[] cuts = new double[ring.length / 2];
        int count = 0;
        for (int i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2) {
            if (ring[i + 1] > yM != ring[j + 1] > yM) {
                cuts[count++] = meets(ring, i, j, yM);
            }
        }
        Arrays.sort(cuts, 0, count);
        return Arrays.copyOf(cuts, count);
    }

    private static double[] less(double[] covered, double[] open) {
        double[] left = new double[covered.length + open.length];
        int size = 0;
        for (int i = 0; i < covered.length; i += 2) {
            double from = covered[i];
            for (int j = 0; j < open.length && from < covered[i + 1]; j += 2) {
                if (open[j + 1] <= from || open[j] >= covered[i + 1]) {
                    continue;
                }
                if (open[j] > from) {
                    left[size++] = from;
                    left[size++] = open[j];
                }
                from = open[j + 1];
            }
            if (from < covered[i + 1]) {
                left[size++] = from;
                left[size++] = covered[i + 1];
            }
        }
        return Arrays.copyOf(left, size);
    }
}
