package org.skelto.server.plans;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** The states read last, so that a drag does not read its plan anew for every figure. */
@Component
class KeptStates {
    private static final int MOST = 4;

    /** Larger documents are read each time rather than held, characters. */
    private static final int LARGEST = 4_000_000;

    private final Map<UUID, PlanState> kept = new LinkedHashMap<>(MOST, 0.75f, true);

    /** The state of a plan at a revision, or null when it is not held. */
    synchronized PlanState find(UUID id, long revision) {
        PlanState known = kept.get(id);
        return known != null && known.revision() == revision ? known : null;
    }

    /** Holds a state that is stored for good. */
    synchronized void keep(PlanState state, int characters) {
        PlanState known = kept.get(state.id());
        if (characters <= LARGEST && (known == null || known.revision() <= state.revision())) {
            kept.put(state.id(), state);
            if (kept.size() > MOST) {
                kept.remove(kept.keySet().iterator().next());
            }
        }
    }
}
