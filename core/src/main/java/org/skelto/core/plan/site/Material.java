package org.skelto.core.plan.site;

/**
 * Building materials with their electrical constants, Recommendation ITU-R P.2040: relative permittivity a·f^b and
 * conductivity c·f^d in S/m, f in GHz, and the range of f in which the row holds.
 */
public enum Material {
    CONCRETE(5.24, 0, 0.0462, 0.7822, 1, 100),
    BRICK(3.91, 0, 0.0238, 0.16, 1, 40),
    PLASTERBOARD(2.73, 0, 0.0085, 0.9395, 1, 100),
    WOOD(1.99, 0, 0.0047, 1.0718, 0.001, 100),
    GLASS(6.31, 0, 0.0036, 1.3394, 0.1, 100),
    CEILING_BOARD(1.48, 0, 0.0011, 1.075, 1, 100),
    CHIPBOARD(2.58, 0, 0.0217, 0.78, 1, 100),
    PLYWOOD(2.71, 0, 0.33, 0, 1, 40),
    MARBLE(7.074, 0, 0.0055, 0.9262, 1, 60),
    FLOORBOARD(3.66, 0, 0.0044, 1.3515, 50, 100),
    METAL(1, 0, 1e7, 0, 1, 100),
    AIR(1, 0, 0, 0, 0.001, 100);

    private final double a;
    private final double b;
    private final double c;
    private final double d;
    private final double leastGHz;
    private final double mostGHz;

    Material(double a, double b, double c, double d, double leastGHz, double mostGHz) {
        this.a = a;
        this.b = b;
        this.c = c;
        this.d = d;
        this.leastGHz = leastGHz;
        this.mostGHz = mostGHz;
    }

    /** Real relative permittivity at f GHz. */
    public double permittivity(double frequencyGHz) {
        return a * Math.pow(frequencyGHz, b);
    }

    /** Conductivity in S/m at f GHz. */
    public double conductivity(double frequencyGHz) {
        return c * Math.pow(frequencyGHz, d);
    }

    /** Whether f lies outside the range for which the row was published. */
    public boolean extrapolatedAt(double frequencyGHz) {
        return frequencyGHz < leastGHz || frequencyGHz > mostGHz;
    }
}
