package org.skelto.core.house;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.power.Source;

/** What a way names by itself, rather than what carries it today; what units hang on is kept. */
final class Named {
    private final Plan plan;
    private final Map<String, Set<String>> units = new HashMap<>();

    Named(Plan plan) {
        this.plan = plan;
    }

    /** All that a formula names, whether it holds or not. */
    void leaves(Formula formula, Consumer<String> sink) {
        if (formula instanceof Formula.All all) {
            all.parts().forEach(part -> leaves(part, sink));
        } else if (formula instanceof Formula.Any any) {
            any.parts().forEach(part -> leaves(part, sink));
        } else if (formula instanceof Formula.Needs needs) {
            sink.accept(needs.component());
        } else if (formula instanceof Formula.Live live && live.circuit() != null) {
            sink.accept(Component.circuit(live.circuit()));
        } else if (formula instanceof Formula.Up up) {
            unit(up.unit(), sink);
        } else if (formula instanceof Formula.Powered powered) {
            unit(powered.unit(), sink);
        } else if (formula instanceof Formula.Reaches reaches) {
            unit(reaches.from(), sink);
            unit(reaches.to(), sink);
        } else if (formula instanceof Formula.Not not) {
            leaves(not.power(), sink);
        }
    }

    private void unit(String id, Consumer<String> sink) {
        Set<String> known = units.get(id);
        if (known == null) {
            known = new LinkedHashSet<>();
            unit(id, known::add, new HashSet<>());
            units.put(id, known);
        }
        known.forEach(sink);
    }

    private void unit(String id, Consumer<String> sink, Set<String> seen) {
        sink.accept(Component.unit(id));
        if (!seen.add(id)) {
            return;
        }
        for (Source source : plan.units().get(id).power().sources()) {
            if (source.source() == PowerSource.MAINS && source.circuit() != null) {
                sink.accept(Component.circuit(source.circuit()));
            } else if (source.from() != null) {
                if (source.source() == PowerSource.SUPPLY) {
                    sink.accept(Component.feed(id));
                }
                unit(source.from(), sink, seen);
            }
        }
    }
}
