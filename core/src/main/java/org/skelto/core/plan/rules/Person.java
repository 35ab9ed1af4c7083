package org.skelto.core.plan.rules;

import java.util.SortedSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Id;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Words;

/**
 * Somebody who is told, as a role: keeper, neighbour.
 *
 * @param services ids of the message services that reach this person
 * @param tested day on which a message was last seen to arrive, in words, or null when it never was
 */
public record Person(
        @Name String name,
        SortedSet<@Id String> services,
        @Nullable @Words(most = 40) String tested) {
    public Person {
        services = Copies.sorted(services);
    }
}
