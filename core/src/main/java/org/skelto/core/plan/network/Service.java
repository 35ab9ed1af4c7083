package org.skelto.core.plan.network;

/**
 * A service outside the house that something depends on.
 *
 * @param feePerMonth in the plan's currency, 0 to 10 000, or null when it is free or not known
 */
public record Service(String name, ServiceKind kind, Double feePerMonth) {
    /** A service that costs nothing. */
    public Service(String name, ServiceKind kind) {
        this(name, kind, null);
    }
}
