package org.skelto.core.facts;

import java.util.List;
import org.skelto.core.survival.Promises;

/** What follows from what a plan promises. */
public final class SurvivalFacts {
    /** Every promise of the plan, judged. */
    public static final FactKind<List<Promises.JudgedPromise>> PROMISES = FactKind.of(
            "promises",
            List.of(PlanPart.PROMISES, PlanPart.DEVICE_NAMES, PlanPart.DEVICE_ROLES),
            List.of(HouseFacts.OUTAGES),
            f -> f.plan().promises().isEmpty() ? List.of() : Promises.of(f.plan(), f.outages()));

    private SurvivalFacts() {}
}
