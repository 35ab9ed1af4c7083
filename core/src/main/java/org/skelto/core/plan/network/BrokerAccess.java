package org.skelto.core.plan.network;

/** Who may write and read at the message broker. */
public enum BrokerAccess {
    /** Whoever is on the network. */
    OPEN,
    /** Whoever knows one name and secret, which all units have. */
    SHARED,
    /** Each unit by a name and secret of its own, and only what the access list says. */
    EACH
}
