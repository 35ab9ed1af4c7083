package org.skelto.core.plan.equipment;

/** What a message of a device is about. */
public enum MessageAspect {
    STATE,
    COMMAND,
    ACKNOWLEDGEMENT,
    TELEMETRY,
    AVAILABILITY,
    CONFIGURATION
}
