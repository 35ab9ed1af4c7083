/**
 * How wall boxes and enclosures are filled, and how warm it gets in them.
 *
 * <p>A worked example: 2.4 W in a box of 6 K/W is 2.4 · 6 = 14.4 K warmer than the 25 °C around it, so 39.4 °C inside, under the
 * 50 °C that electronics bear for years.
 */
package org.skelto.core.housing;
