package org.skelto.core.power;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.quantity.Figure;

/**
 * One box of the power tree.
 *
 * @param id a unit's id, or {@code device:id} of a load that a supply feeds
 * @param parent id of what feeds it, or null at the top
 * @param source what feeds it at the top, in words
 * @param part name of its main part, or null
 * @param volts at its input
 * @param typicalA most of the time
 * @param worstA with everything on
 * @param takenW from what feeds it, most of the time: with what it feeds itself, and what its supply loses
 * @param takenWorstW the same with everything on
 * @param assumed whether its figures are typical ones of its kind rather than of its parts
 * @param draw how its current comes about
 * @param gives what it makes for others or for its own board, or null
 * @param run the cable that brings its power, or null
 * @param cell its battery, or null when it has none that is known
 * @param backupH hours that its backup carries it at the typical load, or null
 */
@RecordBuilder
public record PowerNode(
        String id,
        String name,
        @Nullable String parent,
        @Nullable String source,
        @Nullable String part,
        double volts,
        double typicalA,
        double worstA,
        double takenW,
        double takenWorstW,
        boolean assumed,
        Figure draw,
        @Nullable SupplyOutput gives,
        @Nullable CableRun run,
        @Nullable CellLife cell,
        @Nullable Store store,
        List<PowerFault> faults)
        implements PowerNodeBuilder.With {
    /**
     * What a supply makes.
     *
     * @param part name of the part that makes it
     * @param volts at its output
     * @param worstA taken from it at worst
     * @param ratedA that it may give, or null when not known
     * @param share of the rating that is taken at worst, or null
     * @param lossW heat in it at worst
     * @param typicalLossW heat in it with the typical mix of loads
     * @param junctionC of a linear regulator at worst, or null
     */
    @RecordBuilder
    public record SupplyOutput(
            String part,
            double volts,
            double typicalA,
            double worstA,
            @Nullable Double ratedA,
            @Nullable Double share,
            double lossW,
            double typicalLossW,
            @Nullable Double junctionC,
            Figure figure)
            implements PowerNodeSupplyOutputBuilder.With {}

    /**
     * A cable under load.
     *
     * @param lengthM along its way
     * @param estimated whether the length is estimated from where things stand
     * @param dropV lost on it at worst
     * @param dropShare of the voltage at its near end
     * @param endV that arrives
     */
    @RecordBuilder
    public record CableRun(
            String cable, double lengthM, boolean estimated, double dropV, double dropShare, double endV, Figure figure)
            implements PowerNodeCableRunBuilder.With {}

    /**
     * A battery.
     *
     * @param averageUa mean current
     * @param years until it is flat
     * @param wishYears how long it should last, or null
     */
    public record CellLife(
            String cell,
            double averageUa,
            double years,
            @Nullable Double wishYears,
            Figure figure) {}

    /**
     * Something wrong.
     *
     * @param code of its check
     * @param stop whether it cannot work or is unsafe
     */
    public record PowerFault(String code, boolean stop, String text, String figures, String leadsTo) {}
}
