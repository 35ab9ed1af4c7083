/**
 * What is wired to what inside a controller: which pin or channel serves which device, and why; and the lines that boards
 * are chained on.
 *
 * <p>A worked example, a two-wire bus of 200 pF at 100 kHz and 3.3 V:
 *
 * <pre>{@code
 * BusTiming.leastPullUpOhm(3.3)           // (3.3 V − 0.4 V) / 3 mA = 967 Ω
 * BusTiming.mostPullUpOhm(200, 100)       // 1000 ns / (0.8473 · 200 pF) = 5901 Ω
 * }</pre>
 */
package org.skelto.core.wiring;
