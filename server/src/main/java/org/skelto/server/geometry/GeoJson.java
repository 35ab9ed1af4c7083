package org.skelto.server.geometry;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Slugs;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Building;
import org.skelto.core.plan.site.Clutter;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Exposure;
import org.skelto.core.plan.site.Polygon;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.RoomBuilder;
import org.skelto.core.plan.site.RoomUse;
import org.skelto.core.plan.site.Spot;
import org.skelto.core.plan.validation.Problem;
import org.skelto.core.site.SiteModel;
import org.skelto.core.site.WallGap;
import org.skelto.server.problems.Refusal;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The geometry of a plan as GeoJSON (RFC 7946 objects) in metres on the site, east then north, which the member {@code units}
 * says. Rooms are polygons, spots points, openings line strings. What is read back: rooms and spots; files in degrees are
 * refused, since a house drawn in degrees would be a dot.
 */
final class GeoJson {
    private static final int MOST_FEATURES = Limits.ROOMS + Limits.SPOTS;
    private static final double LARGEST_IN_DEGREES = 0.05;

    private final Plan plan;
    private final String floor;
    private final List<Problem> problems = new ArrayList<>();
    private final List<Edit> edits = new ArrayList<>();
    private final Map<String, Object> taken = new TreeMap<>();

    private GeoJson(Plan plan, String floor) {
        this.plan = plan;
        this.floor = floor;
        taken.putAll(plan.rooms());
        taken.putAll(plan.spots());
    }

    static ObjectNode write(Plan plan, JsonMapper mapper) {
        ObjectNode root = mapper.createObjectNode();
        root.put("type", "FeatureCollection");
        root.put("name", plan.name());
        root.put("units", "metre");
        if (plan.place() != null) {
            root.set("origin", mapper.valueToTree(plan.place()));
        }
        root.set("buildings", mapper.valueToTree(plan.buildings()));
        root.set("floors", mapper.valueToTree(plan.floors()));
        ArrayNode features = root.putArray("features");
        plan.rooms().forEach((id, room) -> room(features.addObject(), plan, id, room, mapper));
        plan.spots().forEach((id, spot) -> {
            ObjectNode properties = feature(features.addObject(), "Point", "spot", id, spot.name());
            properties.put("zM", spot.zM()).put("exposure", spot.exposure().name());
            ObjectNode geometry = (ObjectNode) features.get(features.size() - 1).get("geometry");
            geometry.putArray("coordinates").add(spot.xM()).add(spot.yM());
        });
        for (WallGap gap : SiteModel.of(plan).gaps()) {
            var opening = plan.openings().get(gap.opening());
            ObjectNode properties = feature(features.addObject(), "LineString", "opening", gap.opening(), null);
            properties.set("opening", mapper.valueToTree(opening));
            ObjectNode geometry = (ObjectNode) features.get(features.size() - 1).get("geometry");
            ArrayNode line = geometry.putArray("coordinates");
            line.addArray().add(gap.axM()).add(gap.ayM());
            line.addArray().add(gap.bxM()).add(gap.byM());
        }
        return root;
    }

    private static ObjectNode feature(ObjectNode feature, String geometry, String kind, String id, String name) {
        feature.put("type", "Feature").put("id", id);
        feature.putObject("geometry").put("type", geometry);
        ObjectNode properties = feature.putObject("properties");
        properties.put("kind", kind);
        if (name != null) {
            properties.put("name", name);
        }
        return properties;
    }

    private static void room(ObjectNode feature, Plan plan, String id, Room room, JsonMapper mapper) {
        ObjectNode properties = feature(feature, "Polygon", "room", id, room.name());
        properties.put("floor", room.floor());
        properties.set("walls", mapper.valueToTree(room.walls()));
        properties.put("clutter", room.clutter().name());
        properties.put("use", room.use().name());
        properties.put("exposure", room.exposure().name());
        Building building = plan.buildings().get(plan.floors().get(room.floor()).building());
        ArrayNode ring =
                ((ObjectNode) feature.get("geometry")).putArray("coordinates").addArray();
        List<Corner> corners = room.corners();
        for (int i = 0; i <= corners.size(); i++) {
            Corner c = corners.get(i % corners.size());
            ring.addArray().add(Corner.cm(building.xM() + c.xM())).add(Corner.cm(building.yM() + c.yM()));
        }
    }

    /** The edits that a file asks for; rooms without a floor of their own go to the one given. */
    static List<Edit> read(JsonNode file, Plan plan, String floor) {
        return new GeoJson(plan, floor).read(file);
    }

    private List<Edit> read(JsonNode file) {
        if (!(file instanceof ObjectNode root)
                || !"FeatureCollection".equals(text(root, "type"))
                || !(root.get("features") instanceof ArrayNode features)) {
            throw refused("", "is not a GeoJSON FeatureCollection");
        }
        if (features.size() > MOST_FEATURES) {
            throw refused(
                    "/features", "holds " + features.size() + " features; at most " + MOST_FEATURES + " are read");
        }
        degrees(features);
        for (int i = 0; i < features.size() && problems.size() < 20; i++) {
            feature("/features/" + i, features.get(i));
        }
        if (!problems.isEmpty()) {
            throw Refusal.invalid("The file cannot be taken in. Nothing was changed.", problems);
        }
        if (edits.isEmpty()) {
            throw refused("/features", "hold neither a room (Polygon) nor a spot (Point)");
        }
        return edits;
    }

    private static Refusal refused(String place, String message) {
        return Refusal.invalid(
                "The file cannot be taken in. Nothing was changed.", List.of(new Problem(place, message)));
    }

    /** A house is metres wide: polygons that are all less than a hand wide are in degrees. */
    private static void degrees(ArrayNode features) {
        double largest = -1;
        for (JsonNode feature : features) {
            JsonNode ring = feature.at("/geometry/coordinates/0");
            if ("Polygon".equals(feature.at("/geometry/type").asString("")) && ring instanceof ArrayNode points) {
                List<Corner> corners = new ArrayList<>();
                points.forEach(p ->
                        corners.add(new Corner(p.path(0).asDouble(0), p.path(1).asDouble(0))));
                if (!corners.isEmpty()) {
                    Bounds bounds = Bounds.of(corners);
                    largest = Math.max(largest, Math.max(bounds.widthM(), bounds.depthM()));
                }
            }
        }
        if (largest >= 0 && largest < LARGEST_IN_DEGREES) {
            throw refused(
                    "/features",
                    "seem to be in degrees: the largest polygon is " + largest
                            + " wide. Skelto reads metres on the site, east then north");
        }
    }

    private void feature(String at, JsonNode feature) {
        String type = feature.at("/geometry/type").asString("");
        JsonNode properties = feature.path("properties");
        switch (type) {
            case "Polygon" -> polygon(at, feature, properties);
            case "Point" -> point(at, feature, properties);
            case "LineString" -> {
                // openings are written for others; they are read with the whole plan only
            }
            default ->
                problems.add(new Problem(
                        at + "/geometry/type", "is \"" + shown(type) + "\"; rooms are Polygon and spots are Point"));
        }
    }

    private static String shown(String text) {
        return text.length() > 40 ? text.substring(0, 40) + "…" : text;
    }

    private void polygon(String at, JsonNode feature, JsonNode properties) {
        String on = floor(text(properties, "floor"));
        if (on == null) {
            problems.add(new Problem(at + "/properties/floor", "names no floor of the plan, and none was chosen"));
            return;
        }
        JsonNode ring = feature.at("/geometry/coordinates/0");
        List<Corner> corners = corners(at + "/geometry/coordinates/0", ring, on);
        if (corners == null) {
            return;
        }
        String name = name(properties, "Room " + (plan.rooms().size() + edits.size() + 1));
        String id = id(feature, name, plan.rooms().keySet());
        List<String> walls = walls(at, properties, corners.size());
        Room room = RoomBuilder.builder()
                .floor(on)
                .name(name)
                .corners(corners)
                .walls(walls)
                .clutter(constant(Clutter.class, text(properties, "clutter")))
                .use(constant(RoomUse.class, text(properties, "use")))
                .exposure(constant(Exposure.class, text(properties, "exposure")))
                .build();
        edits.add(Edit.add(Pointers.of("rooms", id), room));
    }

    private List<Corner> corners(String at, JsonNode ring, String on) {
        if (!(ring instanceof ArrayNode points) || points.size() < 4 || points.size() > Limits.CORNERS + 1) {
            problems.add(new Problem(at, "must be a closed ring of 3 to " + Limits.CORNERS + " corners"));
            return null;
        }
        Building building = plan.buildings().get(plan.floors().get(on).building());
        List<Corner> corners = new ArrayList<>();
        for (int i = 0; i < points.size(); i++) {
            JsonNode p = points.get(i);
            double x = p.path(0).isNumber() ? p.path(0).doubleValue() : Double.NaN;
            double y = p.path(1).isNumber() ? p.path(1).doubleValue() : Double.NaN;
            if (!(Math.abs(x) <= Limits.SITE_M && Math.abs(y) <= Limits.SITE_M)) {
                problems.add(new Problem(at + "/" + i, "is not a pair of metres on the site"));
                return null;
            }
            corners.add(new Corner(Corner.cm(x - building.xM()), Corner.cm(y - building.yM())));
        }
        if (!corners.get(0).equals(corners.get(corners.size() - 1))) {
            problems.add(new Problem(at, "is not closed: the last point must be the first again"));
            return null;
        }
        corners.remove(corners.size() - 1);
        int[] crossing = Polygon.crossing(corners);
        if (crossing != null) {
            problems.add(new Problem(at, "runs through itself: side " + crossing[0] + " meets side " + crossing[1]));
            return null;
        }
        return corners;
    }

    private void point(String at, JsonNode feature, JsonNode properties) {
        JsonNode p = feature.at("/geometry/coordinates");
        double x = p.path(0).isNumber() ? p.path(0).doubleValue() : Double.NaN;
        double y = p.path(1).isNumber() ? p.path(1).doubleValue() : Double.NaN;
        if (!(Math.abs(x) <= Limits.SITE_M && Math.abs(y) <= Limits.SITE_M)) {
            problems.add(new Problem(at + "/geometry/coordinates", "is not a pair of metres on the site"));
            return;
        }
        String name = name(properties, "Spot");
        double z = properties.path("zM").isNumber() ? properties.path("zM").doubleValue() : 0;
        Spot spot =
                new Spot(name, Corner.cm(x), Corner.cm(y), z, constant(Exposure.class, text(properties, "exposure")));
        edits.add(Edit.add(Pointers.of("spots", id(feature, name, plan.spots().keySet())), spot));
    }

    private String floor(String said) {
        if (said != null && plan.floors().containsKey(said)) {
            return said;
        }
        if (said != null) {
            var named = plan.floors().entrySet().stream()
                    .filter(f -> f.getValue().name().equalsIgnoreCase(said))
                    .findFirst();
            if (named.isPresent()) {
                return named.get().getKey();
            }
        }
        return floor != null && plan.floors().containsKey(floor) ? floor : null;
    }

    private static String name(JsonNode properties, String otherwise) {
        String name = text(properties, "name");
        return name == null || name.isBlank()
                ? otherwise
                : name.substring(0, Math.min(name.length(), Limits.NAME_LENGTH));
    }

    /** A feature of the plan's own keeps its id, so that a file read back changes what it came from. */
    private String id(JsonNode feature, String name, java.util.Set<String> own) {
        String said = text(feature, "id");
        boolean same = said != null && own.contains(said);
        String id = same ? said : Slugs.free(Slugs.slug(name, "place"), new TreeSet<>(taken.keySet()));
        taken.put(id, name);
        return id;
    }

    private List<String> walls(String at, JsonNode properties, int count) {
        JsonNode said = properties.path("walls");
        if (!(said instanceof ArrayNode list)) {
            return null;
        }
        if (list.size() != count) {
            problems.add(new Problem(
                    at + "/properties/walls", "must name one construction for each of " + count + " walls"));
            return null;
        }
        List<String> walls = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            String wall = list.get(i).asString("");
            if (!plan.everyConstruction().containsKey(wall)) {
                problems.add(new Problem(
                        at + "/properties/walls/" + i, "is not a construction of the plan: \"" + shown(wall) + "\""));
                return null;
            }
            walls.add(wall);
        }
        return walls;
    }

    private static String text(JsonNode node, String name) {
        JsonNode value = node.get(name);
        return value != null && value.isString() ? value.stringValue() : null;
    }

    private static <E extends Enum<E>> E constant(Class<E> type, String said) {
        if (said == null) {
            return null;
        }
        try {
            return Enum.valueOf(type, said.toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            return null;
        }
    }
}
