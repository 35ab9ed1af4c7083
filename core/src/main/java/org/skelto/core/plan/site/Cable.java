package org.skelto.core.plan.site;

/**
 * A cable that is in the wall already.
 *
 * @param from id of the fitting at one end, or null when it ends nowhere yet
 * @param to id of the fitting at the other end, or null
 * @param kind in words, such as "twisted pair" or "two-core 1.5 mm²"
 * @param pairs pairs or cores it has, 1 to 200
 * @param freePairs of them not in use
 */
public record Cable(String name, String from, String to, String kind, int pairs, int freePairs) {}
