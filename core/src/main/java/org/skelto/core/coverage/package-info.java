/**
 * How far radio reaches inside a house: received level on a grid, the best and the second-best transmitter of each
 * cell, contour lines, what that means for each room, and where the next transmitter should stand.
 *
 * <pre>{@code
 * CoverageMap map = CoverageMap.of(new LossTerms(site, tables), grid, sources);
 * float level = map.bestDbm()[grid.cell(x, y)];
 * }</pre>
 */
package org.skelto.core.coverage;
