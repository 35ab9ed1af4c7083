/**
 * The ground, the buildings and what is in their walls already.
 *
 * <pre>{@code
 * "floors": {"ground": {"building": "mill", "name": "Ground floor", "baseM": 0, "heightM": 2.6, "slab": "stone-flags"}},
 * "rooms": {"hall": {"floor": "ground", "name": "Hall",
 *     "corners": [{"xM": 0, "yM": 0}, {"xM": 5.4, "yM": 0}, {"xM": 5.4, "yM": 4.2}, {"xM": 0, "yM": 4.2}],
 *     "walls": ["brick-110", "stone-450", "stone-600", "brick-220"], "clutter": "FURNISHED"}}
 * }</pre>
 *
 * <p>Corners are metres from the building's south-west corner; wall number i runs from corner i to the next.
 */
@NullMarked
package org.skelto.core.plan.site;

import org.jspecify.annotations.NullMarked;
