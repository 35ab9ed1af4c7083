package org.skelto.core.plan.rules;

/** What the sun does at the house. */
public enum Sun {
    RISES,
    SETS
}
