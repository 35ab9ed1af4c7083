package org.skelto.core.plan.site;

/** How full a room is, for the clutter term of the multi-wall model. */
public enum Clutter {
    EMPTY(0),
    FURNISHED(1.5),
    CROWDED(3);

    private final double lossDb;

    Clutter(double lossDb) {
        this.lossDb = lossDb;
    }

    /** The clutter term in dB, 0 to 3. */
    public double lossDb() {
        return lossDb;
    }
}
