package org.skelto.core.plan.equipment;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Within;

/**
 * How the coil of a bare relay is driven from a pin.
 *
 * @param baseOhm resistor before the transistor's base, 1 to 1e6 Ω, or null when the pin drives the coil itself
 * @param gain least current gain of the transistor, 5 to 2000
 * @param diode whether a diode lies across the coil
 */
public record Driver(
        @Nullable @Within(least = 1, most = 1e6, unit = "Ω") Double baseOhm,
        @Within(least = 5, most = 2000) double gain,
        boolean diode) {}
