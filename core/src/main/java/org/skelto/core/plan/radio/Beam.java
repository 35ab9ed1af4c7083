package org.skelto.core.plan.radio;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Within;

/**
 * Where a directional antenna is pointed. Its radio's gain is that along the beam.
 *
 * @param facingDeg compass bearing along the beam, 0 to 360 from north over east
 * @param widthDeg between the half-power directions, 5 to 180 degrees, or null when it follows from the gain
 * @param backDb front-to-back ratio, 0 to 60 dB, or null for the usual one
 */
public record Beam(
        @Within(least = 0, most = 360, unit = "°") double facingDeg,

        @Nullable @Within(least = 5, most = 180, unit = "°") Double widthDeg,

        @Nullable @Within(least = 0, most = 60, unit = "dB") Double backDb) {
    /** Along a bearing, as wide as its gain has it. */
    public static Beam facing(double facingDeg) {
        return new Beam(facingDeg, null, null);
    }
}
