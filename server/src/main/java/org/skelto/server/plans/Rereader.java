package org.skelto.server.plans;

import jakarta.json.JsonObject;
import jakarta.json.JsonValue;
import java.lang.reflect.Constructor;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import org.skelto.core.plan.Plan;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads a plan from a tree that is like another plan's tree but for a patch: what the patch did not touch is the very same
 * value in both trees and is taken over, so that moving one thing does not read the whole house.
 */
final class Rereader {
    private static final RecordComponent[] PARTS = Plan.class.getRecordComponents();
    private static final Constructor<Plan> MAKE = constructor();

    private final JsonMapper mapper;

    Rereader(JsonMapper mapper) {
        this.mapper = mapper;
    }

    private static Constructor<Plan> constructor() {
        try {
            return Plan.class.getDeclaredConstructor(
                    Arrays.stream(PARTS).map(RecordComponent::getType).toArray(Class<?>[]::new));
        } catch (NoSuchMethodException e) {
            throw new IllegalStateException(e);
        }
    }

    /** The plan of the tree after; null when it cannot be read part by part, which the whole then tells better. */
    Plan read(Plan plan, JsonObject before, JsonObject after) {
        try {
            if (!before.keySet().containsAll(after.keySet())) {
                return null;
            }
            Object[] parts = new Object[PARTS.length];
            for (int i = 0; i < parts.length; i++) {
                String name = PARTS[i].getName();
                Object known = PARTS[i].getAccessor().invoke(plan);
                parts[i] = part(known, before.get(name), after.get(name), PARTS[i].getGenericType());
            }
            return MAKE.newInstance(parts);
        } catch (ReflectiveOperationException | IllegalArgumentException | JacksonException e) {
            return null;
        }
    }

    private Object part(Object known, JsonValue before, JsonValue after, Type type) {
        if (after == before) {
            return known;
        }
        boolean maps = known instanceof Map && before instanceof JsonObject && after instanceof JsonObject;
        return maps && type instanceof ParameterizedType of && of.getActualTypeArguments()[0] == String.class
                ? entries((Map<?, ?>) known, (JsonObject) before, (JsonObject) after, of.getActualTypeArguments()[1])
                : one(after, type);
    }

    private Map<String, Object> entries(Map<?, ?> known, JsonObject before, JsonObject after, Type type) {
        Map<String, Object> entries = new LinkedHashMap<>();
        after.forEach((id, value) -> entries.put(id, value == before.get(id) ? known.get(id) : one(value, type)));
        return entries;
    }

    private Object one(JsonValue value, Type type) {
        return value == null ? null : mapper.readValue(value.toString(), mapper.constructType(type));
    }
}
