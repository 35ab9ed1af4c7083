package org.skelto.core.plan;

/** The physical state that a device takes when its power goes. */
public enum RestState {
    STAYS,
    OFF,
    ON,
    OPEN,
    CLOSED
}
