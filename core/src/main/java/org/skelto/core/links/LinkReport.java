package org.skelto.core.links;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.network.Direction;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.quantity.Figure;
import org.skelto.core.radio.Budget;
import org.skelto.core.radio.Chance;

/**
 * A link judged.
 *
 * @param distanceM straight distance, or null when an end has no place
 * @param indoor whether both ends are in one building
 * @param trouble why there is nothing to compute or why it cannot work as it is, or null
 * @param placed whether both ends have a place; without one nothing can be said against the link
 * @param runs one budget for each direction that the link has; with trouble, what they would be without it
 * @param marginDb the worse direction's margin, or null for cable
 * @param chance that it holds, 0 to 1, or null for cable
 * @param target the chance aimed at, from the most critical device behind it
 * @param neededDb the margin at which the target is met
 * @param meets whether it holds at its target
 */
@RecordBuilder
public record LinkReport(
        String link,
        String from,
        String to,
        Medium medium,
        Direction direction,
        @Nullable Double distanceM,
        boolean indoor,
        @Nullable String trouble,
        boolean placed,
        List<Run> runs,
        @Nullable Double marginDb,
        @Nullable Double chance,
        double target,
        double neededDb,
        boolean meets,
        @Nullable Figure chanceFigure)
        implements LinkReportBuilder.With {
    /** One direction. */
    public record Run(String from, String to, Budget budget) {}

    public LinkReport {
        runs = List.copyOf(runs);
    }

    /**
     * Whether anything sent by one end arrives at the other at all: a link under its target still carries most of the
     * time, one without any margin or with ends that do not understand each other never does.
     */
    public boolean carries(String sender) {
        if (!placed) {
            return true;
        }
        if (trouble != null || runs.isEmpty()) {
            return trouble == null;
        }
        boolean both = direction == Direction.TWO_WAY && medium.answered();
        return both
                ? runs.size() == 2 && runs.stream().allMatch(r -> r.budget().marginDb() >= 0)
                : runs.stream()
                        .anyMatch(r -> r.from().equals(sender) && r.budget().marginDb() >= 0);
    }

    /**
     * The chance that something sent by one end arrives, in whole hundredths rounded down, 0 when it never does; 1 for cable and
     * where an end has no place yet.
     */
    public double chance(String sender) {
        if (!carries(sender)) {
            return 0;
        }
        return chance == null || !placed ? 1 : Math.max(1, Math.floor(chance * 100)) / 100;
    }

    /** Spread of the prediction, dB: needed margin = Φ⁻¹(target) σ; for a report with a budget. */
    public double sigmaDb() {
        return neededDb / Chance.marginDb(target, 1);
    }

    /** The direction that has less to spare, or null without a budget. */
    public Run worse() {
        return runs.stream()
                .min(Comparator.comparingDouble(r -> r.budget().marginDb()))
                .orElse(null);
    }

    public boolean extrapolated() {
        return runs.stream()
                .flatMap(r -> r.budget().steps().stream())
                .anyMatch(s -> s.figure().extrapolated());
    }
}
