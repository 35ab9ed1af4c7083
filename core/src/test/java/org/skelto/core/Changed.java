package org.skelto.core;

import java.util.List;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.validation.PlanValidator;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Plans changed at a JSON pointer, as the server would. */
public final class Changed {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private Changed() {}

    /** The plan with values set: pointer, JSON, pointer, JSON; the JSON {@code -} takes the place away. */
    public static Plan with(Plan plan, String... pairs) {
        JsonNode tree = MAPPER.valueToTree(plan);
        for (int i = 0; i < pairs.length; i += 2) {
            set(tree, pairs[i], pairs[i + 1].equals("-") ? null : MAPPER.readTree(pairs[i + 1]), false);
        }
        return sound(tree);
    }

    /** The plan after edits. */
    public static Plan after(Plan plan, List<Edit> edits) {
        JsonNode tree = MAPPER.valueToTree(plan);
        edits.forEach(e -> {
            JsonNode value = e.op().equals("remove") ? null : MAPPER.valueToTree(e.value());
            set(tree, e.path(), value, e.op().equals("add"));
        });
        return sound(tree);
    }

    /** A record as the document has it. */
    public static String json(Object value) {
        return MAPPER.writeValueAsString(value);
    }

    private static void set(JsonNode tree, String pointer, JsonNode value, boolean inserted) {
        int cut = pointer.lastIndexOf('/');
        String name = pointer.substring(cut + 1).replace("~1", "/").replace("~0", "~");
        JsonNode above = tree.at(pointer.substring(0, cut));
        if (above instanceof tools.jackson.databind.node.ArrayNode list) {
            if (value == null) {
                list.remove(Integer.parseInt(name));
            } else if (inserted) {
                list.insert(Integer.parseInt(name), value);
            } else {
                list.set(Integer.parseInt(name), value);
            }
            return;
        }
        ObjectNode parent = (ObjectNode) above;
        if (value == null) {
            parent.remove(name);
        } else {
            parent.set(name, value);
        }
    }

    private static Plan sound(JsonNode tree) {
        Plan plan = MAPPER.treeToValue(tree, Plan.class);
        List<?> problems = PlanValidator.problems(plan);
        if (!problems.isEmpty()) {
            throw new IllegalArgumentException(problems.toString());
        }
        return plan;
    }
}
