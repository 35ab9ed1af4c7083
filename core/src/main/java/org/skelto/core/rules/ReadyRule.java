package org.skelto.core.rules;

import java.util.SortedMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.rules.Rule;

/**
 * A rule that many houses have, made of the plan's own things.
 *
 * @param why what it is good for
 * @param rules what would be added, by ids that are free
 * @param missing what the plan has not that it needs, or null
 */
public record ReadyRule(
        String key,
        String name,
        String why,
        SortedMap<String, Rule> rules,
        @Nullable String missing) {}
