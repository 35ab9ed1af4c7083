package org.skelto.core.plan.site;

/**
 * Something that is in the house already and that proposals use.
 *
 * @param circuit id of the mains circuit of an outlet, or null
 */
public record Fitting(String name, FittingKind kind, Place place, String circuit) {}
