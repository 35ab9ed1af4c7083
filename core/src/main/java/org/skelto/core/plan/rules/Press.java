package org.skelto.core.plan.rules;

/** How a push-button is pressed. */
public enum Press {
    SHORT,
    DOUBLE,
    LONG
}
