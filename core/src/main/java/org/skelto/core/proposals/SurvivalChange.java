package org.skelto.core.proposals;

import java.util.List;
import org.skelto.core.plan.Edit;

/**
 * A change of a house that may help something to survive.
 *
 * @param id that tells it from others
 * @param label in words: "A second gateway beside mesh gateway"
 * @param cost in the plan's currency, from the catalogue where it has a price, else estimated
 * @param estimated whether the cost is an estimate
 * @param moves whether it moves something, which may break as well as mend, rather than adding to what is there
 */
public record SurvivalChange(String id, String label, double cost, boolean estimated, boolean moves, List<Edit> edits) {
    public SurvivalChange {
        edits = List.copyOf(edits);
    }

    /** Whether only one of two can be made. */
    boolean excludes(SurvivalChange other) {
        return moves
                && other.moves
                && edits.get(0).path().equals(other.edits().get(0).path());
    }
}
