package org.skelto.server.names;

import java.time.Clock;
import java.time.LocalDate;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.network.Addressing;
import org.skelto.server.plans.DerivedEdit;
import org.springframework.stereotype.Component;

/** The address of a unit that is removed rests before it is given again: what asked for it before may still do so. */
@Component
class RestingAddresses implements DerivedEdit {
    private final Clock clock;

    RestingAddresses(Clock clock) {
        this.clock = clock;
    }

    @Override
    public Plan follow(UUID id, Plan before, Plan after) {
        Addressing rules = after.network().addressing();
        if (before.units() == after.units() && rules.resting().isEmpty()) {
            return after;
        }
        LocalDate today = LocalDate.now(clock);
        Map<String, String> resting = new TreeMap<>(rules.resting());
        // days are written so that they sort as texts
        resting.values().removeIf(until -> until.compareTo(today.toString()) <= 0);
        if (rules.days() > 0) {
            Set<String> held = new HashSet<>();
            after.units().values().forEach(u -> held.add(u.ipv4()));
            before.units().forEach((unit, u) -> {
                if (u.ipv4() != null && !after.units().containsKey(unit) && !held.contains(u.ipv4())) {
                    resting.put(u.ipv4(), today.plusDays(rules.days()).toString());
                }
            });
        }
        return resting.equals(rules.resting())
                ? after
                : after.withNetwork(after.network().withAddressing(rules.resting(resting)));
    }
}
