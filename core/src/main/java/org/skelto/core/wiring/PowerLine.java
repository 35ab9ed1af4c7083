package org.skelto.core.wiring;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.wiring.ChainReport.ChainFault;
import org.skelto.core.wiring.ChainReport.ChainMember;

/** Senders that talk over the mains of a house: who has which code. */
public final class PowerLine {
    private PowerLine() {}

    static ChainReport report(Map<String, Unit> units, Catalogue catalogue) {
        List<ChainMember> members = new ArrayList<>();
        List<ChainFault> faults = new ArrayList<>();
        Map<String, String> owner = new TreeMap<>();
        units.forEach((id, unit) -> {
            String code = unit.boards().code();
            members.add(new ChainMember(
                    id,
                    catalogue.find(unit.boards().main()).map(Part::name).orElse(""),
                    null,
                    code == null ? "not set" : code,
                    unit.name(),
                    null));
            String before = code == null ? null : owner.putIfAbsent(code, id);
            if (before != null) {
                faults.add(ChainReportChainFaultBuilder.builder()
                        .code("B1")
                        .stop(true)
                        .text(units.get(before).name() + " and " + unit.name()
                                + " have the same code on the power line")
                        .figures(code)
                        .leadsTo("One command switches both.")
                        .board(id)
                        .build());
            }
        });
        return ChainReportBuilder.builder()
                .unit("power-line")
                .kind(ChainReport.Kind.POWER_LINE)
                .members(members)
                .oneMore((256 - owner.size())
                        + " of 256 codes are free; a coupler joins the phases, and a filter at the meter "
                        + "keeps the neighbours out")
                .faults(faults)
                .build();
    }

    /** A code that nobody on the power line has. */
    public static String freeCode(Plan plan) {
        Set<String> taken = new HashSet<>();
        plan.units().values().forEach(u -> {
            if (u.boards() != null) {
                taken.add(u.boards().code());
            }
        });
        for (char house = 'A'; house <= 'P'; house++) {
            for (int number = 1; number <= 16; number++) {
                if (!taken.contains(house + "" + number)) {
                    return house + "" + number;
                }
            }
        }
        return null;
    }
}
