package org.skelto.core.plan.equipment;

/**
 * How the coil of a bare relay is driven from a pin.
 *
 * @param baseOhm resistor before the transistor's base, 1 to 1e6 Ω, or null when the pin drives the coil itself
 * @param gain least current gain of the transistor, 5 to 2000
 * @param diode whether a diode lies across the coil
 */
public record Driver(Double baseOhm, double gain, boolean diode) {}
