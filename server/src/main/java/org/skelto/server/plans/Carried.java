package org.skelto.server.plans;

import java.util.UUID;
import java.util.function.Consumer;
import tools.jackson.databind.JsonNode;

/** Something of a plan that is kept beside its document and travels with it when it is exported. */
public interface Carried {
    /** Name of the property that carries it in an exported file. */
    String property();

    /** What the file says of it, or null when there is nothing. */
    JsonNode export(UUID plan);

    /** How many bytes it takes in an exported file, rather more than less. */
    long size(UUID plan);

    /**
     * Reads what a file said, without storing anything; refused with the place when it cannot be.
     *
     * @return stores it for a plan that was just made
     */
    Consumer<UUID> prepare(JsonNode content);

    /** Gives another plan, just made, the same. */
    default void copy(UUID from, UUID to) {
        JsonNode content = export(from);
        if (content != null) {
            prepare(content).accept(to);
        }
    }

    /** Removes it for good. */
    void purge(UUID plan);
}
