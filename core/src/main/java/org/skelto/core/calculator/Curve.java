package org.skelto.core.calculator;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What a calculator answers over a range of one input, the others as they are.
 *
 * @param over name of that input
 * @param x its values, rising
 * @param out values of each figure at each of them, by the figure's name; null where the calculator refuses
 */
public record Curve(String over, List<Double> x, Map<String, List<@Nullable Double>> out) {
    private static final int POINTS = 61;

    /** So many times more and less than the value are looked at. */
    private static final double AROUND = 4;

    /**
     * The curve around the value that the input has.
     *
     * @throws BadInput when the calculator refuses the inputs as they are, or {@code over} is none of its numbers
     */
    public static Curve of(String name, Map<String, Object> in, String over) {
        Answer now = Calculators.work(name, in);
        Field field = Calculators.all().stream()
                .filter(c -> c.name().equals(name))
                .flatMap(c -> c.inputs().stream())
                .filter(f -> f.name().equals(over) && (f.kind() == Field.Kind.NUMBER || f.kind() == Field.Kind.WHOLE))
                .findFirst()
                .orElseThrow(() -> new BadInput("/" + over, "is no number that this calculator asks for"));
        if (!(in.get(over) instanceof Number value)) {
            throw new BadInput("/" + over, "has no value to look around");
        }
        List<Double> x = range(field, value.doubleValue());
        Map<String, List<@Nullable Double>> out = new LinkedHashMap<>();
        now.out().keySet().stream().sorted().forEach(figure -> out.put(figure, new ArrayList<>()));
        for (double at : x) {
            Map<String, Object> asked = new HashMap<>(in);
            asked.put(over, field.kind() == Field.Kind.WHOLE ? (Object) (int) at : (Object) at);
            Map<String, Double> got;
            try {
                got = Calculators.work(name, asked).out();
            } catch (BadInput e) {
                got = Map.of();
            }
            Map<String, Double> there = got;
            out.forEach((figure, values) -> values.add(there.get(figure)));
        }
        return new Curve(over, x, out);
    }

    private static List<Double> range(Field field, double value) {
        double reach = value == 0 ? 10 : Math.abs(value) * (AROUND - 1);
        double from = Math.max(field.least(), value > 0 && field.least() >= 0 ? value / AROUND : value - reach);
        double to = Math.min(field.most(), value + reach);
        List<Double> x = new ArrayList<>();
        if (field.kind() == Field.Kind.WHOLE) {
            double step = Math.max(1, Math.ceil((to - from) / (POINTS - 1)));
            for (double at = Math.ceil(from); at <= to; at += step) {
                x.add(at);
            }
            return x;
        }
        for (int i = 0; i < POINTS; i++) {
            x.add(from + (to - from) * i / (POINTS - 1));
        }
        return x;
    }
}
