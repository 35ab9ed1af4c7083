package org.skelto.core.house;

/** Which links carry messages at all; how far they reach is judged elsewhere. */
@FunctionalInterface
public interface Carrying {
    /** Every link does, in each direction that it has. */
    Carrying EVERYTHING = (link, sender) -> true;

    /**
     * Whether what one end sends arrives at the other.
     *
     * @param link id of a link of the plan
     * @param sender id of the end that sends
     */
    boolean carries(String link, String sender);
}
