package org.skelto.core.calculator;

import java.util.Map;

/**
 * What a calculator answers.
 *
 * @param out figures by name, units in the names
 * @param extrapolated whether the inputs lie outside the source's range
 */
public record Answer(Map<String, Double> out, String formula, String source, boolean extrapolated) {
    public Answer {
        out = Map.copyOf(out);
    }
}
