package org.skelto.core.plan.power;

import org.skelto.core.plan.format.Within;

/**
 * What lies between a battery and the electronics; currents of the duty are then those of the electronics.
 *
 * @param outV what the electronics run at, 0.5 to 60 V
 * @param quiescentUa what it takes itself, 0 to 1e6 µA
 * @param efficiency of a converter, 0.1 to 1; without meaning for a linear regulator
 */
public record Regulation(
        Kind kind,
        @Within(least = 0.5, most = 60, unit = "V") double outV,
        @Within(least = 0, most = 1e6, unit = "µA") double quiescentUa,
        @Within(least = 0.1, most = 1) double efficiency) {
    /** How it makes its voltage. */
    public enum Kind {
        LINEAR,
        CONVERTER
    }
}
