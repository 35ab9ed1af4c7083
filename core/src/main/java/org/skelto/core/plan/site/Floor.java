package org.skelto.core.plan.site;

/**
 * A floor of a building.
 *
 * @param building id of its building
 * @param baseM height of the walking surface above the building's ground, metres
 * @param heightM from the walking surface to the slab above, metres, 1 to 20
 * @param slab construction under the walking surface
 * @param underlay picture under its drawing, or null
 */
public record Floor(String building, String name, double baseM, double heightM, String slab, Underlay underlay) {
    public Floor(String building, String name, double baseM, double heightM, String slab) {
        this(building, name, baseM, heightM, slab, null);
    }
}
