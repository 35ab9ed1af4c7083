package org.skelto.core.wiring;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.Chain;
import org.skelto.core.plan.equipment.ChainBuilder;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.wiring.ChainReport.ChainMember;

/** The two-wire bus of boards in a box: addresses, capacitance, pull-ups and how long it takes to ask all. */
final class TwoWireBus extends BoardChain {
    /** Addresses below and above are reserved by the bus. */
    static final int FIRST = 0x08;

    static final int LAST = 0x77;

    /** Most capacitance, pF; two-wire bus specification. */
    private static final double MOST_PF = 400;

    /** Of a pin and its trace, pF; typical. */
    private static final double PIN_PF = 10;

    private static final double IN_BOX_M = 0.3;
    private static final Chain IN_BOX = ChainBuilder.builder()
            .lengthM(IN_BOX_M)
            .rateK(100)
            .ends(0)
            .reference(false)
            .build();

    /** Of a cable whose sheet says nothing, pF/m; typical. */
    private static final double USUAL_PF_PER_M = 60;

    TwoWireBus(String id, Unit unit, Catalogue catalogue) {
        super(id, unit, catalogue);
    }

    /** The bus as it is said, or one of a box. */
    static Chain chain(Unit unit) {
        return unit.boards().bus() == null ? IN_BOX : unit.boards().bus();
    }

    @Override
    ChainReport report(Map<String, Attached> boards) {
        Chain chain = chain(unit);
        addresses(boards, FIRST, LAST, true);
        double perM = catalogue
                .find(chain.cable())
                .map(c -> c.figure(Quantity.PF_PER_M, USUAL_PF_PER_M))
                .orElse(USUAL_PF_PER_M);
        double pins = boards.values().stream()
                .mapToDouble(b -> part(b).figure(Quantity.BUS_PF, PIN_PF))
                .sum();
        double pf = perM * chain.lengthM() + pins + PIN_PF;
        double siemens = chain.pullUpOhm() == null ? 0 : 1 / chain.pullUpOhm();
        for (Attached board : boards.values()) {
            siemens += part(board).figure(Quantity.PULL_UP_OHM).map(r -> 1 / r).orElse(0.0);
        }
        Double pullUp = siemens == 0 ? null : 1 / siemens;
        double vdd = main == null ? 3.3 : main.figure(Quantity.LOGIC_V, 3.3);
        double least = BusTiming.leastPullUpOhm(vdd);
        double most = BusTiming.mostPullUpOhm(pf, chain.rateK());
        electrical(chain, pf, pullUp, least, most);
        double cycle = 0;
        List<ChainMember> members = new ArrayList<>();
        double lastMs = 0;
        for (Map.Entry<String, Attached> e : sorted(boards)) {
            Part part = part(e.getValue());
            lastMs = BusTiming.boardMs(bytes(part), chain.rateK());
            cycle += lastMs;
            int address =
                    e.getValue().address() == null ? first(part) : e.getValue().address();
            members.add(new ChainMember(
                    e.getKey(), part.name(), address, written(address, true), part.channels() + " channels", lastMs));
        }
        period(chain, cycle);
        double onePf = boards.values().stream()
                .mapToDouble(b -> part(b).figure(Quantity.BUS_PF, PIN_PF))
                .max()
                .orElse(PIN_PF);
        String more = "One more board: " + Text.number(pf + onePf, 0) + " pF of " + Text.number(MOST_PF, 0)
                + " pF, cycle " + Text.number(cycle + lastMs, 2) + " ms";
        return ChainReportBuilder.builder()
                .unit(id)
                .kind(ChainReport.Kind.TWO_WIRE)
                .members(members)
                .capacitancePf(pf)
                .pullUpOhm(pullUp)
                .leastOhm(least)
                .mostOhm(most)
                .cycleMs(cycle)
                .periodMs(chain.periodMs())
                .oneMore(more)
                .capacitance(Figure.of(
                        "pF/m · m + pins and traces of all boards",
                        "two-wire bus specification: at most 400 pF",
                        chain.cable() == null,
                        "cable",
                        Text.number(perM, 0) + " pF/m · " + Text.metres(chain.lengthM()),
                        "boards",
                        Text.number(pins, 0) + " pF",
                        "master",
                        Text.number(PIN_PF, 0) + " pF"))
                .window(Figure.of(
                        "(Vdd − 0.4 V) / 3 mA ≤ R ≤ tr / (0.8473 · Cb)",
                        "two-wire bus specification: tr 1000 ns up to 100 kHz, 300 ns up to 400 kHz",
                        chain.rateK() > BusTiming.FAST_K,
                        "Vdd",
                        Text.number(vdd, 1) + " V",
                        "tr",
                        Text.number(BusTiming.riseNs(chain.rateK()), 0) + " ns",
                        "all pull-ups in parallel",
                        pullUp == null ? "none" : Text.number(pullUp, 0) + " Ω"))
                .cycle(cycleFigure("9 clocks a byte, start and stop; address, register and data of each board", chain))
                .faults(List.copyOf(faults))
                .build();
    }

    private void electrical(Chain chain, double pf, Double pullUp, double least, double most) {
        String lines = "The lines do not rise in time: boards answer now and then, and the more often the longer the "
                + "cable.";
        if (pf > MOST_PF) {
            fault(
                    "B4",
                    true,
                    "The bus of " + unit.name() + " has too much capacitance",
                    Text.number(pf, 0) + " pF, at most " + Text.number(MOST_PF, 0) + " pF",
                    lines
                            + " Shorten it or take a cable of fewer pF/m, split it over a second controller, or take boards on"
                            + " a differential bus (RS-485); a slower clock does not help beyond the limit.");
        } else if (least > most) {
            fault(
                    "B4",
                    true,
                    "No pull-up suits the bus of " + unit.name(),
                    "at least " + Text.number(least, 0) + " Ω, at most " + Text.number(most, 0) + " Ω",
                    lines + " A slower clock or a shorter cable opens the window.");
        } else if (pullUp == null || pullUp > most) {
            fault(
                    "B4",
                    true,
                    "The pull-ups of " + unit.name() + " are too weak",
                    (pullUp == null ? "none" : Text.number(pullUp, 0) + " Ω in parallel") + ", at most "
                            + Text.number(most, 0) + " Ω",
                    lines);
        } else if (pullUp < least) {
            fault(
                    "B4",
                    true,
                    "The pull-ups of all boards of " + unit.name() + " together are too strong",
                    Text.number(pullUp, 0) + " Ω in parallel, at least " + Text.number(least, 0) + " Ω",
                    "No board can pull the line low. Take the pull-ups of some boards off.");
        }
        if (chain.rateK() > BusTiming.FAST_K) {
            fault(
                    "B4",
                    false,
                    "The bus of " + unit.name() + " is faster than its boards",
                    Text.number(chain.rateK(), 0) + " kHz, at most " + Text.number(BusTiming.FAST_K, 0) + " kHz",
                    "Boards made for 400 kHz do not follow.");
        }
    }

    /** Address, register and what is read or written of a board. */
    private static int bytes(Part part) {
        int data = part.kind() == PartKind.DIMMER_BOARD
                ? part.channels()
                : part.is(Trait.ANALOGUE) ? 2 * part.channels() : (part.channels() + 7) / 8;
        return 2 + Math.max(1, data);
    }
}
