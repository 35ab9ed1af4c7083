package org.skelto.server.requests;

import java.util.List;
import java.util.UUID;
import org.skelto.core.facts.Facts;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.proposals.Consequences;
import org.skelto.core.proposals.Proposals;
import org.skelto.server.figures.KeptFigures;
import org.skelto.server.people.Person;
import org.skelto.server.plans.PlanState;
import org.skelto.server.plans.Plans;

/** The newest state of a plan in the hands of somebody who may see it. */
public final class OpenPlan {
    private final Person who;
    private final PlanState state;
    private final Plans plans;
    private final KeptFigures kept;

    OpenPlan(Person who, PlanState state, Plans plans, KeptFigures kept) {
        this.who = who;
        this.state = state;
        this.plans = plans;
        this.kept = kept;
    }

    public Person who() {
        return who;
    }

    public UUID id() {
        return state.id();
    }

    public PlanState state() {
        return state;
    }

    public Plan plan() {
        return state.plan();
    }

    /** What follows from the plan. */
    public Facts figures() {
        return kept.of(id(), state.revision(), plan());
    }

    /** The plan as an edit would make it; nothing is stored. */
    public Plan edited(String patch) {
        return plans.previewed(state, patch);
    }

    /** The plan as proposed edits would make it; nothing is stored. */
    public Plan edited(List<Edit> edits) {
        return plans.previewed(state, edits);
    }

    /** What changes would leave behind. */
    public Consequences consequences() {
        return new Consequences(
                figures(),
                (plan, edits) -> plans.previewed(new PlanState(state.id(), state.revision(), plan, null, null), edits));
    }

    /** Proposals under their law. */
    public Proposals proposals() {
        return new Proposals(figures(), consequences());
    }

    /** What would follow if the plan were another. */
    public Facts supposing(Plan other) {
        return kept.supposing(id(), state.revision(), plan(), other);
    }
}
