package org.skelto.core.plan.network;

/** Whether both ends of a link speak. */
public enum Direction {
    TWO_WAY,
    ONE_WAY
}
