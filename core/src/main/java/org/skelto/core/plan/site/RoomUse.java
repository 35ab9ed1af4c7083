package org.skelto.core.plan.site;

/** What a room is for: how loud it is, and whether people sleep there. */
public enum RoomUse {
    LIVING(40),
    SLEEPING(25),
    WORK(65),
    WET(45),
    PASSAGE(35),
    STORE(30);

    private final double noiseDb;

    RoomUse(double noiseDb) {
        this.noiseDb = noiseDb;
    }

    /** Usual sound level while people use it, dB(A); at night for a room to sleep in. */
    public double noiseDb() {
        return noiseDb;
    }
}
