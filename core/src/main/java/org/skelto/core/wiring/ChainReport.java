package org.skelto.core.wiring;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.skelto.core.quantity.Figure;

/**
 * The boards that share a line with a master.
 *
 * @param unit id of the master
 * @param capacitancePf of a two-wire bus, or null
 * @param pullUpOhm of all boards in parallel, or null when there is none
 * @param leastOhm that the drivers can pull low, or null
 * @param mostOhm with which the lines rise in time, or null
 * @param cycleMs in which every board is asked once, or null
 * @param periodMs in which it should be, or null
 * @param oneMore what one more board of the last kind would do
 */
@RecordBuilder
public record ChainReport(
        String unit,
        Kind kind,
        List<ChainMember> members,
        @Nullable Double capacitancePf,
        @Nullable Double pullUpOhm,
        @Nullable Double leastOhm,
        @Nullable Double mostOhm,
        @Nullable Double cycleMs,
        @Nullable Double periodMs,
        String oneMore,
        @Nullable Figure capacitance,
        @Nullable Figure window,
        @Nullable Figure cycle,
        List<ChainFault> faults)
        implements ChainReportBuilder.With {
    /** What the boards are chained on. */
    public enum Kind {
        TWO_WIRE,
        RS485,
        PANEL_BUS,
        POWER_LINE
    }

    /**
     * One board.
     *
     * @param name in its controller
     * @param address as a number, or null
     * @param code as it is written: hexadecimal on the two-wire bus, house and unit on the power line
     * @param carries its channels, or the zones and outputs that it gets in its panel's numbering
     * @param ms that asking it takes, or null
     */
    public record ChainMember(
            String name,
            String part,
            @Nullable Integer address,
            String code,
            String carries,
            @Nullable Double ms) {}

    /**
     * Something wrong.
     *
     * @param board name of the board concerned, or null
     * @param address that would be free, or null
     */
    @RecordBuilder
    public record ChainFault(
            String code,
            boolean stop,
            String text,
            String figures,
            String leadsTo,
            @Nullable String board,
            @Nullable Integer address)
            implements ChainReportChainFaultBuilder.With {}
}
