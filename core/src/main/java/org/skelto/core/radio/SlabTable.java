package org.skelto.core.radio;

import org.skelto.core.plan.site.Construction;
import org.skelto.core.work.ComputingBudget;

/**
 * The loss of one construction at one frequency by angle, worked out once. Between two of its {@value #NODES} nodes,
 * evenly spaced in the cosine of incidence, the loss runs straight; flatter than 75° it is that of 75°. Links, maps and
 * proposals all read the same tables.
 */
public final class SlabTable {
    private static final int NODES = 257;
    private static final double LEAST_COS = Math.cos(Math.toRadians(Slab.FLATTEST_DEG));
    private static final double PER_COS = (NODES - 1) / (1 - LEAST_COS);

    private final double[] lossDb;

    private SlabTable(double[] lossDb) {
        this.lossDb = lossDb;
    }

    /** The table of a construction: its measured loss in that band if there is one, else what its layers make. */
    public static SlabTable of(Construction construction, double frequencyMHz) {
        double[] loss = new double[NODES];
        for (int i = 0; i < NODES; i++) {
            ComputingBudget.step();
            double cos = LEAST_COS + i / PER_COS;
            loss[i] = Slab.constructionLossDb(construction, frequencyMHz, Math.toDegrees(Math.acos(Math.min(1, cos))));
        }
        return new SlabTable(loss);
    }

    /** A table that is the same at every angle. */
    public static SlabTable flat(double lossDb) {
        double[] loss = new double[NODES];
        java.util.Arrays.fill(loss, lossDb);
        return new SlabTable(loss);
    }

    /** Loss in dB for a cosine of incidence of 0 to 1. */
    public double lossDb(double cosIncidence) {
        double at = (cosIncidence - LEAST_COS) * PER_COS;
        if (at <= 0) {
            return lossDb[0];
        }
        int node = (int) at;
        if (node >= NODES - 1) {
            return lossDb[NODES - 1];
        }
        return lossDb[node] + (at - node) * (lossDb[node + 1] - lossDb[node]);
    }
}
