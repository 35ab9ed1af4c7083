package org.skelto.core.radio;

import java.util.List;
import java.util.TreeSet;
import org.skelto.core.plan.radio.Cover;

/** Ground with what stands on it. */
final class Raised {
    /** The side of a thing that stands on the ground is this steep, metres. */
    private static final double SIDE_M = 0.5;

    private Raised() {}

    /** The ground with covers of a kind as part of it; the ends stay where they are. */
    static Terrain ground(Terrain ground, List<Cover> covers, Cover.Kind kind) {
        List<Cover> raising = covers.stream()
                .filter(c -> c.kind() == kind && c.heightM() > 0 && c.fromM() < ground.lengthM())
                .toList();
        if (raising.isEmpty()) {
            return ground;
        }
        TreeSet<Double> distances = new TreeSet<>();
        for (double d : ground.distancesM()) {
            distances.add(d);
        }
        double length = ground.lengthM();
        for (Cover c : raising) {
            for (double d : new double[] {c.fromM() - SIDE_M, c.fromM(), c.toM(), c.toM() + SIDE_M}) {
                if (d > 0 && d < length) {
                    distances.add(d);
                }
            }
        }
        double[] d = distances.stream().mapToDouble(x -> x).toArray();
        double[] h = new double[d.length];
        for (int i = 0; i < d.length; i++) {
            double at = d[i];
            double more = raising.stream()
                    .filter(c -> at >= c.fromM() && at <= c.toM())
                    .mapToDouble(Cover::heightM)
                    .max()
                    .orElse(0);
            h[i] = ground.heightM(at) + (i == 0 || i == d.length - 1 ? 0 : more);
        }
        return new Terrain(d, h);
    }
}
