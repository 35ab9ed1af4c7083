package org.skelto.core.plan;

import java.util.Map;

/**
 * The boards that a controller is made of.
 *
 * @param main id of the main board's part in the catalogue
 * @param more boards wired to it or chained on its bus, by the names that the person reads on them
 */
public record BoardSet(String main, Map<String, Attached> more) {
    /** Name of the main board in terminals. */
    public static final String MAIN = "main";

    public BoardSet {
        more = Copies.sorted(more);
    }
}
