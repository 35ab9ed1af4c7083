package org.skelto.core.house;

/** How well links carry messages; how far they reach is judged elsewhere. */
@FunctionalInterface
public interface Carrying {
    /** Every link does, in each direction that it has. */
    Carrying EVERYTHING = (link, sender) -> 1;

    /**
     * The chance that what one end sends arrives at the other, 0 to 1; 0 where nothing ever does.
     *
     * @param link id of a link of the plan
     * @param sender id of the end that sends
     */
    double chance(String link, String sender);
}
