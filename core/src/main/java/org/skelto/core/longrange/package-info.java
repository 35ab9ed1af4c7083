/**
 * Links over kilometres: paths over the ground, settings of chirps, what is on the air together, what a link still needs,
 * routes of commands and field tests.
 *
 * <p>A worked example, six alike that send 100 ms every 60 s without listening first:
 *
 * <pre>{@code
 * Air.frameSuccess(6, 100, 60)            // e^(−2 · 5 · 0.1 s / 60 s) = 0.983
 * Air.delivery(0.983, 3)                  // 1 − (1 − 0.983)³ = 0.999995
 * }</pre>
 */
package org.skelto.core.longrange;
