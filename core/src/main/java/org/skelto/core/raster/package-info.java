/**
 * Levels on a grid over a floor or a piece of ground, and lines of equal level through them.
 *
 * <pre>{@code
 * List<double[]> lines = Contours.of(grid, level, -75); // each x, y, x, y, ... in metres
 * }</pre>
 *
 * <p>Marching squares with linear interpolation between cell centres, O(cells).
 */
package org.skelto.core.raster;
