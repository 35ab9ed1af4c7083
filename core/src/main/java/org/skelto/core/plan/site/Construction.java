package org.skelto.core.plan.site;

import java.util.List;
import java.util.Map;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Otherwise;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.radio.RadioBand;

/**
 * How a wall or a slab is made.
 *
 * @param layers from one face to the other, air gaps included
 * @param extraDb added to the sum of the layers, for reinforcement
 * @param hatch how drawings fill it
 * @param slab whether it is meant for slabs rather than walls
 * @param measuredDb measured loss in a band, dB, which wins over what follows from the layers
 */
public record Construction(
        @Name String name,
        @Count(most = 20, of = "layers") List<Layer> layers,
        @Within(least = 0, most = 100, unit = "dB") double extraDb,
        @Otherwise("NONE") Hatch hatch,
        boolean slab,
        Map<RadioBand, @Within(least = 0, most = 100, unit = "dB") Double> measuredDb) {
    public Construction {
        layers = layers == null ? List.of() : Copies.list(layers);
        hatch = hatch == null ? Hatch.NONE : hatch;
        measuredDb = Copies.sorted(measuredDb);
    }

    public Construction(String name, List<Layer> layers, double extraDb, Hatch hatch, boolean slab) {
        this(name, layers, extraDb, hatch, slab, Map.of());
    }

    /** One layer. */
    public record Layer(
            Material material,
            @Within(least = 5e-05, most = 3000, unit = "mm") double thicknessMm) {}

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

    /** Whether nothing is there that a wave would notice. */
    public boolean open() {
        return layers.isEmpty() && measuredDb.isEmpty() && extraDb == 0;
    }

    /** Thickness in metres, all layers together. */
    public double thicknessM() {
        return layers.stream().mapToDouble(Layer::thicknessMm).sum() / 1000;
    }
}
