package org.skelto.core.plan;

/**
 * A part in the drawer, at no cost.
 *
 * @param kind the unit it would be, or null for other parts
 * @param medium the radio it brings, or null
 * @param count 1 to 10 000
 */
public record OwnedPart(String name, UnitKind kind, Medium medium, int count) {}
