package org.skelto.core.plan;

/**
 * A board beside a controller's main one.
 *
 * @param part id of the part in the catalogue
 * @param address on its bus, 1 to 247, or null when it has none or none is set
 */
public record Attached(String part, Integer address) {}
