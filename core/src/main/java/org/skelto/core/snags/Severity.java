package org.skelto.core.snags;

/** How bad a snag is. */
public enum Severity {
    /** Unsafe, unlawful or cannot work. */
    STOP,
    /** Will disappoint. */
    FIX,
    /** A choice worth a second look. */
    LOOK
}
