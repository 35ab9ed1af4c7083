package org.skelto.core.wiring;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.Chain;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.wiring.ChainReport.ChainFault;

/** A line on which boards are chained, while it is looked at: who is on it, and what is wrong with it. */
abstract class BoardChain {
    final String id;
    final Unit unit;
    final Catalogue catalogue;
    final Part main;
    final List<ChainFault> faults = new ArrayList<>();

    BoardChain(String id, Unit unit, Catalogue catalogue) {
        this.id = id;
        this.unit = unit;
        this.catalogue = catalogue;
        this.main = catalogue.find(unit.boards().main()).orElse(null);
    }

    /** What there is to say of it with these boards. */
    abstract ChainReport report(Map<String, Attached> boards);

    Part part(Attached board) {
        return catalogue.find(board.part()).orElseThrow();
    }

    void fault(String code, boolean stop, String text, String figures, String leadsTo) {
        faults.add(ChainReportChainFaultBuilder.builder()
                .code(code)
                .stop(stop)
                .text(text)
                .figures(figures)
                .leadsTo(leadsTo)
                .build());
    }

    static int first(Part part) {
        return (int) part.figure(Quantity.ADDRESS_FIRST, 1);
    }

    static int last(Part part) {
        return first(part) + (int) part.figure(Quantity.ADDRESSES, 1) - 1;
    }

    /** B1 to B3 of boards that have addresses. */
    void addresses(Map<String, Attached> boards, int least, int most, boolean hex) {
        Set<Integer> taken = new HashSet<>();
        boards.values().forEach(b -> taken.add(b.address() == null ? first(part(b)) : b.address()));
        Map<Integer, String> owner = new TreeMap<>();
        Map<String, Integer> byPart = new TreeMap<>();
        boards.forEach((name, board) -> {
            Part part = part(board);
            int address = board.address() == null ? first(part) : board.address();
            Integer free = free(part, taken, least, most);
            String before = owner.putIfAbsent(address, name);
            if (before != null) {
                faults.add(ChainReportChainFaultBuilder.builder()
                        .code("B1")
                        .stop(true)
                        .text(before + " and " + name + " of " + unit.name() + " have the same address")
                        .figures(written(address, hex))
                        .leadsTo("Both answer at once, and the master understands neither.")
                        .board(name)
                        .address(free)
                        .build());
            }
            if (address < least || address > most || address < first(part) || address > last(part)) {
                boolean reserved = address < least || address > most;
                faults.add(ChainReportChainFaultBuilder.builder()
                        .code("B2")
                        .stop(true)
                        .text(name + " of " + unit.name()
                                + (reserved ? " has a reserved address" : " cannot be set to its address"))
                        .figures(written(address, hex) + "; its switches give " + written(first(part), hex) + " to "
                                + written(last(part), hex))
                        .leadsTo("The master never finds it.")
                        .board(name)
                        .address(free)
                        .build());
            }
            byPart.merge(part.id(), 1, Integer::sum);
        });
        byPart.forEach((id, count) -> {
            Part part = catalogue.find(id).orElseThrow();
            int has = last(part) - first(part) + 1;
            if (count > has) {
                fault(
                        "B3",
                        true,
                        unit.name() + " has more boards of one kind than they have addresses",
                        count + " × " + part.name() + ", " + has + " addresses",
                        "The last ones cannot be told apart. A second bus or a multiplexer carries more.");
            }
        });
    }

    static Integer free(Part part, Set<Integer> taken, int least, int most) {
        for (int a = Math.max(first(part), least); a <= Math.min(last(part), most); a++) {
            if (!taken.contains(a)) {
                return a;
            }
        }
        return null;
    }

    static String written(int address, boolean hex) {
        return hex ? String.format("0x%02X", address) : String.valueOf(address);
    }

    void period(Chain chain, double cycleMs) {
        if (chain.periodMs() != null && cycleMs > chain.periodMs()) {
            fault(
                    "B5",
                    false,
                    "Asking all boards of " + unit.name() + " takes longer than it may",
                    Text.number(cycleMs, 2) + " ms, wanted every " + Text.number(chain.periodMs(), 1) + " ms",
                    "A press on a button is missed, or answered late.");
        }
    }

    static Figure cycleFigure(String formula, Chain chain) {
        return Figure.of(
                "sum over boards of bytes · clocks / rate",
                formula,
                false,
                "rate",
                Text.number(chain.rateK(), 1) + " k",
                "wanted in",
                chain.periodMs() == null ? "nobody said" : Text.number(chain.periodMs(), 1) + " ms");
    }

    static List<Map.Entry<String, Attached>> sorted(Map<String, Attached> boards) {
        return boards.entrySet().stream()
                .sorted(Comparator.comparing(
                                (Map.Entry<String, Attached> e) -> e.getValue().address(),
                                Comparator.nullsFirst(Comparator.naturalOrder()))
                        .thenComparing(Map.Entry::getKey))
                .toList();
    }
}
