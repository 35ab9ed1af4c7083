package org.skelto.core.site;

import java.util.List;

/**
 * How a wall or a slab is made.
 *
 * @param layers from one face to the other, air gaps included
 * @param extraDb added to the sum of the layers, for reinforcement
 * @param hatch how drawings fill it
 * @param slab whether it is meant for slabs rather than walls
 */
public record Construction(String id, String name, List<Layer> layers, double extraDb, Hatch hatch, boolean slab) {
    /** One layer. */
    public record Layer(Material material, double thicknessMm) {}

    /** Fills on drawings, by what a surveyor would hatch. */
    public enum Hatch {
        NONE,
        MASONRY,
        STONE,
        BOARD,
        TIMBER,
        CONCRETE,
        GLASS
    }

    /** Thickness in metres, all layers together. */
    public double thicknessM() {
        return layers.stream().mapToDouble(Layer::thicknessMm).sum() / 1000;
    }
}
