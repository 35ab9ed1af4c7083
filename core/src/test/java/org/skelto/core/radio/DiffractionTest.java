package org.skelto.core.radio;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Diffraction where its construction has corners, and its laws on random ground. */
class DiffractionTest {
    private static final double FLAT_EARTH = 1e9;

    private static Terrain terrain(double... pairs) {
        double[] d = new double[pairs.length / 2];
        double[] h = new double[d.length];
        for (int i = 0; i < d.length; i++) {
            d[i] = pairs[2 * i];
            h[i] = pairs[2 * i + 1];
        }
        return new Terrain(d, h);
    }

    private static Terrain random(Random random, int points, double stepM, double reliefM) {
        double[] d = new double[points];
        double[] h = new double[points];
        double walk = 100;
        for (int i = 0; i < points; i++) {
            d[i] = i == 0 ? 0 : d[i - 1] + stepM * (0.5 + random.nextDouble());
            walk += reliefM * random.nextGaussian();
            h[i] = walk;
        }
        return new Terrain(d, h);
    }

    private static Terrain reversed(Terrain t) {
        int n = t.size();
        double[] d = new double[n];
        double[] h = new double[n];
        for (int i = 0; i < n; i++) {
            d[i] = t.lengthM() - t.distancesM()[n - 1 - i];
            h[i] = t.heightsM()[n - 1 - i];
        }
        return new Terrain(d, h);
    }

    @Test
    void anEdgeThatJustGrazesTheRayCostsSixDecibelsBeforeTheCorrection() {
        // both antennas and the edge at 10 m: the slopes to the edge cancel
        Terrain t = terrain(0, 0, 1000, 10, 2500, 0);
        double bullington = Diffraction.of(868, t, 10, 10, FLAT_EARTH).bullingtonDb();
        double edge = 6.0329;
        assertEquals(edge + (1 - Math.exp(-edge / 6)) * (10 + 0.02 * 2.5), bullington, 1e-3);
    }

    @ParameterizedTest
    @CsvSource({"0.5", "5", "60"})
    void anEdgeNearAnEndCountsWhereItStands(double fromStart) {
        Terrain t = terrain(0, 0, fromStart, 14, 2000, 0);
        double wavelength = FreeSpace.SPEED_OF_LIGHT / 868e6;
        double v = 4 * Math.sqrt(2 * 2000 / (wavelength * fromStart * (2000 - fromStart)));
        double edge = 6.9 + 20 * Math.log10(Math.sqrt((v - 0.1) * (v - 0.1) + 1) + v - 0.1);
        double loss = Diffraction.of(868, t, 10, 10, FLAT_EARTH).bullingtonDb();
        assertEquals(edge + (1 - Math.exp(-edge / 6)) * (10 + 0.02 * 2), loss, 1e-6);
    }

    @Test
    void lowAntennasOverFlatGroundLoseWhatTheRoundEarthTakes() {
        Diffraction.Loss low = Diffraction.of(868, terrain(0, 50, 3000, 50), 1.5, 1.5, 4.0 / 3);
        double added = low.lossDb() - low.bullingtonDb();
        assertTrue(added > 6 && added < 25, "adds " + added);
        Diffraction.Loss high = Diffraction.of(868, terrain(0, 50, 3000, 50), 60, 60, 4.0 / 3);
        assertEquals(0, high.lossDb(), 1e-9);
    }

    @Test
    void beyondTheHorizonItGrowsWithEveryKilometre() {
        double before = 0;
        for (int km = 30; km <= 100; km += 10) {
            double loss = Diffraction.of(868, terrain(0, 0, km * 1000.0, 0), 10, 10, 4.0 / 3)
                    .lossDb();
            assertTrue(loss > before + 5, km + " km: " + loss);
            before = loss;
        }
    }

    @Test
    void twoEndsAreTheSameAsFortyNinePointsBetween() {
        double[] pairs = new double[102];
        for (int i = 0; i <= 50; i++) {
            pairs[2 * i] = i * 240;
            pairs[2 * i + 1] = 120 + i * 2.4;
        }
        Diffraction.Loss written = Diffraction.of(2440, terrain(pairs), 2, 1, 4.0 / 3);
        Diffraction.Loss two = Diffraction.of(2440, terrain(0, 120, 12_000, 240), 2, 1, 4.0 / 3);
        assertEquals(written.lossDb(), two.lossDb(), 1e-6);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void isTheSameBothWaysAndNeverLessThanItsConstruction(long seed) {
        Random random = new Random(seed);
        for (int i = 0; i < 200; i++) {
            Terrain t = random(random, 3 + random.nextInt(60), 20 + 100 * random.nextDouble(), 8 * random.nextDouble());
            double a = 0.5 + 20 * random.nextDouble();
            double b = 0.5 + 20 * random.nextDouble();
            double f = 100 + 5000 * random.nextDouble();
            Diffraction.Loss there = Diffraction.of(f, t, a, b, 4.0 / 3);
            Diffraction.Loss back = Diffraction.of(f, reversed(t), b, a, 4.0 / 3);
            assertEquals(there.lossDb(), back.lossDb(), 1e-6);
            assertTrue(there.lossDb() >= there.bullingtonDb() && there.bullingtonDb() >= 0);
            assertTrue(Double.isFinite(there.lossDb()));
        }
    }

    @Test
    void refusesDistancesThatRepeatOrDescend() {
        assertThrows(IllegalArgumentException.class, () -> terrain(0, 1, 10, 1, 10, 2));
        assertThrows(IllegalArgumentException.class, () -> terrain(0, 1, 10, 1, 5, 2));
        assertThrows(IllegalArgumentException.class, () -> terrain(0, 1));
        assertThrows(IllegalArgumentException.class, () -> terrain(0, 1, 10, Double.NaN));
    }

    @Test
    void twoRaysFallWithTheFourthPowerOfDistanceFarOut() {
        for (double d : new double[] {20_000, 50_000}) {
            double far = 40 * Math.log10(d) - 20 * Math.log10(3 * 2);
            assertEquals(far, TwoRay.lossDb(868, d, 3, 2), 0.05);
        }
    }

    @Test
    void lossInTreesHasNoStepWhereItsFormulaChanges() {
        assertEquals(Vegetation.lossDb(868, 14), Vegetation.lossDb(868, 14.001), 0.1);
        assertTrue(Vegetation.extrapolated(868, 401) && !Vegetation.extrapolated(868, 400));
    }
}
