package org.skelto.core.naming;

import org.jspecify.annotations.Nullable;

/** What a message topic may be. */
public final class Topics {
    private Topics() {}

    /** What makes a topic name unusable for publishing, or null (MQTT 5.0, section 4.7). */
    public static @Nullable String fault(String topic) {
        if (topic.isEmpty()) {
            return "is empty";
        }
        if (topic.indexOf('#') >= 0 || topic.indexOf('+') >= 0) {
            return "holds a wildcard";
        }
        if (topic.startsWith("$")) {
            return "begins with $, which belongs to the broker";
        }
        if (topic.startsWith("/") || topic.endsWith("/") || topic.contains("//")) {
            return "has an empty level";
        }
        return topic.chars().anyMatch(c -> Character.isWhitespace(c) || Character.isISOControl(c))
                ? "holds a space"
                : null;
    }
}
