package org.skelto.core.plan.equipment;

import java.util.Map;
import org.skelto.core.plan.format.Copies;

/**
 * Where a device is connected.
 *
 * @param terminals for each of its needs a terminal as {@code board/pin}, such as {@code main/G4} or {@code dimmers/2}; a
 *     relay that is wired to a pin names both, {@code main/G4 relays/3}
 * @param fixed whether the person chose them; then they stay
 */
public record Wiring(Map<String, String> terminals, boolean fixed) {
    public Wiring {
        terminals = Copies.sorted(terminals);
    }
}
