package org.skelto.server.plans;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
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

    private final Cache<UUID, Kept> kept = Caffeine.newBuilder()
            .maximumWeight(MOST)
            .weigher((UUID id, Kept one) -> one.characters())
            .executor(Runnable::run)
            .build();

    /** The state of a plan at a revision, or null when it is not held. */
    PlanState find(UUID id, long revision) {
        Kept known = kept.getIfPresent(id);
        return known != null && known.state().revision() == revision ? known.state() : null;
    }

    /** Holds a state that is stored for good, unless a newer one is held. */
    void keep(PlanState state, int length) {
        if (length <= LARGEST) {
            kept.asMap()
                    .merge(
                            state.id(),
                            new Kept(state, length),
                            (known, now) ->
                                    known.state().revision() > now.state().revision() ? known : now);
        }
    }
}
