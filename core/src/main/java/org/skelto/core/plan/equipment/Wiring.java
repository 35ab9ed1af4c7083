package org.skelto.core.plan.equipment;

import java.util.Map;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Matches;

/**
 * Where a device is connected.
 *
 * @param terminals for each of its needs a terminal as {@code board/pin}, such as {@code main/G4} or {@code dimmers/2}; a
 *     relay that is wired to a pin names both, {@code main/G4 relays/3}
 * @param fixed whether the person chose them; then they stay
 */
public record Wiring(
        @Count(most = 12, of = "terminals")
        Map<
                        @Matches(value = "[a-z]{1,20}", says = Wiring.NO_TERMINAL) String,
                        @Matches(value = Matches.TERMINAL + "( " + Matches.TERMINAL + ")?", says = Wiring.NO_TERMINAL)
                        String>
                terminals,

        boolean fixed) {
    static final String NO_TERMINAL = "is not a terminal such as main/G4";

    public Wiring {
        terminals = Copies.sorted(terminals);
    }
}
