package org.skelto.core.calculator;

import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.skelto.core.work.ComputingBudget;

/** All calculators by name; they run the code that plans are judged with. */
public final class Calculators {
    private static final Map<String, Calculator> ALL = new LinkedHashMap<>();

    static {
        Stream.of(WireCalculators.all(), RadioCalculators.all(), LongRangeCalculators.all())
                .flatMap(Collection::stream)
                .forEach(c -> ALL.put(c.name(), c));
    }

    private Calculators() {}

    /** Names of all calculators. */
    public static Set<String> names() {
        return Collections.unmodifiableSet(ALL.keySet());
    }

    /** All calculators with what they ask, in the order in which they are offered. */
    public static Collection<Calculator> all() {
        return Collections.unmodifiableCollection(ALL.values());
    }

    /**
     * Works one calculator.
     *
     * @throws BadInput when an input is missing, unknown or out of bounds
     */
    public static Answer work(String name, Map<String, Object> in) {
        ComputingBudget.step();
        Calculator calculator = ALL.get(name);
        if (calculator == null) {
            throw new IllegalArgumentException("no calculator " + name);
        }
        return calculator.work().apply(new Inputs("", in, calculator.inputs()));
    }

    /** Labels of figures by name, in reading order: name, label, name, label. */
    static Map<String, String> outputs(String... pairs) {
        Map<String, String> map = new LinkedHashMap<>();
        for (int i = 0; i + 1 < pairs.length; i += 2) {
            map.put(pairs[i], pairs[i + 1]);
        }
        return Collections.unmodifiableMap(map);
    }

    static List<String> words(Enum<?>[] constants) {
        return Arrays.stream(constants)
                .map(c -> c.name().toLowerCase(java.util.Locale.ROOT).replace('_', ' '))
                .toList();
    }
}
