package org.skelto.core.plan.site;

import static org.skelto.core.plan.site.Material.AIR;
import static org.skelto.core.plan.site.Material.BRICK;
import static org.skelto.core.plan.site.Material.CHIPBOARD;
import static org.skelto.core.plan.site.Material.CONCRETE;
import static org.skelto.core.plan.site.Material.GLASS;
import static org.skelto.core.plan.site.Material.METAL;
import static org.skelto.core.plan.site.Material.PLASTERBOARD;
import static org.skelto.core.plan.site.Material.WOOD;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.skelto.core.plan.site.Construction.Hatch;
import org.skelto.core.plan.site.Construction.Layer;

/** The built-in list of constructions. Rough stone masonry takes brick values at its own thickness until measured. */
public final class Constructions {
    /** Id of the wall of which nobody knows what it is made of. */
    public static final String UNKNOWN = "unknown";

    private static final Map<String, Construction> ALL = build();

    private Constructions() {}

    /** All constructions by id, in the order in which they are offered. */
    public static Map<String, Construction> all() {
        return ALL;
    }

    private static Map<String, Construction> build() {
        Map<String, Construction> map = new LinkedHashMap<>();
        wall(map, "brick-110", "Brick 110", 0, Hatch.MASONRY, BRICK, 110);
        wall(map, "brick-220", "Brick 220", 0, Hatch.MASONRY, BRICK, 220);
        wall(map, "stone-450", "Stone 450", 0, Hatch.STONE, BRICK, 450);
        wall(map, "stone-600", "Stone 600", 0, Hatch.STONE, BRICK, 600);
        wall(map, "block-100", "Concrete block 100", 0, Hatch.CONCRETE, CONCRETE, 100);
        wall(map, "concrete-150", "Concrete 150", 0, Hatch.CONCRETE, CONCRETE, 150);
        wall(map, "reinforced-200", "Reinforced concrete 200", 6, Hatch.CONCRETE, CONCRETE, 200);
        wall(
                map,
                "board-100",
                "Plasterboard stud 100",
                0,
                Hatch.BOARD,
                PLASTERBOARD,
                12.5,
                AIR,
                75,
                PLASTERBOARD,
                12.5);
        wall(
                map,
                "foil-board-100",
                "Foil-backed board 100",
                0,
                Hatch.BOARD,
                PLASTERBOARD,
                12.5,
                METAL,
                0.05,
                AIR,
                75,
                PLASTERBOARD,
                12.5);
        wall(map, "timber-140", "Timber frame 140", 0, Hatch.TIMBER, WOOD, 22, AIR, 100, PLASTERBOARD, 12.5);
        wall(map, "plank-25", "Timber planks 25", 0, Hatch.TIMBER, WOOD, 25);
        wall(map, "glass-24", "Double glazing 24", 0, Hatch.GLASS, GLASS, 4, AIR, 16, GLASS, 4);
        wall(map, "door-wood", "Wooden door 40", 0, Hatch.TIMBER, WOOD, 40);
        wall(map, "door-steel", "Steel-faced door", 0, Hatch.CONCRETE, METAL, 1, WOOD, 40);
        wall(map, "glass-single", "Single glazing 4", 0, Hatch.GLASS, GLASS, 4);
        wall(map, "glass-coated", "Coated glazing 24", 0, Hatch.GLASS, METAL, 0.0001, GLASS, 4, AIR, 16, GLASS, 4);
        wall(map, UNKNOWN, "Not known yet (as brick 110)", 0, Hatch.NONE, BRICK, 110);
        wall(map, "open", "Open, no wall", 0, Hatch.NONE);
        slab(map, "timber-floor", "Timber floor", 0, Hatch.TIMBER, CHIPBOARD, 22, AIR, 200, PLASTERBOARD, 12.5);
        slab(map, "plank-floor", "Plank floor", 0, Hatch.TIMBER, WOOD, 40);
        slab(map, "concrete-slab", "Reinforced slab 180", 6, Hatch.CONCRETE, CONCRETE, 180);
        slab(map, "stone-flags", "Stone flags on ground", 0, Hatch.STONE, BRICK, 80);
        slab(map, "open-slab", "Open to below", 0, Hatch.NONE);
        return Collections.unmodifiableMap(map);
    }

    private static void wall(
            Map<String, Construction> map, String id, String name, double extraDb, Hatch hatch, Object... layers) {
        map.put(id, new Construction(name, layers(layers), extraDb, hatch, false));
    }

    private static void slab(
            Map<String, Construction> map, String id, String name, double extraDb, Hatch hatch, Object... layers) {
        map.put(id, new Construction(name, layers(layers), extraDb, hatch, true));
    }

    private static List<Layer> layers(Object... pairs) {
        List<Layer> layers = new ArrayList<>();
        for (int i = 0; i < pairs.length; i += 2) {
            layers.add(new Layer((Material) pairs[i], ((Number) pairs[i + 1]).doubleValue()));
        }
        return List.copyOf(layers);
    }
}
