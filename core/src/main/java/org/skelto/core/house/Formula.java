package org.skelto.core.house;

import java.util.List;

/**
 * What a way needs. Apart from {@link Not}, which only rest states use, formulas are monotone: they never come
 * true because something failed.
 */
public sealed interface Formula {
    /** All parts must hold. */
    record All(List<Formula> parts) implements Formula {
        public All {
            parts = List.copyOf(parts);
        }
    }

    /** One part must hold. */
    record Any(List<Formula> parts) implements Formula {
        public Any {
            parts = List.copyOf(parts);
        }
    }

    /** A component by id must not have failed. */
    record Needs(String component) implements Formula {}

    /** A unit must be there, powered and in its right mind. */
    record Up(String unit) implements Formula {}

    /** A unit must be there and powered, whether it does its work or hangs. */
    record Powered(String unit) implements Formula {}

    /**
     * Messages must get from one unit to the other over links that live.
     *
     * @param direct without any gateway between
     */
    record Reaches(String from, String to, boolean direct) implements Formula {
        public Reaches(String from, String to) {
            this(from, to, false);
        }
    }

    /** The circuit of a load must be live. */
    record Live(String circuit) implements Formula {}

    /** True only when something does not hold; for rest states alone. */
    record Not(Formula power) implements Formula {}

    /** Can never hold, with the reason. */
    record Never(String reason) implements Formula {}

    Formula ALWAYS = new All(List.of());

    static Formula all(Formula... parts) {
        return new All(List.of(parts));
    }
}
