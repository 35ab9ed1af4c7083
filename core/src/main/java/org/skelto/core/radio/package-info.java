/**
 * Propagation and receivers: free space, slabs, the multi-wall model, ground and trees, chirp modulation, link budgets and
 * the region table. Each function cites its source; values outside a model's range are computed and marked extrapolated.
 *
 * <p>A worked example, 100 m of open air at 868.3 MHz:
 *
 * <pre>{@code
 * FreeSpace.lossDb(868.3, 100)            // 20 log10(4π · 100 m · 868.3 MHz / c) = 71.22 dB
 * Fresnel.radiusM(868.3, 50, 50)          // half way: √(0.345 m · 50 m · 50 m / 100 m) = 2.94 m
 * Diffraction.edgeDb(0)                   // an edge that just touches the ray takes 6.03 dB
 * }</pre>
 */
package org.skelto.core.radio;
