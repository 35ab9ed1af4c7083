package org.skelto.core.calculator;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/** The inputs of a calculator, checked against its fields as they are read. */
public final class Inputs {
    private final String at;
    private final Map<?, ?> values;
    private final Map<String, Field> fields;

    Inputs(String at, Map<?, ?> values, List<Field> fields) {
        this.at = at;
        this.values = values;
        this.fields = fields.stream().collect(Collectors.toMap(Field::name, f -> f));
        values.keySet().stream()
                .map(String::valueOf)
                .filter(k -> !this.fields.containsKey(k))
                .findFirst()
                .ifPresent(k -> {
                    throw new BadInput(
                            at + "/" + k,
                            "is not an input of this calculator; it takes "
                                    + fields.stream().map(Field::name).collect(Collectors.joining(", ")));
                });
    }

    double number(String name) {
        Field field = fields.get(name);
        if (!(values.get(name) instanceof Number number)) {
            throw new BadInput(at + "/" + name, "must be a number");
        }
        double value = number.doubleValue();
        if (!Double.isFinite(value) || value < field.least() || value > field.most()) {
            throw new BadInput(at + "/" + name, "must lie between " + field.least() + " and " + field.most());
        }
        return value;
    }

    int whole(String name) {
        double value = number(name);
        if (value != Math.rint(value)) {
            throw new BadInput(at + "/" + name, "must be a whole number");
        }
        return (int) value;
    }

    boolean truth(String name) {
        if (values.get(name) instanceof Boolean truth) {
            return truth;
        }
        throw new BadInput(at + "/" + name, "must be true or false");
    }

    <E extends Enum<E>> E word(String name, Class<E> type) {
        String wanted = String.valueOf(values.get(name))
                .toLowerCase(Locale.ROOT)
                .replace('-', ' ')
                .replace('_', ' ');
        if (!fields.get(name).words().contains(wanted)) {
            throw new BadInput(
                    at + "/" + name,
                    "must be one of " + String.join(", ", fields.get(name).words()));
        }
        return Enum.valueOf(type, wanted.toUpperCase(Locale.ROOT).replace(' ', '_'));
    }

    List<Inputs> list(String name) {
        Field field = fields.get(name);
        if (!(values.get(name) instanceof List<?> entries)) {
            throw new BadInput(at + "/" + name, "must be a list");
        }
        if (entries.size() > field.most()) {
            throw new BadInput(at + "/" + name, "holds more than " + (int) field.most() + " entries");
        }
        List<Inputs> read = new ArrayList<>();
        for (int i = 0; i < entries.size(); i++) {
            String here = at + "/" + name + "/" + i;
            if (!(entries.get(i) instanceof Map<?, ?> entry)) {
                throw new BadInput(here, "must be an object");
            }
            read.add(new Inputs(here, entry, field.fields()));
        }
        return read;
    }

    /** Refuses an input for a reason that concerns several. */
    BadInput bad(String name, String why) {
        return new BadInput(at + "/" + name, why);
    }
}
