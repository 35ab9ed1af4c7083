package org.skelto.core.plan;

import org.jspecify.annotations.Nullable;

/**
 * One operation of a JSON Patch (RFC 6902) that Skelto proposes.
 *
 * @param op add, replace or remove
 * @param path JSON pointer
 * @param value a record of the plan, a text, a number or a truth value; null for remove
 */
public record Edit(String op, String path, @Nullable Object value) {
    public static Edit add(String path, Object value) {
        return new Edit("add", path, value);
    }

    public static Edit replace(String path, @Nullable Object value) {
        return new Edit("replace", path, value);
    }

    public static Edit remove(String path) {
        return new Edit("remove", path, null);
    }
}
