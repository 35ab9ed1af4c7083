package org.skelto.server.plans;

import java.util.List;
import org.skelto.core.plan.site.Clutter;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Exposure;
import org.skelto.core.plan.site.Room;
import org.skelto.core.plan.site.RoomBuilder;
import org.skelto.core.plan.site.RoomUse;
import org.springframework.boot.jackson.JacksonComponent;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Reads rooms; those of the first days, which were rectangles with a wall to each side, become outlines. */
@JacksonComponent
class RoomReader extends ValueDeserializer<Room> {
    private record Shape(
            String floor,
            String name,
            List<Corner> corners,
            List<String> walls,
            Clutter clutter,
            RoomUse use,
            Exposure exposure) {}

    @Override
    public Room deserialize(JsonParser parser, DeserializationContext context) {
        JsonNode node = context.readTree(parser);
        if (node instanceof ObjectNode room && room.has("widthM") && !room.has("corners")) {
            outline(room);
        }
        Shape s = context.readTreeAsValue(node, Shape.class);
        return RoomBuilder.builder()
                .floor(s.floor)
                .name(s.name)
                .corners(s.corners)
                .walls(s.walls)
                .clutter(s.clutter)
                .use(s.use)
                .exposure(s.exposure)
                .build();
    }

    private static void outline(ObjectNode room) {
        double west = number(room, "xM");
        double south = number(room, "yM");
        double east = centimetres(west + number(room, "widthM"));
        double north = centimetres(south + number(room, "depthM"));
        ArrayNode corners = room.putArray("corners");
        corner(corners, west, south);
        corner(corners, east, south);
        corner(corners, east, north);
        corner(corners, west, north);
        room.remove(List.of("xM", "yM", "widthM", "depthM"));
        if (room.get("walls") instanceof ObjectNode sides) {
            ArrayNode walls = room.putArray("walls");
            List.of("south", "east", "north", "west").forEach(side -> walls.add(sides.get(side)));
        }
    }

    private static double number(ObjectNode room, String name) {
        JsonNode value = room.get(name);
        return value != null && value.isNumber() ? value.doubleValue() : Double.NaN;
    }

    private static double centimetres(double metres) {
        return Double.isFinite(metres) ? Corner.cm(metres) : metres;
    }

    private static void corner(ArrayNode corners, double xM, double yM) {
        corners.addObject().put("xM", xM).put("yM", yM);
    }
}
