package org.skelto.server.plans;

import java.util.UUID;
import java.util.function.BiConsumer;
import java.util.function.Function;
import org.skelto.server.people.Person;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Something of a plan that is kept beside its document and travels with it when it is exported. */
public interface PlanAttachment {
    /** Name of the property that carries it in an exported file. */
    String property();

    /**
     * JSON Schema of what the file says of it.
     *
     * @param records gives the reference to a record's own schema
     */
    JsonNode schema(Function<Class<?>, JsonNode> records);

    /** A list of at most so many of a record, for {@link #schema}. */
    static JsonNode list(JsonNode one, int most) {
        ObjectNode list =
                JsonNodeFactory.instance.objectNode().put("type", "array").put("maxItems", most);
        list.set("items", one);
        return list;
    }

    /** What the file says of it, or null when there is nothing. */
    JsonNode export(UUID plan);

    /** How many bytes it takes in an exported file, rather more than less. */
    long size(UUID plan);

    /**
     * Reads what a file said, without storing anything; refused with the place when it cannot be.
     *
     * @return stores it, as somebody's, for a plan that was just made
     */
    BiConsumer<Person, UUID> prepare(JsonNode content);

    /** Gives another plan, just made, the same. */
    default void copy(Person who, UUID from, UUID to) {
        JsonNode content = export(from);
        if (content != null) {
            prepare(content).accept(who, to);
        }
    }

    /** Removes it for good. */
    void purge(UUID plan);
}
