package org.skelto.core.plan.site;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Within;

/**
 * A floor of a building.
 *
 * @param building id of its building
 * @param baseM height of the walking surface above the building's ground, metres
 * @param heightM from the walking surface to the slab above, metres, 1 to 20
 * @param slab construction under the walking surface
 * @param underlay picture under its drawing, or null
 */
@RecordBuilder
public record Floor(
        @IdOf(value = "buildings", what = "a building") String building,
        @Name String name,
        @Within(least = -50, most = 200, unit = "m") double baseM,
        @Within(least = 1, most = 20, unit = "m") double heightM,

        @IdOf(value = "constructions", what = "a construction")
        String slab,

        @Nullable Underlay underlay)
        implements FloorBuilder.With {
    public Floor(String building, String name, double baseM, double heightM, String slab) {
        this(building, name, baseM, heightM, slab, null);
    }
}
