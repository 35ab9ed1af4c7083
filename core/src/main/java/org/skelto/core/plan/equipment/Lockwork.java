package org.skelto.core.plan.equipment;

/**
 * What matters about a lock besides its drive.
 *
 * @param gapMm between door and frame, 0 to 30 mm, or null when not measured
 * @param offsetMm of the bolt against its hole, 0 to 30 mm, or null when not measured
 * @param doorContact whether a contact tells that the door is shut
 */
public record Lockwork(Double gapMm, Double offsetMm, boolean doorContact) {}
