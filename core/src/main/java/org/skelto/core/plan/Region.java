package org.skelto.core.plan;

/** Whose radio law applies; the limits are in the region table. */
public enum Region {
    EU,
    UK,
    US,
    AU,
    IN,
    JP
}
