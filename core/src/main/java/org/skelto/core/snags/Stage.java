package org.skelto.core.snags;

/** The stages of the work that exist so far, in working order. */
public enum Stage {
    SITE,
    DEVICES,
    CONTROLLERS,
    LINKS,
    LONG_RANGE,
    NAMES,
    RULES,
    OUTAGES,
    BUILD
}
