package org.skelto.server.plans;

import jakarta.json.JsonArray;
import jakarta.json.JsonArrayBuilder;
import jakarta.json.JsonObject;
import jakarta.json.JsonObjectBuilder;
import jakarta.json.JsonValue;
import jakarta.json.spi.JsonProvider;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import org.skelto.core.plan.Pointers;

/**
 * The JSON Patch that makes one document of another. It costs what the documents hold, not the product of their lists: of a
 * list only the part between what is alike at both ends is looked at, element by element where few of them differ, and
 * written whole otherwise.
 */
public final class Differences {
    /** More changed elements of a list than this are told as a new list. */
    private static final int FEW = 16;

    private final JsonProvider json;
    private final JsonArrayBuilder operations;

    /** Where in the documents it is; written down only for what differs. */
    private final List<String> steps = new ArrayList<>();

    private Differences(JsonProvider json) {
        this.json = json;
        this.operations = json.createArrayBuilder();
    }

    /** The operations that lead from one document to another. */
    public static JsonArray between(JsonProvider json, JsonObject from, JsonObject to) {
        Differences differences = new Differences(json);
        differences.object(from, to);
        return differences.operations.build();
    }

    private void add(String op, String last, JsonValue value) {
        StringBuilder path = new StringBuilder();
        steps.forEach(step -> path.append(Pointers.of(step)));
        if (last != null) {
            path.append(Pointers.of(last));
        }
        JsonObjectBuilder operation = json.createObjectBuilder().add("op", op).add("path", path.toString());
        operations.add(value == null ? operation : operation.add("value", value));
    }

    private void value(String step, JsonValue from, JsonValue to) {
        if (from == to) {
            return;
        }
        if (from instanceof JsonObject one && to instanceof JsonObject other) {
            steps.add(step);
            object(one, other);
            steps.remove(steps.size() - 1);
        } else if (from instanceof JsonArray one && to instanceof JsonArray other) {
            steps.add(step);
            list(one, other);
            steps.remove(steps.size() - 1);
        } else if (!from.equals(to)) {
            add("replace", step, to);
        }
    }

    private void object(JsonObject from, JsonObject to) {
        for (String key : from.keySet()) {
            if (!to.containsKey(key)) {
                add("remove", key, null);
            }
        }
        for (Map.Entry<String, JsonValue> entry : to.entrySet()) {
            JsonValue before = from.get(entry.getKey());
            if (before == null) {
                add("add", entry.getKey(), entry.getValue());
            } else {
                value(entry.getKey(), before, entry.getValue());
            }
        }
    }

    private void list(JsonArray from, JsonArray to) {
        int shorter = Math.min(from.size(), to.size());
        int start = 0;
        while (start < shorter && from.get(start).equals(to.get(start))) {
            start++;
        }
        int end = 0;
        while (end < shorter - start && from.get(from.size() - 1 - end).equals(to.get(to.size() - 1 - end))) {
            end++;
        }
        int gone = from.size() - start - end;
        int come = to.size() - start - end;
        if (Math.max(gone, come) > FEW) {
            if (gone > 0 || come > 0) {
                add("replace", null, to);
            }
            return;
        }
        int both = Math.min(gone, come);
        Iterator<JsonValue> old = from.subList(start, start + both).iterator();
        for (int i = start; i < start + both; i++) {
            value(Integer.toString(i), old.next(), to.get(i));
        }
        for (int i = start + gone - 1; i >= start + both; i--) {
            add("remove", Integer.toString(i), null);
        }
        for (int i = start + both; i < start + come; i++) {
            add("add", Integer.toString(i), to.get(i));
        }
    }
}
