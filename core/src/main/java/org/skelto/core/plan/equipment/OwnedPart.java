package org.skelto.core.plan.equipment;

import org.skelto.core.plan.radio.Medium;

/**
 * A part in the drawer, at no cost.
 *
 * @param kind the unit it would be, or null for other parts
 * @param medium the radio it brings, or null
 * @param count 1 to 10 000
 * @param part id of the part in the catalogue that it is, or null when it is none of them
 */
public record OwnedPart(String name, UnitKind kind, Medium medium, int count, String part) {}
