package org.skelto.server.plans;

import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import jakarta.json.JsonValue;
import jakarta.json.spi.JsonProvider;
import java.util.Map;
import java.util.function.Function;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.format.RecordShape;

/**
 * The tree of a plan that was made of another one whose tree is known: what is the very same value in both plans is the very
 * same tree, so that moving one thing does not write and read the whole house, and differences are found at once.
 */
final class Rewriter {
    private final JsonProvider json;
    private final Function<Object, JsonValue> write;

    /** @param write the tree of a part of a plan, numbers in one form */
    Rewriter(JsonProvider json, Function<Object, JsonValue> write) {
        this.json = json;
        this.write = write;
    }

    JsonObject tree(Plan plan, Plan before, JsonObject known) {
        JsonObjectBuilder tree = json.createObjectBuilder();
        for (RecordShape.Component component : RecordShape.of(Plan.class).components()) {
            tree.add(component.name(), part(component.of(plan), component.of(before), known.get(component.name())));
        }
        return tree.build();
    }

    private JsonValue part(Object now, Object before, JsonValue known) {
        if (now == before && known != null) {
            return known;
        }
        return now instanceof Map<?, ?> map && before instanceof Map<?, ?> old && known instanceof JsonObject tree
                ? entries(map, old, tree)
                : write.apply(now);
    }

    private JsonObject entries(Map<?, ?> now, Map<?, ?> before, JsonObject known) {
        JsonObjectBuilder entries = json.createObjectBuilder();
        now.forEach((key, value) -> {
            String name = key instanceof Enum<?> constant ? constant.name() : (String) key;
            JsonValue tree = known.get(name);
            entries.add(name, value == before.get(key) && tree != null ? tree : write.apply(value));
        });
        return entries.build();
    }
}
