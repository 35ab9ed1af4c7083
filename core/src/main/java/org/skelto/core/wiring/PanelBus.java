package org.skelto.core.wiring;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.wiring.ChainReport.ChainMember;

/** The bus of an alarm panel's expanders: addresses, and how their zones and outputs are numbered. */
final class PanelBus extends BoardChain {
    private static final int PANEL_BOARDS = 15;

    PanelBus(String id, Unit unit, Catalogue catalogue) {
        super(id, unit, catalogue);
    }

    @Override
    ChainReport report(Map<String, Attached> boards) {
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
