package org.skelto.core.house;

import java.util.List;
import java.util.Set;

/**
 * What a rule needs so as to work a device.
 *
 * @param host id of the unit, or of the outside service, that it runs in
 * @param byItself whether something sets it off that no device tells: the clock, the sun, the mains, a mode, who is at home
 * @param triggers ids of the devices of which any one sets it off
 * @param asked ids of the devices that its conditions and interlocks ask
 * @param worked ids of the devices that it works
 */
public record RuleReach(String host, boolean byItself, List<String> triggers, List<String> asked, Set<String> worked) {
    public RuleReach {
        triggers = List.copyOf(triggers);
        asked = List.copyOf(asked);
        worked = Set.copyOf(worked);
    }
}
