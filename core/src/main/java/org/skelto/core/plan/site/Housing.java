package org.skelto.core.plan.site;

/**
 * A wall box or enclosure that units are mounted in.
 *
 * @param part id of its part in the catalogue, or null when not chosen
 * @param closed whether it can no longer be reached once the wall is closed
 * @param riseK measured rise of the air inside over the air outside, with everything on; null when not measured
 */
public record Housing(String name, String part, boolean closed, Double riseK) {}
