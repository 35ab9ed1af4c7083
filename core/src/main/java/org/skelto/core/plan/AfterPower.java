package org.skelto.core.plan;

/** What a device does when its power returns. */
public enum AfterPower {
    OFF,
    LAST,
    ON
}
