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
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.parts.Trait;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.Chain;
import org.skelto.core.plan.equipment.ChainBuilder;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.wiring.ChainReport.ChainFault;
import org.skelto.core.wiring.ChainReport.ChainMember;
import org.skelto.core.work.ComputingBudget;

/** Looks at the lines on which boards are chained: addresses, electrical limits and timing. */
public final class Chains {
    /** Addresses below and above are reserved by the bus. */
    public static final int FIRST = 0x08;

    public static final int LAST = 0x77;

    /** Most capacitance of a two-wire bus, pF. */
    public static final double MOST_PF = 400;

    /** Most unit loads on RS-485 (TIA-485). */
    public static final double MOST_LOADS = 32;

    private static final double PIN_PF = 10;
    private static final double IN_BOX_M = 0.3;
    private static final Chain IN_BOX = ChainBuilder.builder()
            .lengthM(IN_BOX_M)
            .rateK(100)
            .ends(0)
            .reference(false)
            .build();
    private static final Chain USUAL_LINE = ChainBuilder.builder()
            .lengthM(1)
            .rateK(19.2)
            .ends(0)
            .reference(false)
            .build();
    private static final double USUAL_PF_PER_M = 60;

    /** Longest line, and most metres times bits per second. */
    private static final double LINE_M = 1200;

    private static final double LINE_M_BIT = 1e8;

    /** A line of this length at this rate needs its ends terminated. */
    private static final double UNTERMINATED_M_BIT = 1e6;

    private static final int LINE_BYTES = 16;
    private static final double LINE_PAUSES = 7;
    private static final int PANEL_BOARDS = 15;

    private final String id;
    private final Unit unit;
    private final Catalogue catalogue;
    private final Part main;
    private final List<ChainFault> faults = new ArrayList<>();

    private Chains(String id, Unit unit, Catalogue catalogue) {
        this.id = id;
        this.unit = unit;
        this.catalogue = catalogue;
        this.main = catalogue.find(unit.boards().main()).orElse(null);
    }

    /** The lines of all units that have any, by unit; the power line of the whole house comes under its own id. */
    public static List<ChainReport> of(Plan plan, Catalogue catalogue) {
        ComputingBudget.step();
        List<ChainReport> all = new ArrayList<>();
        Map<String, Unit> onPowerLine = new TreeMap<>();
        plan.units().forEach((id, unit) -> {
            if (unit.boards() == null || !unit.kind().drives()) {
                return;
            }
            Map<String, Attached> bus = with(unit, catalogue, Trait.BUS);
            if (!bus.isEmpty()) {
                all.add(new Chains(id, unit, catalogue).twoWire(bus));
            }
            Map<String, Attached> line = with(unit, catalogue, Trait.SERIAL);
            if (!line.isEmpty()) {
                all.add(new Chains(id, unit, catalogue).line(line));
            }
            Map<String, Attached> panel = with(unit, catalogue, Trait.PANEL_BUS);
            Part main = catalogue.find(unit.boards().main()).orElse(null);
            if (!panel.isEmpty() || main != null && main.kind() == PartKind.PANEL) {
                all.add(new Chains(id, unit, catalogue).panel(panel));
            }
            if (main != null && main.kind() == PartKind.POWER_LINE) {
                onPowerLine.put(id, unit);
            }
        });
        if (!onPowerLine.isEmpty()) {
            all.add(PowerLine.report(onPowerLine, catalogue));
        }
        return all;
    }

    private static Map<String, Attached> with(Unit unit, Catalogue catalogue, Trait trait) {
        ComputingBudget.step();
        Map<String, Attached> boards = new TreeMap<>(unit.boards().more());
        boards.values()
                .removeIf(b -> catalogue.find(b.part()).filter(p -> p.is(trait)).isEmpty());
        return boards;
    }

    private Part part(Attached board) {
        return catalogue.find(board.part()).orElseThrow();
    }

    private void fault(String code, boolean stop, String text, String figures, String leadsTo) {
        faults.add(ChainReportChainFaultBuilder.builder()
                .code(code)
                .stop(stop)
                .text(text)
                .figures(figures)
                .leadsTo(leadsTo)
                .build());
    }

    // ------------------------------------------------------------------ addresses

    private static int first(Part part) {
        return (int) part.figure(Quantity.ADDRESS_FIRST, 1);
    }

    private static int last(Part part) {
        return first(part) + (int) part.figure(Quantity.ADDRESSES, 1) - 1;
    }

    /** B1 to B3 of boards that have addresses. */
    private void addresses(Map<String, Attached> boards, int least, int most, boolean hex) {
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

    private static Integer free(Part part, Set<Integer> taken, int least, int most) {
        for (int a = Math.max(first(part), least); a <= Math.min(last(part), most); a++) {
            if (!taken.contains(a)) {
                return a;
            }
        }
        return null;
    }

    private static String written(int address, boolean hex) {
        return hex ? String.format("0x%02X", address) : String.valueOf(address);
    }

    // ------------------------------------------------------------------ the two-wire bus

    private ChainReport twoWire(Map<String, Attached> boards) {
        Chain chain = unit.boards().bus() == null ? IN_BOX : unit.boards().bus();
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

    private static Figure cycleFigure(String formula, Chain chain) {
        return Figure.of(
                "sum over boards of bytes · clocks / rate",
                formula,
                false,
                "rate",
                Text.number(chain.rateK(), 1) + " k",
                "wanted in",
                chain.periodMs() == null ? "nobody said" : Text.number(chain.periodMs(), 1) + " ms");
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
                    lines);
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

    private void period(Chain chain, double cycleMs) {
        if (chain.periodMs() != null && cycleMs > chain.periodMs()) {
            fault(
                    "B5",
                    false,
                    "Asking all boards of " + unit.name() + " takes longer than it may",
                    Text.number(cycleMs, 2) + " ms, wanted every " + Text.number(chain.periodMs(), 1) + " ms",
                    "A press on a button is missed, or answered late.");
        }
    }

    /** Address, register and what is read or written of a board. */
    private static int bytes(Part part) {
        int data = part.kind() == PartKind.DIMMER_BOARD
                ? part.channels()
                : part.is(Trait.ANALOGUE) ? 2 * part.channels() : (part.channels() + 7) / 8;
        return 2 + Math.max(1, data);
    }

    private static List<Map.Entry<String, Attached>> sorted(Map<String, Attached> boards) {
        return boards.entrySet().stream()
                .sorted(Comparator.comparing(
                                (Map.Entry<String, Attached> e) -> e.getValue().address(),
                                Comparator.nullsFirst(Comparator.naturalOrder()))
                        .thenComparing(Map.Entry::getKey))
                .toList();
    }

    // ------------------------------------------------------------------ RS-485

    private ChainReport line(Map<String, Attached> boards) {
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

    // ------------------------------------------------------------------ panels

    private ChainReport panel(Map<String, Attached> boards) {
        List<ChainMember> members = new ArrayList<>();
        int zone = main == null ? 0 : (int) main.figure(Quantity.ZONES, 0);
        int output = main == null ? 0 : (int) main.figure(Quantity.OUTPUTS, 0);
        members.add(new ChainMember(
                BoardSet.MAIN,
                main == null ? unit.boards().main() : main.name(),
                null,
                "",
                numbered(0, zone, 0, output),
                null));
        if (boards.size() > PANEL_BOARDS) {
            fault(
                    "B3",
                    true,
                    "Too many expanders on " + unit.name(),
                    boards.size() + ", at most " + PANEL_BOARDS,
                    "The panel does not find the last ones.");
        }
        Map<Integer, String> owner = new TreeMap<>();
        for (Map.Entry<String, Attached> e : sorted(boards)) {
            Part part = part(e.getValue());
            Integer address = e.getValue().address();
            int zones = (int) part.figure(Quantity.ZONES, 0);
            int outputs = (int) part.figure(Quantity.OUTPUTS, 0);
            members.add(new ChainMember(
                    e.getKey(),
                    part.name(),
                    address,
                    address == null ? "not set" : String.valueOf(address),
                    numbered(zone, zones, output, outputs),
                    null));
            zone += zones;
            output += outputs;
            String before = address == null ? null : owner.putIfAbsent(address, e.getKey());
            if (before != null) {
                int free = 1;
                Set<Integer> taken = new HashSet<>();
                boards.values().forEach(b -> taken.add(b.address()));
                while (taken.contains(free)) {
                    free++;
                }
                faults.add(ChainReportChainFaultBuilder.builder()
                        .code("B1")
                        .stop(true)
                        .text(before + " and " + e.getKey() + " of " + unit.name() + " have the same address")
                        .figures(String.valueOf(address))
                        .leadsTo("Both answer at once, and the panel reports tampering.")
                        .board(e.getKey())
                        .address(free)
                        .build());
            }
        }
        return ChainReportBuilder.builder()
                .unit(id)
                .kind(ChainReport.Kind.PANEL_BUS)
                .members(members)
                .oneMore("One more expander would begin with zone " + (zone + 1) + " and output " + (output + 1))
                .faults(List.copyOf(faults))
                .build();
    }

    private static String numbered(int zone, int zones, int output, int outputs) {
        List<String> words = new ArrayList<>();
        if (zones > 0) {
            words.add("zones " + (zone + 1) + " to " + (zone + zones));
        }
        if (outputs > 0) {
            words.add("outputs " + (output + 1) + " to " + (output + outputs));
        }
        return String.join(", ", words);
    }
}
