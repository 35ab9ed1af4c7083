package org.skelto.core.plan.power;

/**
 * The cable that brings a unit its low voltage.
 *
 * @param cable id of its part in the catalogue, or null when not chosen
 * @param lengthM 0 to 5000 m, or null to estimate it
 * @param fuseA rating of what protects it, 0.01 to 200 A, or null when there is nothing
 */
public record Feed(String cable, Double lengthM, Double fuseA) {}
