package org.skelto.core.quantity;

import java.util.Map;

/**
 * How a number came about, so that it can be opened on screen.
 *
 * @param formula in words and symbols
 * @param inputs what went in, named with units, in reading order
 * @param source recommendation, standard or table
 * @param extrapolated whether it lies outside the range that the source states
 */
public record Figure(String formula, Map<String, String> inputs, String source, boolean extrapolated) {
    public Figure {
        inputs = java.util.Collections.unmodifiableMap(new java.util.LinkedHashMap<>(inputs));
    }

    /** A figure within its source's range; inputs as name, value, name, value. */
    public static Figure of(String formula, String source, boolean extrapolated, String... inputs) {
        Map<String, String> map = new java.util.LinkedHashMap<>();
        for (int i = 0; i + 1 < inputs.length; i += 2) {
            map.put(inputs[i], inputs[i + 1]);
        }
        return new Figure(formula, map, source, extrapolated);
    }
}
