/**
 * Propagation and receivers: free space, slabs, the multi-wall model, chirp modulation, link budgets and the region
 * table. Each function cites its source; values outside a model's range are computed and marked extrapolated.
 */
package org.skelto.core.radio;
