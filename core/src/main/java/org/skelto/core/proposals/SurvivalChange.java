package org.skelto.core.proposals;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.skelto.core.plan.Edit;
import org.skelto.core.quantity.Figure;

/**
 * A change of a house that may help something to survive.
 *
 * @param id that tells it from others
 * @param label in words: "A second gateway beside mesh gateway"
 * @param cost in the plan's currency, from the catalogue where it has a price, else estimated
 * @param estimated whether the cost is an estimate
 * @param figure how the cost comes about
 * @param moves whether it moves something, which may break as well as mend, rather than adding to what is there
 */
@RecordBuilder
public record SurvivalChange(
        String id, String label, double cost, boolean estimated, Figure figure, boolean moves, List<Edit> edits)
        implements SurvivalChangeBuilder.With {
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
