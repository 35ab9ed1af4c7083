package org.skelto.core.plan.equipment;

/** The physical state that a device takes when its power goes. */
public enum RestState {
    STAYS,
    OFF,
    ON,
    OPEN,
    CLOSED
}
