package org.skelto.core.links;

import java.util.List;
import org.skelto.core.plan.Direction;
import org.skelto.core.plan.Medium;
import org.skelto.core.radio.Budget;
import org.skelto.core.radio.Figure;

/**
 * A link judged.
 *
 * @param distanceM straight distance, or null when an end has no place
 * @param indoor whether both ends are in one building
 * @param trouble why there is nothing to compute, or null
 * @param runs one budget for each direction that the link has
 * @param marginDb the worse direction's margin, or null for cable
 * @param chance that it holds, 0 to 1, or null for cable
 * @param target the chance aimed at, from the most critical device behind it
 * @param neededDb the margin at which the target is met
 * @param meets whether it holds at its target
 */
public record LinkReport(
        String link,
        String from,
        String to,
        Medium medium,
        Direction direction,
        Double distanceM,
        boolean indoor,
        String trouble,
        List<Run> runs,
        Double marginDb,
        Double chance,
        double target,
        double neededDb,
        boolean meets,
        Figure chanceFigure) {
    /** One direction. */
    public record Run(String from, String to, Budget budget) {}

    public LinkReport {
        runs = List.copyOf(runs);
    }

    public boolean extrapolated() {
        return runs.stream()
                .flatMap(r -> r.budget().steps().stream())
                .anyMatch(s -> s.figure().extrapolated());
    }
}
