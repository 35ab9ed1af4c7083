package org.skelto.core.plan;

/** What counts when a latching switch and the state restored after a power cut disagree. */
public enum Winner {
    SWITCH,
    RESTORED
}
