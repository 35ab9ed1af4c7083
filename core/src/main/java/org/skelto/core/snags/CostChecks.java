package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.BUILD;

import java.time.LocalDate;
import java.util.List;
import org.skelto.core.build.LikelyParts;
import org.skelto.core.build.PartsList;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.quantity.Text;
import org.skelto.core.snags.Check.Code;

/** M1 and M2: what is in no total, and whether the rest is affordable. */
final class CostChecks {
    static final Check CHECK = Check.of(
            "snags of cost",
            List.of(
                    Code.of("M1", Stage.BUILD, "devices or units without a part: in no total", Severity.LOOK),
                    Code.of("M2", Stage.BUILD, "over budget", Severity.FIX)),
            List.of(HouseFacts.GEOMETRY, HouseFacts.WIRED, HouseFacts.POWER),
            CostChecks::run);

    private static final int NAMED = 6;

    private CostChecks() {}

    static void run(CheckContext c) {
        List<LikelyParts.Unchosen> unchosen = LikelyParts.of(c.plan, c.parts);
        if (!unchosen.isEmpty()) {
            c.snag(
                            "M1",
                            LOOK,
                            BUILD,
                            (unchosen.size() == 1 ? "One thing has" : unchosen.size() + " things have")
                                    + " no part chosen")
                    .figures(CheckContext.some(
                            NAMED,
                            unchosen.stream().map(LikelyParts.Unchosen::name).toList()))
                    .leadsTo(
                            "They are in no total: the house costs more than the list says. See Cost for the likely parts.")
                    .at(unchosen.stream().map(LikelyParts.Unchosen::at).toArray(String[]::new))
                    .add();
        }
        Double budget = c.plan.money().budget();
        if (budget == null) {
            return;
        }
        // only late days depend on the day, and they are not asked for
        PartsList list = c.partsList(LocalDate.EPOCH);
        if (list.total() > budget) {
            c.snag("M2", FIX, BUILD, "The parts cost more than the budget")
                    .figures(Text.number(list.total(), 0) + " of " + Text.number(budget, 0) + " "
                            + list.currency()
                            + (unchosen.isEmpty() ? "" : ", and " + unchosen.size() + " things are not in it"))
                    .leadsTo(
                            "The money ends before the house is done. Cost shows what each step unlocks; leave the last"
                                    + " steps for later, or raise the budget.")
                    .at("/money")
                    .add();
        }
    }
}
