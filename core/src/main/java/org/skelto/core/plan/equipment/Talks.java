package org.skelto.core.plan.equipment;

/** How a unit on the house network is spoken to. */
public enum Talks {
    /** Over the message broker. */
    BROKER,
    /** Asked directly at its address, without a broker. */
    REQUEST
}
