/**
 * Numbers as people read them, and figures that can be opened.
 *
 * <pre>{@code
 * Text.db(12.34)                          // "12.3 dB"
 * Figure.of("32.4 + 20 log f + 20 log d", "ITU-R P.525-4, eq. 4", false, "f", "868 MHz", "d", "0.4 km")
 * }</pre>
 *
 * <p>Every figure on the screen carries its formula, its inputs and where the formula is from.
 */
package org.skelto.core.quantity;
