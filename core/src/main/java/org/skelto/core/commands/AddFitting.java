package org.skelto.core.commands;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.site.Fitting;
import org.skelto.core.plan.site.FittingKind;

/**
 * Something that is in the house already, low on the wall; an outlet hangs on the first circuit.
 *
 * @param name or null for that of its kind
 * @param room where it is, or null
 * @param spot outdoors, where it is, or null; neither means nowhere yet
 */
public record AddFitting(
        FittingKind kind,
        @Nullable String name,
        @Nullable String room,
        @Nullable String spot) implements Command {
    private static final double LOW_M = 0.3;

    @Override
    public Proposal on(Plan plan) {
        if (kind == null) {
            throw new Refused("kind", "is missing");
        }
        String called = name == null || name.isBlank() ? Wording.words(kind) : name.strip();
        Fitting fitting = new Fitting(
                called,
                kind,
                new FreePlaces(plan).at(room, spot, LOW_M),
                kind == FittingKind.OUTLET ? Asked.first(plan.circuits()) : null);
        String id = Asked.freeId(called, Asked.taken(plan.fittings()));
        return new Proposal(called, List.of(Edit.add(Pointers.of("fittings", id), fitting)));
    }
}
