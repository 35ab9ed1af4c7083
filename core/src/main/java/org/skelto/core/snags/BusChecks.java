package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.CONTROLLERS;

import java.util.List;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Chain;
import org.skelto.core.plan.equipment.ChainBuilder;
import org.skelto.core.snags.Check.Code;
import org.skelto.core.wiring.ChainReport;
import org.skelto.core.wiring.Chains;
import org.skelto.core.wiring.PowerLine;

/** B1 to B6. */
final class BusChecks {
    static final Check CHECK = Check.of(
            "snags of buses",
            List.of(
                    Code.of(
                            "B1",
                            Stage.CONTROLLERS,
                            "same address, or same code on the power line",
                            Severity.STOP,
                            Severity.FIX),
                    Code.of(
                            "B2",
                            Stage.CONTROLLERS,
                            "reserved address, or one that its switches do not give",
                            Severity.STOP,
                            Severity.FIX),
                    Code.of("B3", Stage.CONTROLLERS, "too many boards", Severity.STOP, Severity.FIX),
                    Code.of(
                            "B4",
                            Stage.CONTROLLERS,
                            "capacitance, pull-ups, clock, or length times rate",
                            Severity.STOP,
                            Severity.FIX),
                    Code.of("B5", Stage.CONTROLLERS, "poll cycle longer than its period", Severity.STOP, Severity.FIX),
                    Code.of(
                            "B6",
                            Stage.CONTROLLERS,
                            "RS-485 without termination or reference",
                            Severity.STOP,
                            Severity.FIX)),
            List.of(HouseFacts.CHAINS),
            BusChecks::run);

    private BusChecks() {}

    static void run(CheckContext c) {
        c.chains()
                .forEach(chain -> chain.faults().forEach(fault -> {
                    boolean powerLine = chain.kind() == ChainReport.Kind.POWER_LINE;
                    String unit = powerLine ? fault.board() : chain.unit();
                    String at = CheckContext.unit(unit)
                            + (powerLine || fault.board() == null
                                    ? "/boards"
                                    : "/boards/more" + Pointers.of(fault.board()));
                    var draft = c.snag(fault.code(), fault.stop() ? STOP : FIX, CONTROLLERS, fault.text())
                            .figures(fault.figures())
                            .leadsTo(fault.leadsTo())
                            .at(at);
                    if (fault.address() != null) {
                        draft.fix("Set it to " + fault.address(), Edit.replace(at + "/address", fault.address()));
                    } else if (powerLine) {
                        String free = PowerLine.freeCode(c.plan);
                        if (free != null) {
                            draft.fix("Set it to " + free, Edit.replace(at + "/code", free));
                        }
                    } else if (fault.code().equals("B4") && chain.kind() == ChainReport.Kind.TWO_WIRE) {
                        Chains.remedy(unit, c.plan.units().get(unit), c.parts)
                                .ifPresent(r -> draft.fix(
                                        r.label(), Edit.replace(CheckContext.unit(unit, "/boards/bus"), r.bus())));
                    } else if (fault.code().equals("B6")) {
                        Chain line = c.plan.units().get(unit).boards().line();
                        draft.fix(
                                "Terminate both ends and run a reference along",
                                Edit.replace(
                                        CheckContext.unit(unit, "/boards/line"),
                                        line == null
                                                ? ChainBuilder.builder()
                                                        .lengthM(1)
                                                        .rateK(19.2)
                                                        .ends(2)
                                                        .reference(true)
                                                        .build()
                                                : line.with(b -> b.ends(2).reference(true))));
                    }
                    draft.add();
                }));
    }
}
