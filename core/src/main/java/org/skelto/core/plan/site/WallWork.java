package org.skelto.core.plan.site;

/**
 * Whether cables can still go into the walls.
 *
 * @param open whether the walls are open now
 * @param closesOn the day on which they close, as 2027-03-31, or null
 */
public record WallWork(boolean open, String closesOn) {}
