package org.skelto.core.plan.network;

import org.skelto.core.plan.radio.Medium;

/**
 * A link from the unit further out to the unit nearer the hub.
 *
 * @param from id of the unit that reports
 * @param to id of the unit that it reaches
 * @param direction {@link Direction#ONE_WAY} means that only {@code from} speaks
 * @param lengthM length of the cable along its route, metres, or null to estimate it; for {@link Medium#ETHERNET} only
 * @param why why it was chosen, in words, or null
 */
public record Link(String from, String to, Medium medium, Direction direction, Double lengthM, String why) {
    public Link {
        direction = direction == null ? Direction.TWO_WAY : direction;
    }

    public boolean twoWay() {
        return direction == Direction.TWO_WAY;
    }
}
