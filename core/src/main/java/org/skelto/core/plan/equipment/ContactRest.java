package org.skelto.core.plan.equipment;

/** What the contact or output that a device hangs on does while its board is dead. */
public enum ContactRest {
    /** It is open: the device gets nothing. */
    NORMALLY_OPEN,
    /** It is closed: the device gets what its feed gives. */
    NORMALLY_CLOSED,
    /** It stays as it was, which nobody knows. */
    BISTABLE
}
