package org.skelto.core.plan.equipment;

import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.Matches;

/**
 * The parts that a unit is made of.
 *
 * @param main id of the main part in the catalogue: a controller's board, a panel, a supply, a switch
 * @param more boards wired to it or chained on its bus, by the names that the person reads on them
 * @param bus the two-wire bus that boards are chained on, or null when it stays in the box
 * @param line the RS-485 line, or null when nothing is said of it
 * @param code house letter and unit number on the power line, such as C5, or null
 */
public record BoardSet(
        @Matches(value = Matches.PART, says = Matches.NOT_A_PART)
        String main,

        @Count(most = 40, of = "boards")
        Map<
                        @Matches(
                                value = Matches.BOARD,
                                says = "needs a name of 1 to 40 letters, digits and hyphens that is not \"main\"")
                        String,
                        Attached>
                more,

        @Nullable Chain bus,
        @Nullable Chain line,

        @Nullable
        @Matches(
                value = "[A-P]([1-9]|1[0-6])",
                says = "is not a house letter A to P and a unit number 1 to 16, such as C5")
        String code) {
    /** Name of the main board in terminals. */
    public static final String MAIN = "main";

    public BoardSet {
        more = Copies.sorted(more);
    }

    /** Boards of whose lines nothing is said. */
    public BoardSet(String main, Map<String, Attached> more) {
        this(main, more, null, null, null);
    }

    /** The same with another two-wire bus. */
    public BoardSet withBus(Chain other) {
        return new BoardSet(main, more, other, line, code);
    }

    /** The same with another main board. */
    public BoardSet withMain(String other) {
        return new BoardSet(other, more, bus, line, code);
    }
}
