package org.skelto.core.calculator;

import java.util.Arrays;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** The inputs of a calculator, checked as they are read. */
final class Inputs {
    private final Map<String, Object> values;

    Inputs(Map<String, Object> values, Set<String> known) {
        this.values = values;
        values.keySet().stream().filter(k -> !known.contains(k)).findFirst().ifPresent(k -> {
            throw new BadInput("/" + k, "is not an input of this calculator; it takes " + String.join(", ", known));
        });
    }

    double number(String name, double least, double most) {
        if (!(values.get(name) instanceof Number number)) {
            throw new BadInput("/" + name, "must be a number");
        }
        double value = number.doubleValue();
        if (!Double.isFinite(value) || value < least || value > most) {
            throw new BadInput("/" + name, "must lie between " + least + " and " + most);
        }
        return value;
    }

    int whole(String name, int least, int most) {
        double value = number(name, least, most);
        if (value != Math.rint(value)) {
            throw new BadInput("/" + name, "must be a whole number");
        }
        return (int) value;
    }

    boolean truth(String name) {
        if (values.get(name) instanceof Boolean truth) {
            return truth;
        }
        throw new BadInput("/" + name, "must be true or false");
    }

    <E extends Enum<E>> E word(String name, Class<E> type) {
        String wanted = String.valueOf(values.get(name))
                .toUpperCase(Locale.ROOT)
                .replace(' ', '_')
                .replace('-', '_');
        return Arrays.stream(type.getEnumConstants())
                .filter(e -> e.name().equals(wanted))
                .findFirst()
                .orElseThrow(() -> new BadInput(
                        "/" + name,
                        "must be one of "
                                + Arrays.stream(type.getEnumConstants())
                                        .map(e -> e.name()
                                                .toLowerCase(Locale.ROOT)
                                                .replace('_', ' '))
                                        .reduce((a, b) -> a + ", " + b)
                                        .orElse("")));
    }
}
