package org.skelto.core.plan.equipment;

/** What a device does when its power returns. */
public enum AfterPower {
    OFF,
    LAST,
    ON
}
