package org.skelto.server.plans;

import java.util.UUID;
import org.skelto.core.plan.Plan;

/** Something of a plan that follows from what is kept beside its document, and goes along when the plan is edited. */
public interface DerivedEdit {
    /** The plan after an edit with what follows from it; the very same when nothing does. */
    Plan follow(UUID id, Plan before, Plan after);
}
