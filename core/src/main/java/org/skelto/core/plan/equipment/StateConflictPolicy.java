package org.skelto.core.plan.equipment;

/** What counts when a latching switch and the state restored after a power cut disagree. */
public enum StateConflictPolicy {
    SWITCH,
    RESTORED
}
