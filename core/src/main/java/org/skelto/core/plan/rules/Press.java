package org.skelto.core.plan.rules;

/** How a push-button is pressed. */
public enum Press {
    SHORT,
    DOUBLE,
    LONG,
    /** Held down: what it does goes on until it is let go. */
    HELD
}
