package org.skelto.core.plan.site;

/** What an opening in a wall is. */
public enum OpeningKind {
    DOOR,
    WINDOW,
    GAP
}
