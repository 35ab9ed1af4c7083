package org.skelto.core.coverage;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.Random;
import org.junit.jupiter.api.Test;

class DecibelsTest {
    @Test
    void itIsTheLogarithmWithinAMillionthOfADecibel() {
        Random random = new Random(7);
        for (int i = 0; i < 200_000; i++) {
            float ratio = (float) Math.pow(10, random.nextDouble() * 12 - 8);
            assertEquals(10 * Math.log10(ratio), Decibels.of(ratio), 1e-6, () -> "of " + ratio);
        }
        assertEquals(0, Decibels.of(1));
        assertEquals(-20, Decibels.of(0.01f), 1e-6);
    }
}
