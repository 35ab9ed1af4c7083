package org.skelto.core.snags;

import java.util.List;
import java.util.stream.Collectors;
import org.skelto.core.facts.PlanPart;
import org.skelto.core.facts.SurvivalFacts;
import org.skelto.core.plan.Pointers;
import org.skelto.core.snags.Check.Code;
import org.skelto.core.survival.Promises;

/** O10. */
final class PromiseChecks {
    static final Check CHECK = Check.reading(
            "snags of promises",
            List.of(Code.of("O10", Stage.OUTAGES, "a promise is not kept", Severity.STOP, Severity.LOOK)),
            List.of(PlanPart.PROMISES),
            List.of(SurvivalFacts.PROMISES),
            PromiseChecks::run);

    /** So many devices are named. */
    private static final int NAMED = 4;

    private PromiseChecks() {}

    private static void run(CheckContext c) {
        for (Promises.JudgedPromise promise : c.promises()) {
            String pointer = Pointers.of("promises", promise.id());
            if (!promise.kept()) {
                List<Promises.BrokenPromise> broken = promise.broken();
                c.snag("O10", Severity.STOP, Stage.OUTAGES, "“" + promise.name() + "” is not kept")
                        .figures(promise.count() + " of " + promise.devices() + ": "
                                + broken.stream()
                                        .limit(NAMED)
                                        .map(b -> b.name() + " without " + b.outage())
                                        .collect(Collectors.joining("; "))
                                + (broken.size() > NAMED ? " and more" : ""))
                        .leadsTo("What was meant to go on stops on that day.")
                        .at(pointer)
                        .add();
            } else if (promise.devices() == 0 || promise.outages() == 0) {
                c.snag("O10", Severity.LOOK, Stage.OUTAGES, "“" + promise.name() + "” is about nothing")
                        .figures(
                                promise.devices() == 0
                                        ? "no device is meant by it"
                                        : promise.unknown().isEmpty()
                                                ? "it names no outage"
                                                : "what it names is not in the plan any more: "
                                                        + String.join(", ", promise.unknown()))
                        .leadsTo("It looks kept, and says nothing.")
                        .at(pointer)
                        .add();
            }
        }
    }
}
