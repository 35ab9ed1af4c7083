package org.skelto.server.plans;

import jakarta.json.JsonArray;
import jakarta.json.JsonObject;
import jakarta.json.JsonString;
import jakarta.json.JsonValue;
import java.util.IdentityHashMap;
import java.util.Map;

/**
 * How long documents would be if they were written. A value that stands in several places is counted in each but looked at
 * once, so that the size of a document of nested copies is known without ever writing it.
 */
final class DocumentSizes {
    private static final int NUMBER = 8;

    private final DocumentSizes before;
    private final Map<JsonValue, Long> known = new IdentityHashMap<>();

    /**
     * Sizes of a document.
     *
     * @param before what is known already of one like it, which stays as it is; or null
     */
    DocumentSizes(DocumentSizes before) {
        this.before = before;
    }

    /** About so many characters; exact but for numbers, which count {@value #NUMBER} each, and escapes. */
    long of(JsonValue value) {
        if (value instanceof JsonString text) {
            return text.getChars().length() + 2L;
        }
        if (!(value instanceof JsonObject || value instanceof JsonArray)) {
            return NUMBER;
        }
        Long size = known.get(value);
        if (size == null && before != null) {
            size = before.known.get(value);
        }
        if (size == null) {
            size = 2L;
            if (value instanceof JsonObject object) {
                for (Map.Entry<String, JsonValue> entry : object.entrySet()) {
                    size = plus(size, entry.getKey().length() + 4L + of(entry.getValue()));
                }
            } else {
                for (JsonValue element : value.asJsonArray()) {
                    size = plus(size, 1 + of(element));
                }
            }
            known.put(value, size);
        }
        return size;
    }

    private static long plus(long one, long other) {
        return Math.min(Long.MAX_VALUE / 4, one + other);
    }
}
