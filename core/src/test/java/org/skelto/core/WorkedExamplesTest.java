package org.skelto.core;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;
import org.skelto.core.power.Electrics;
import org.skelto.core.radio.Air;
import org.skelto.core.radio.Diffraction;
import org.skelto.core.radio.FreeSpace;
import org.skelto.core.radio.Fresnel;
import org.skelto.core.wiring.BusTiming;

/** The worked examples in the comments of packages, worked again by hand. */
class WorkedExamplesTest {
    @Test
    void comeOutAsTheCommentsSay() {
        assertEquals(71.22, FreeSpace.lossDb(868.3, 100), 0.005);
        assertEquals(2.94, Fresnel.radiusM(868.3, 50, 50), 0.005);
        assertEquals(6.03, Diffraction.edgeDb(0), 0.005);
        assertEquals(0.460, Electrics.dropV(20, 0.5, 0.75, 20), 0.0005);
        assertEquals(967, BusTiming.leastPullUpOhm(3.3), 0.5);
        assertEquals(5901, BusTiming.mostPullUpOhm(200, 100), 0.5);
        assertEquals(0.983, Air.frameSuccess(6, 100, 60), 0.0005);
        assertEquals(0.999995, Air.delivery(0.983, 3), 5e-7);
    }
}
