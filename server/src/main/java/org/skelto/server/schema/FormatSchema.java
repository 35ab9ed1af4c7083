package org.skelto.server.schema;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Id;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.RecordShape;
import org.skelto.core.plan.format.ValueShape;
import org.skelto.core.plan.format.Within;
import org.skelto.core.plan.format.Without;
import org.skelto.core.plan.format.Words;
import org.skelto.server.names.ControllerFile;
import org.skelto.server.plans.PlanAttachment;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * The published JSON Schema (draft 2020-12) of an exported plan, written from what the records of the document declare, so
 * that it and the validator cannot part. What ties several values together is checked beyond it.
 */
@RestController
class FormatSchema {
    private final JsonMapper mapper;
    private final List<PlanAttachment> carried;

    FormatSchema(JsonMapper mapper, List<PlanAttachment> carried) {
        this.mapper = mapper;
        this.carried = carried;
    }

    @GetMapping(path = "/formats/skelto-plan-1.schema.json", produces = MediaType.APPLICATION_JSON_VALUE)
    JsonNode schema() {
        return new Writer().document();
    }

    @GetMapping(path = "/formats/skelto-controller-1.schema.json", produces = MediaType.APPLICATION_JSON_VALUE)
    JsonNode controllerSchema() {
        return new Writer()
                .of(
                        ControllerFile.class,
                        "urn:skelto:format:skelto-controller-1",
                        "Skelto controller, format 1",
                        "What one controller must be told: who it is, what hangs on which terminal, what it says and is"
                                + " told. Secrets are never in it.");
    }

    /** One schema in the making. */
    private final class Writer {
        private final Map<String, JsonNode> definitions = new TreeMap<>();

        JsonNode of(Class<?> type, String id, String title, String description) {
            ObjectNode root = mapper.createObjectNode()
                    .put("$schema", "https://json-schema.org/draft/2020-12/schema")
                    .put("$id", id)
                    .put("title", title)
                    .put("description", description);
            root.setAll(record(type));
            ObjectNode all = root.putObject("$defs");
            definitions.forEach(all::set);
            return root;
        }

        JsonNode document() {
            ObjectNode root = mapper.createObjectNode()
                    .put("$schema", "https://json-schema.org/draft/2020-12/schema")
                    .put("$id", "urn:skelto:format:skelto-plan-1")
                    .put("title", "Skelto plan, format " + Plan.FORMAT)
                    .put(
                            "description",
                            "A whole plan of one house. Ids that one part uses must exist in the map that it names; that"
                                    + " and the list of constructions are checked beyond this schema. Lengths are"
                                    + " metres: x east, y north, z up.");
            root.setAll(record(Plan.class));
            ObjectNode properties = (ObjectNode) root.get("properties");
            carried.forEach(part -> properties.set(part.property(), orNull(part.schema(this::reference))));
            ObjectNode all = root.putObject("$defs");
            definitions.forEach(all::set);
            return root;
        }

        private ObjectNode record(Class<?> type) {
            ObjectNode schema = mapper.createObjectNode().put("type", "object").put("additionalProperties", false);
            ArrayNode required = schema.putArray("required");
            ObjectNode properties = schema.putObject("properties");
            for (RecordShape.Component component : RecordShape.of(type).components()) {
                ValueShape value = component.value();
                if (!value.optional()) {
                    required.add(component.name());
                }
                properties.set(component.name(), value.optional() ? orNull(value(value)) : value(value));
            }
            return schema;
        }

        private JsonNode reference(Class<?> type) {
            String name = type.getSimpleName();
            if (!definitions.containsKey(name)) {
                // its place is taken first: a record may hold its own kind
                definitions.put(name, mapper.createObjectNode());
                definitions.put(name, record(type));
            }
            return mapper.createObjectNode().put("$ref", "#/$defs/" + name);
        }

        private JsonNode orNull(JsonNode schema) {
            ObjectNode either = (ObjectNode) schema;
            if (either.has("enum")) {
                ((ArrayNode) either.get("enum")).addNull();
            } else if (either.has("type")) {
                String type = either.get("type").asString();
                either.putArray("type").add(type).add("null");
            } else {
                ObjectNode anyOf = mapper.createObjectNode();
                anyOf.putArray("anyOf").add(schema).addObject().put("type", "null");
                return anyOf;
            }
            return either;
        }

        private JsonNode value(ValueShape shape) {
            ObjectNode schema = mapper.createObjectNode();
            switch (shape.kind()) {
                case RECORD -> {
                    return reference(shape.type());
                }
                case CONSTANT -> constants(schema, shape);
                case TRUTH -> schema.put("type", "boolean");
                case MOMENT -> schema.put("type", "string").put("format", "date-time");
                case INTEGER -> number(schema.put("type", "integer"), shape);
                case NUMBER -> number(schema.put("type", "number"), shape);
                case TEXT -> text(schema.put("type", "string"), shape);
                case LIST, SET -> {
                    schema.put("type", "array").set("items", value(shape.element()));
                    count(schema, shape, "minItems", "maxItems");
                }
                case MAP -> {
                    schema.put("type", "object");
                    count(schema, shape, "minProperties", "maxProperties");
                    JsonNode names = value(shape.key());
                    ((ObjectNode) names).remove("type");
                    if (!names.isEmpty()) {
                        schema.set("propertyNames", names);
                    }
                    schema.set("additionalProperties", value(shape.element()));
                }
            }
            return schema;
        }

        private static void constants(ObjectNode schema, ValueShape shape) {
            Without without = shape.says(Without.class);
            ArrayNode constants = schema.putArray("enum");
            Arrays.stream(shape.type().getEnumConstants())
                    .map(constant -> ((Enum<?>) constant).name())
                    .filter(name -> without == null
                            || !java.util.List.of(without.value()).contains(name))
                    .forEach(constants::add);
        }

        private static void number(ObjectNode schema, ValueShape shape) {
            Within bounds = shape.says(Within.class);
            if (bounds != null) {
                bound(schema, "minimum", bounds.least());
                bound(schema, "maximum", bounds.most());
            }
        }

        private static void bound(ObjectNode schema, String name, double value) {
            if (value == Math.rint(value) && Math.abs(value) < 1e15) {
                schema.put(name, (long) value);
            } else {
                schema.put(name, value);
            }
        }

        private static void text(ObjectNode schema, ValueShape shape) {
            Words words = shape.says(Words.class);
            Matches matches = shape.says(Matches.class);
            if (shape.says(Name.class) != null) {
                schema.put("minLength", 1).put("maxLength", Limits.NAME_LENGTH).put("pattern", "\\S");
            } else if (words != null) {
                if (words.least() > 0) {
                    schema.put("minLength", words.least());
                }
                schema.put("maxLength", words.most());
            } else if (matches != null) {
                schema.put("pattern", "^" + matches.value() + "$");
            } else if (shape.says(Id.class) != null) {
                schema.put("pattern", "^" + Id.FORM + "$");
            }
        }

        private static void count(ObjectNode schema, ValueShape shape, String least, String most) {
            Count count = shape.says(Count.class);
            if (count != null) {
                if (count.least() > 0) {
                    schema.put(least, count.least());
                }
                schema.put(most, count.most());
            }
        }
    }
}
