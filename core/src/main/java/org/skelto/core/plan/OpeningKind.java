package org.skelto.core.plan;

/** What an opening in a wall is. */
public enum OpeningKind {
    DOOR,
    WINDOW,
    GAP
}
