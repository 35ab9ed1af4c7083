package org.skelto.server.people;

/** What somebody may do with a plan. */
public enum Right {
    /** See the plan and all that follows from it, and ask what an edit would change. */
    READ,
    /** Change the plan and what is kept beside it. */
    EDIT
}
