package org.skelto.core.rules;

import java.time.LocalDateTime;
import java.util.Set;

/**
 * A moment as the solver answered it.
 *
 * @param at one such moment, by the clock of the house
 * @param holds names of the statements that hold then
 */
record RuleTruth(LocalDateTime at, Set<String> holds) {
    boolean is(String name) {
        return holds.contains(name);
    }
}
