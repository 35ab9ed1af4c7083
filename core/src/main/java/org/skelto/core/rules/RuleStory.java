package org.skelto.core.rules;

import java.time.LocalDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How something comes about, step by step, as the interpreter carried it out.
 *
 * @param supposed in words: the moment and what holds then
 * @param steps in order
 */
public record RuleStory(String supposed, List<StoryStep> steps) {
    /**
     * One step.
     *
     * @param at by the clock of the house
     * @param text what comes about
     * @param thing pointer of what it is about, or null
     * @param outside whether it happens to the house; else a rule makes it
     */
    public record StoryStep(
            LocalDateTime at, String text, @Nullable String thing, boolean outside) {}
}
