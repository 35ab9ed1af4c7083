package org.skelto.core.plan.network;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Name;
import org.skelto.core.plan.format.Within;

/**
 * A service outside the house that something depends on.
 *
 * @param messagesPerMonth that its account carries, 1 to 100 000 000, or null for as many as one likes
 * @param boards that its account holds, 1 to 10 000, or null for as many as one likes
 * @param feePerMonth in the plan's currency, 0 to 10 000, or null when it is free or not known
 */
public record Service(
        @Name String name,
        ServiceKind kind,
        @Nullable @Within(least = 0, most = 10_000) Double feePerMonth,
        @Nullable @Within(least = 1, most = 100_000_000) Integer messagesPerMonth,
        @Nullable @Within(least = 1, most = 10_000) Integer boards) {
    /** A service without limits. */
    public Service(String name, ServiceKind kind, @Nullable Double feePerMonth) {
        this(name, kind, feePerMonth, null, null);
    }

    /** A service that costs nothing. */
    public Service(String name, ServiceKind kind) {
        this(name, kind, null);
    }
}
