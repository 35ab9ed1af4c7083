/**
 * How loud alarms and chimes are in each room; an estimate only.
 *
 * <p>A worked example: a siren of 100 dB(A) at 1 m is heard 4 m away through one closed door with
 * 100 − 20 log10(4) − 25 = 63 dB(A), which does not wake everybody (75 dB(A) at the pillow).
 */
package org.skelto.core.sound;
