package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.STOP;
import static org.skelto.core.snags.Stage.CONTROLLERS;

import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.equipment.Chain;
import org.skelto.core.plan.equipment.ChainBuilder;
import org.skelto.core.wiring.ChainReport;
import org.skelto.core.wiring.PowerLine;

/** B1 to B6. */
final class BusChecks {
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
