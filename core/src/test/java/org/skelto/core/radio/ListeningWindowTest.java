package org.skelto.core.radio;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The union of start windows against trying out every phase, and the approximate formula where its spacings are small. */
class ListeningWindowTest {
    @ParameterizedTest
    @CsvSource({
        "0.5, 10, 0.1, 1, 0.1, 0.04",
        "0.5, 10, 0.1, 3, 0.2, 0.08",
        "0.1, 10, 0.1, 9, 1, 0",
        "10, 10, 3, 1, 3, 1"
    })
    void byHand(double window, double cycle, double frame, int frames, double spacing, double chance) {
        assertEquals(chance, ListeningWindow.chance(window, cycle, frame, frames, spacing), 1e-12);
    }

    @Test
    void everyPhaseTriedOut() {
        Random random = new Random(4);
        for (int i = 0; i < 200; i++) {
            double cycle = 1 + random.nextDouble() * 20;
            double window = cycle * random.nextDouble();
            double frame = random.nextDouble() * 0.5;
            int frames = 1 + random.nextInt(8);
            double spacing = random.nextDouble() * 1.5 * cycle;
            int heard = 0;
            int phases = 4000;
            for (int p = 0; p < phases; p++) {
                boolean any = false;
                for (int n = 0; n < frames; n++) {
                    double at = ((p + 0.5) * cycle / phases + n * Math.max(spacing, frame)) % cycle;
                    any |= at + frame <= window;
                }
                heard += any ? 1 : 0;
            }
            assertEquals(
                    (double) heard / phases,
                    ListeningWindow.chance(window, cycle, frame, frames, spacing),
                    frames * 2.0 / phases);
            double simple = Math.min(
                    1, ((window - frame) + (frames - 1) * Math.min(Math.max(spacing, frame), window - frame)) / cycle);
            assertTrue(ListeningWindow.chance(window, cycle, frame, frames, spacing) <= Math.max(0, simple) + 1e-9);
        }
    }
}
