/**
 * Where every unit's power comes from, down to each board: currents, voltages, heat, batteries and what ends first.
 *
 * <p>A worked example, 0.5 A over 20 m of two cores of 0.75 mm² at 20 °C:
 *
 * <pre>{@code
 * Electrics.dropV(20, 0.5, 0.75, 20)      // 2 · 20 m · 0.5 A · 0.017241 Ω·mm²/m / 0.75 mm² = 0.460 V
 * }</pre>
 */
package org.skelto.core.power;
