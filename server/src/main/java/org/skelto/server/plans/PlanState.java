package org.skelto.server.plans;

import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;

/**
 * A plan as the page holds it.
 *
 * @param undo label of the edit that undo takes back, or null
 * @param redo label of the edit that redo makes again, or null
 */
public record PlanState(
        UUID id,
        long revision,
        Plan plan,
        @Nullable String undo,
        @Nullable String redo) {}
