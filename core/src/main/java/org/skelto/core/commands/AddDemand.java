package org.skelto.core.commands;

import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.network.Demand;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.site.Place;

/**
 * A place where a handset or phone must work, at the height of a hand.
 *
 * @param medium the radio that it uses there
 * @param room where it is, or null
 * @param spot outdoors, where it is, or null; one of both is needed
 */
public record AddDemand(
        String name,
        Medium medium,
        @Nullable String room,
        @Nullable String spot) implements Command {
    private static final double HAND_M = 1;

    @Override
    public Proposal on(Plan plan) {
        if (name == null || name.isBlank()) {
            throw new Refused("name", "is missing");
        }
        if (medium == null || !medium.radio()) {
            throw new Refused("medium", "must be a radio");
        }
        Place place = new FreePlaces(plan).at(room, spot, HAND_M);
        if (place == null) {
            throw new Refused("room", "is missing: it is a place in a room or at a spot");
        }
        String id = Asked.freeId(name.strip(), Asked.taken(plan.demands()));
        return new Proposal(
                name.strip(),
                List.of(Edit.add(
                        Pointers.of("demands", id), new Demand(name.strip(), place, medium, Criticality.ROUTINE))));
    }
}
