package org.skelto.core.commands;

import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.power.PowerSource;

/**
 * A unit takes its power from elsewhere: from the first circuit, the first switch or the first supply; what was said of the
 * source before, part, cells and cable, is not said of the new one.
 */
public record SetPowerSource(String unit, PowerSource source) implements Command {
    @Override
    public Proposal on(Plan plan) {
        Unit of = Asked.of(plan.units(), unit, "unit", "a unit");
        if (source == null) {
            throw new Refused("source", "is missing");
        }
        return new Proposal(
                "power of " + of.name(),
                List.of(Edit.replace(
                        Pointers.of("units", unit, "power"),
                        of.power()
                                .with(p -> p.source(source)
                                        .circuit(source == PowerSource.MAINS ? Asked.first(plan.circuits()) : null)
                                        .from(feeder(plan))
                                        .part(null)
                                        .count(null)
                                        .series(null)
                                        .feed(null)))));
    }

    private @Nullable String feeder(Plan plan) {
        UnitKind kind = switch (source) {
            case ETHERNET -> UnitKind.SWITCH;
            case SUPPLY -> UnitKind.SUPPLY;
            default -> null;
        };
        return plan.units().entrySet().stream()
                .filter(e ->
                        kind != null && e.getValue().is(kind) && !e.getKey().equals(unit))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElse(null);
    }
}
