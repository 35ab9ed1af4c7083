package org.skelto.core.plan.network;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Within;

/**
 * A service outside the house that something depends on.
 *
 * @param feePerMonth in the plan's currency, 0 to 10 000, or null when it is free or not known
 */
public record Service(
        @Name String name,
        ServiceKind kind,
        @Nullable @Within(least = 0, most = 10_000) Double feePerMonth) {
    /** A service that costs nothing. */
    public Service(String name, ServiceKind kind) {
        this(name, kind, null);
    }
}
