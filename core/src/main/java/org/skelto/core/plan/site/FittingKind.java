package org.skelto.core.plan.site;

/** What is in the house already. */
public enum FittingKind {
    OUTLET,
    DATA_POINT,
    WIRING_CENTRE
}
