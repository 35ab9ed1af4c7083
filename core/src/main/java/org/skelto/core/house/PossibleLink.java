package org.skelto.core.house;

import org.skelto.core.plan.network.Link;

/**
 * A link that radios make by themselves.
 *
 * @param chance that it holds, 0 where it carries nothing, at most 1
 */
public record PossibleLink(Link link, double chance) {}
