package org.skelto.core.plan.network;

import java.util.List;

/** A level of the topics that the rule gives, under their root. */
public enum TopicLevel {
    /** The building, or "outside". */
    BUILDING,
    /** The floor; outdoors there is none. */
    FLOOR,
    /** The room, or the spot outdoors. */
    ROOM,
    /** What the device is. */
    KIND,
    DEVICE;

    /** Building, room, device. */
    public static final List<TopicLevel> USUAL = List.of(BUILDING, ROOM, DEVICE);
}
