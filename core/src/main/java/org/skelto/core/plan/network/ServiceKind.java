package org.skelto.core.plan.network;

/** What a service outside the house is used for. */
public enum ServiceKind {
    /** Carries messages to a person's phone. */
    PUSH,
    /** Lets the home app reach the house from away. */
    REMOTE_ACCESS,
    /** Understands speech. */
    SPOKEN
}
