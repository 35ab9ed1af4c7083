package org.skelto.core.house;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.network.Link;

/**
 * A link that radios make by themselves.
 *
 * @param chance that it holds, 0 where it carries nothing, at most 1
 * @param marginDb of its worse direction, or null where no radio waves carry it
 */
public record PossibleLink(
        Link link, double chance, @Nullable Double marginDb) {}
