package org.skelto.core.plan.rules;

/** One of the two ways a thing can be; in words by its kind: on or off, open or shut, seen or not, wet or dry. */
public enum Reading {
    /** On, open, unlocked, seen, broken, alarming, wet. */
    ACTIVE,
    /** Off, shut, locked, unseen, whole, quiet, dry. */
    IDLE
}
