package org.skelto.core.wiring;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.Chain;
import org.skelto.core.plan.equipment.ChainBuilder;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.quantity.Text;
import org.skelto.core.wiring.ChainReport.ChainMember;

/** An RS-485 line: addresses, unit loads, length by rate, termination and how long it takes to ask all. */
final class SerialLine extends BoardChain {
    /** Most unit loads (TIA-485). */
    private static final double MOST_LOADS = 32;

    private static final Chain USUAL_LINE = ChainBuilder.builder()
            .lengthM(1)
            .rateK(19.2)
            .ends(0)
            .reference(false)
            .build();

    /** Longest line, m (TIA-485). */
    private static final double LINE_M = 1200;

    /** Most metres times bits per second. */
    private static final double LINE_M_BIT = 1e8;

    /** A line of so many metres times bits per second needs its ends terminated. */
    private static final double UNTERMINATED_M_BIT = 1e6;

    /** Bytes of a question and its answer, and the pauses around them in characters. */
    private static final int LINE_BYTES = 16;

    private static final double LINE_PAUSES = 7;

    SerialLine(String id, Unit unit, Catalogue catalogue) {
        super(id, unit, catalogue);
    }

    @Override
    ChainReport report(Map<String, Attached> boards) {
        Chain chain = unit.boards().line() == null ? USUAL_LINE : unit.boards().line();
        addresses(boards, 1, 247, false);
        double loads = 1
                + boards.values().stream()
                        .mapToDouble(b -> part(b).figure(Quantity.UNIT_LOADS, 1))
                        .sum();
        if (loads > MOST_LOADS) {
            fault(
                    "B3",
                    true,
                    "Too many boards on the RS-485 line of " + unit.name(),
                    Text.number(loads, 1) + " unit loads, at most " + Text.number(MOST_LOADS, 0),
                    "The last boards are not heard.");
        }
        double metreBits = chain.lengthM() * chain.rateK() * 1000;
        if (chain.lengthM() > LINE_M || metreBits > LINE_M_BIT) {
            fault(
                    "B4",
                    true,
                    "The RS-485 line of " + unit.name() + " is too long for its rate",
                    Text.metres(chain.lengthM()) + " at " + Text.number(chain.rateK(), 1) + " kbit/s; at most "
                            + Text.metres(Math.min(LINE_M, LINE_M_BIT / chain.rateK() / 1000)),
                    "Bits smear into each other. A slower rate goes further.");
        }
        boolean ends = chain.ends() == 2 || metreBits < UNTERMINATED_M_BIT;
        if (!ends || !chain.reference()) {
            fault(
                    "B6",
                    false,
                    "The RS-485 line of " + unit.name() + " lacks "
                            + (ends
                                    ? "a common reference"
                                    : chain.reference() ? "termination" : "termination and a common reference"),
                    chain.ends() + " of 2 ends with 120 Ω; reference wire: " + (chain.reference() ? "yes" : "no"),
                    "It works on the bench, and fails when the heating or the lift starts.");
        }
        double cycle = 0;
        List<ChainMember> members = new ArrayList<>();
        double each = BusTiming.lineMs(LINE_BYTES, LINE_PAUSES, chain.rateK());
        for (Map.Entry<String, Attached> e : sorted(boards)) {
            Part part = part(e.getValue());
            cycle += each;
            int address =
                    e.getValue().address() == null ? first(part) : e.getValue().address();
            members.add(new ChainMember(
                    e.getKey(), part.name(), address, written(address, false), part.channels() + " channels", each));
        }
        period(chain, cycle);
        return ChainReportBuilder.builder()
                .unit(id)
                .kind(ChainReport.Kind.RS485)
                .members(members)
                .cycleMs(cycle)
                .periodMs(chain.periodMs())
                .oneMore("One more board: " + Text.number(loads + 1, 1) + " of " + Text.number(MOST_LOADS, 0)
                        + " unit loads, cycle " + Text.number(cycle + each, 2) + " ms")
                .cycle(cycleFigure("question and answer of 8 bytes, 10 bits each, two pauses of 3.5 characters", chain))
                .faults(List.copyOf(faults))
                .build();
    }
}
