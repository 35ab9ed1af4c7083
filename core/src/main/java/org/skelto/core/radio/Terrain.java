package org.skelto.core.radio;

/**
 * The ground under a radio path, as distances from the sender and heights above the sea (or any other datum).
 *
 * @param distancesM from the first point, which is 0; ascending strictly, at least two
 * @param heightsM of the ground, one for each distance, metres
 */
public record Terrain(double[] distancesM, double[] heightsM) {
    /** A profile of only its two ends gets so many points between them. */
    static final int BETWEEN = 49;

    /**
     * @throws IllegalArgumentException when there are fewer than two points, or the distances do not ascend from the first
     *     one, or a number is not finite
     */
    public Terrain {
        if (distancesM.length < 2 || distancesM.length != heightsM.length) {
            throw new IllegalArgumentException("a profile needs at least two points, each with distance and height");
        }
        for (int i = 0; i < distancesM.length; i++) {
            if (!Double.isFinite(distancesM[i]) || !Double.isFinite(heightsM[i])) {
                throw new IllegalArgumentException("point " + (i + 1) + " of the profile is not finite");
            }
            if (i > 0 && distancesM[i] <= distancesM[i - 1]) {
                throw new IllegalArgumentException(
                        "distances must ascend: point " + (i + 1) + " does not lie beyond " + "point " + i);
            }
        }
    }

    /** How far the ends are apart, metres. */
    public double lengthM() {
        return distancesM[distancesM.length - 1] - distancesM[0];
    }

    /** How many points there are. */
    public int size() {
        return distancesM.length;
    }

    /** With points between when there are only the two ends. */
    Terrain filled() {
        if (size() > 2) {
            return this;
        }
        double[] d = new double[BETWEEN + 2];
        double[] h = new double[BETWEEN + 2];
        for (int i = 0; i < d.length; i++) {
            double share = (double) i / (d.length - 1);
            d[i] = distancesM[0] + share * lengthM();
            h[i] = heightsM[0] + share * (heightsM[1] - heightsM[0]);
        }
        return new Terrain(d, h);
    }

    /** Height of the ground at a distance, linear between points; the end's beyond an end. */
    public double heightM(double distanceM) {
        int at = java.util.Arrays.binarySearch(distancesM, distanceM);
        if (at >= 0) {
            return heightsM[at];
        }
        int after = -at - 1;
        if (after == 0 || after == size()) {
            return heightsM[Math.min(after, size() - 1)];
        }
        double share = (distanceM - distancesM[after - 1]) / (distancesM[after] - distancesM[after - 1]);
        return heightsM[after - 1] + share * (heightsM[after] - heightsM[after - 1]);
    }

    /** The part between two distances, which become its ends; {@code fromM} below {@code toM}. */
    public Terrain part(double fromM, double toM) {
        int first = 0;
        while (first < size() && distancesM[first] <= fromM) {
            first++;
        }
        int end = first;
        while (end < size() && distancesM[end] < toM) {
            end++;
        }
        double[] d = new double[end - first + 2];
        double[] h = new double[d.length];
        d[0] = 0;
        h[0] = heightM(fromM);
        for (int i = first; i < end; i++) {
            d[i - first + 1] = distancesM[i] - fromM;
            h[i - first + 1] = heightsM[i];
        }
        d[d.length - 1] = toM - fromM;
        h[h.length - 1] = heightM(toM);
        return new Terrain(d, h);
    }
}
