package org.skelto.core.plan.rules;

import java.util.List;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Name;

/**
 * A value that the house remembers, one of a few: such as home, away, night. The first one holds at the start and after
 * everything was without power.
 *
 * @param values what it can be, in words
 * @param byHand whether people set it themselves, in an app or at a panel; else only rules do
 */
public record Mode(
        @Name String name, @Count(most = 12, of = "values") List<@Name String> values, boolean byHand) {
    public Mode {
        values = values == null ? List.of() : Copies.list(values);
    }
}
