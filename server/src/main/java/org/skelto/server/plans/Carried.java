package org.skelto.server.plans;

import java.util.UUID;
import tools.jackson.databind.JsonNode;

/** Something of a plan that is kept beside its document and travels with it when it is exported. */
public interface Carried {
    /** Name of the property that carries it in an exported file. */
    String property();

    /** What the file says of it, or null when there is nothing. */
    JsonNode export(UUID plan);

    /** Takes in what a file said, for a plan that was just made; refused with the place when it cannot be. */
    void restore(UUID plan, JsonNode content);
}
