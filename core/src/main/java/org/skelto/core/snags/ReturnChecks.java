package org.skelto.core.snags;

import static org.skelto.core.snags.Severity.FIX;
import static org.skelto.core.snags.Severity.LOOK;
import static org.skelto.core.snags.Stage.OUTAGES;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.facts.PlanPart;
import org.skelto.core.plan.Edit;
import org.skelto.core.snags.Check.Code;
import org.skelto.core.survival.StartOrder;
import org.skelto.core.survival.StartOrder.Start;

/** O7: what is deaf after the power has come back. */
final class ReturnChecks {
    static final Check CHECK = Check.reading(
            "snags of the return",
            List.of(Code.of("O7", OUTAGES, "starts before what it needs, and may stay deaf", FIX, LOOK)),
            List.of(PlanPart.UNIT_NAMES, PlanPart.UNIT_ROLES, PlanPart.UNIT_RADIOS),
            List.of(HouseFacts.OUTAGES),
            ReturnChecks::run);

    private static final int NAMED = 4;

    private ReturnChecks() {}

    private static void run(CheckContext c) {
        Map<String, List<Start>> by = new TreeMap<>();
        StartOrder.early(c.plan, c.outages()).values().stream()
                .filter(s -> !Boolean.TRUE.equals(s.asksAgain()))
                .forEach(s -> by.computeIfAbsent(
                                s.waitsFor() + (s.asksAgain() == null ? "" : "/asks"), k -> new ArrayList<>())
                        .add(s));
        by.values().forEach(starts -> told(c, starts));
    }

    /** Those that wait for the same unit are told together. */
    private static void told(CheckContext c, List<Start> starts) {
        String last = String.valueOf(starts.get(0).waitsFor());
        boolean said = starts.get(0).asksAgain() != null;
        boolean one = starts.size() == 1;
        String title = (one ? starts.get(0).name() + " starts" : starts.size() + " units start") + " before "
                + c.plan.units().get(last).name()
                + (said
                        ? (one ? " and does" : " and do") + " not ask again"
                        : ": nobody said whether " + (one ? "it asks" : "they ask") + " again");
        c.snag("O7", said ? FIX : LOOK, OUTAGES, title)
                .figures(CheckContext.some(
                                NAMED,
                                starts.stream()
                                        .map(s -> s.name() + " after " + s.readyS() + " s")
                                        .toList())
                        + "; what " + (one ? "it needs" : "they need") + " after "
                        + starts.stream().mapToInt(Start::usableS).max().orElse(0) + " s")
                .leadsTo((said ? "After" : "If not, after") + " a power cut " + (one ? "it is" : "they are")
                        + " deaf until somebody pulls the plug once more.")
                .at(CheckContext.unit(last, said ? "/startS" : "/asksAgain"))
                .fix(
                        said ? "Set up to ask again" : (one ? "It does" : "They do") + " ask again",
                        starts.stream()
                                .map(s -> Edit.replace(CheckContext.unit(s.unit(), "/asksAgain"), true))
                                .toArray(Edit[]::new))
                .add();
    }
}
