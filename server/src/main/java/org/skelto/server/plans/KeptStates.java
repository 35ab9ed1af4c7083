package org.skelto.server.plans;

import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** The states read last, so that a drag does not read its plan anew for every figure. */
@Component
class KeptStates {
    /** Documents of all states together, characters: a few dozen houses, or a few of the largest. */
    private static final long MOST = 24_000_000;

    /** Larger documents are read each time rather than held, characters. */
    private static final int LARGEST = 4_000_000;

    private record Kept(PlanState state, int characters) {}

    private final Map<UUID, Kept> kept = new LinkedHashMap<>(16, 0.75f, true);
    private long characters;

    /** The state of a plan at a revision, or null when it is not held. */
    synchronized PlanState find(UUID id, long revision) {
        Kept known = kept.get(id);
        return known != null && known.state().revision() == revision ? known.state() : null;
    }

    /** Holds a state that is stored for good. */
    synchronized void keep(PlanState state, int length) {
        Kept known = kept.get(state.id());
        if (length > LARGEST || known != null && known.state().revision() > state.revision()) {
            return;
        }
        kept.put(state.id(), new Kept(state, length));
        characters += length - (known == null ? 0 : known.characters());
        for (Iterator<Kept> eldest = kept.values().iterator(); characters > MOST; ) {
            characters -= eldest.next().characters();
            eldest.remove();
        }
    }
}
