package org.skelto.core;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.site.Place;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** The demos that ship with the server, without what is kept beside their documents. */
public final class Demos {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final Path FILES = Path.of("..", "server", "src", "main", "resources", "demo");

    private Demos() {}

    public static Plan mill() {
        return read("marrowby-leat");
    }

    public static Plan flat() {
        return read("sorrel-steps");
    }

    private static Plan read(String name) {
        try {
            ObjectNode file = (ObjectNode) MAPPER.readTree(Files.readString(FILES.resolve(name + ".skelto.json")));
            file.remove(List.of("readings", "ground", "fieldReadings", "parts", "pictures"));
            return MAPPER.treeToValue(file, Plan.class);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The same with a unit so many metres further east. */
    public static Plan moved(Plan plan, String unit, double eastM) {
        Map<String, Unit> units = new TreeMap<>(plan.units());
        Place p = units.get(unit).place();
        units.put(unit, units.get(unit).withPlace(new Place(p.room(), p.spot(), p.xM() + eastM, p.yM(), p.heightM())));
        return plan.withUnits(units);
    }
}
