package org.skelto.core.radio;

/** Two rays over plane ground: the direct one and one reflected with coefficient −1, with their exact lengths. */
public final class TwoRay {
    private TwoRay() {}

    /**
     * Loss in dB.
     *
     * @param distanceM along the ground, not negative
     * @param txHeightM above the ground, above 0; likewise {@code rxHeightM}
     */
    public static double lossDb(double frequencyMHz, double distanceM, double txHeightM, double rxHeightM) {
        double wave = 2 * Math.PI * frequencyMHz * 1e6 / FreeSpace.SPEED_OF_LIGHT;
        double direct = Math.hypot(distanceM, txHeightM - rxHeightM);
        double reflected = Math.hypot(distanceM, txHeightM + rxHeightM);
        direct = Math.max(direct, FreeSpace.LEAST_M);
        reflected = Math.max(reflected, FreeSpace.LEAST_M);
        double real = Math.cos(wave * direct) / direct - Math.cos(wave * reflected) / reflected;
        double imaginary = Math.sin(wave * direct) / direct - Math.sin(wave * reflected) / reflected;
        double amplitude = Math.hypot(real, imaginary) / (2 * wave);
        return -20 * Math.log10(amplitude);
    }
}
