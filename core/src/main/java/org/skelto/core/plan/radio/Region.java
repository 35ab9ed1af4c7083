package org.skelto.core.plan.radio;

/** Whose radio law applies; the limits are in the region table. */
public enum Region {
    EU,
    UK,
    US,
    AU,
    IN,
    JP
}
