package org.skelto.core.sample;

import java.util.Random;
import org.skelto.core.ground.ElevationGrid;
import org.skelto.core.ground.ElevationGridBuilder;

/** Made-up ground for load and comparison: hills by displaced midpoints, rough in the small and steep in the large. */
public final class Hills {
    private final int size;
    private final double[][] z;
    private final Random random;

    private Hills(int size, long seed) {
        this.size = size;
        this.z = new double[size + 1][size + 1];
        this.random = new Random(seed);
    }

    /**
     * A square grid of hills.
     *
     * @param side columns and rows
     * @param stepM from column to column; rows lie 1.3 times as far apart
     * @param reliefM spread of the largest hills, metres; 0 is flat
     * @param roughness how much of it half the distance keeps, 0 to 1; about 0.5 for worn hills
     */
    public static ElevationGrid grid(int side, double stepM, double reliefM, double roughness, long seed) {
        int size = Integer.highestOneBit(side - 1);
        Hills hills = new Hills(size == side - 1 ? size : size * 2, seed);
        hills.raise(reliefM, roughness);
        float[] heights = new float[side * side];
        for (int row = 0; row < side; row++) {
            for (int column = 0; column < side; column++) {
                heights[row * side + column] = (float) hills.z[row][column];
            }
        }
        return ElevationGridBuilder.builder()
                .columns(side)
                .rows(side)
                .westM(0)
                .southM(0)
                .eastStepM(stepM)
                .northStepM(stepM * 1.3)
                .heightM(heights)
                .build();
    }

    private void raise(double reliefM, double roughness) {
        double amount = reliefM;
        for (int step = size; step > 1; step /= 2) {
            int half = step / 2;
            for (int y = half; y <= size; y += step) {
                for (int x = half; x <= size; x += step) {
                    z[y][x] = mean(x, y, half, true) + random.nextGaussian() * amount;
                }
            }
            for (int y = 0; y <= size; y += half) {
                for (int x = y / half % 2 == 0 ? half : 0; x <= size; x += step) {
                    z[y][x] = mean(x, y, half, false) + random.nextGaussian() * amount * 0.7;
                }
            }
            amount *= roughness;
        }
    }

    private double mean(int x, int y, int half, boolean corners) {
        double sum = 0;
        int found = 0;
        for (int i = -1; i <= 1; i += 2) {
            for (int j = -1; j <= 1; j += 2) {
                int atX = x + half * (corners ? i : (i + j) / 2);
                int atY = y + half * (corners ? j : (i - j) / 2);
                if (atX >= 0 && atX <= size && atY >= 0 && atY <= size) {
                    sum += z[atY][atX];
                    found++;
                }
            }
        }
        return sum / found;
    }
}
