package org.skelto.core.calculator;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class WireCalculatorsTest {
    private static Map<String, Object> examples(Calculator calculator) {
        return calculator.inputs().stream()
                .collect(Collectors.toMap(Field::name, Field::example, (a, b) -> b, HashMap::new));
    }

    private static Map<String, Double> worked(String name, Map<String, Object> changes) {
        Map<String, Object> in = examples(Calculators.all().stream()
                .filter(c -> c.name().equals(name))
                .findFirst()
                .orElseThrow());
        in.putAll(changes);
        return Calculators.work(name, in).out();
    }

    static Stream<Calculator> all() {
        return Calculators.all().stream();
    }

    @ParameterizedTest
    @MethodSource("all")
    void worksOnItsOwnExampleAndGivesTheFiguresThatItNames(Calculator calculator) {
        Answer answer = Calculators.work(calculator.name(), examples(calculator));
        assertEquals(calculator.outputs().keySet(), answer.out().keySet());
        assertTrue(answer.out().values().stream().allMatch(Double::isFinite), calculator.name());
        assertFalse(answer.formula().isBlank() || answer.source().isBlank());
    }

    @ParameterizedTest
    @MethodSource("all")
    void refusesEachNumberBeyondItsBoundsNamingIt(Calculator calculator) {
        for (Field field : calculator.inputs()) {
            if (field.kind() != Field.Kind.NUMBER && field.kind() != Field.Kind.WHOLE) {
                continue;
            }
            for (Object bad : new Object[] {
                field.least() - 1, field.most() * 2 + 1, Double.NaN, Double.POSITIVE_INFINITY, "1", List.of()
            }) {
                Map<String, Object> in = examples(calculator);
                in.put(field.name(), bad);
                BadInput refused = assertThrows(BadInput.class, () -> Calculators.work(calculator.name(), in));
                assertEquals("/" + field.name(), refused.pointer(), calculator.name() + " " + bad);
            }
        }
    }

    @Test
    void aRegulatorFromTwelveToFiveVoltsBurnsSevenVoltsTimesItsCurrent() {
        // 7 V · 0.35 A = 2.45 W; 30 °C + 2.45 · 65 = 189.25 °C
        Map<String, Double> out = worked("regulator-heat", Map.of());
        assertEquals(2.45, out.get("heatW"), 1e-9);
        assertEquals(189.25, out.get("junctionC"), 1e-9);
        assertEquals(5, out.get("spareV"), 1e-9);
    }

    @Test
    void aCoilOf72MilliamperesNeeds2Point16InTheBase() {
        // 72 · 3 / 100 = 2.16 mA; (3.3 − 0.7) / 2.16 mA = 1203.7 Ω
        Map<String, Double> out = worked("relay-driver", Map.of());
        assertEquals(2.16, out.get("baseMa"), 1e-9);
        assertEquals(1203.7037, out.get("baseOhm"), 1e-3);
    }

    @Test
    void theWindowOfPullUpsClosesWithCapacitanceAndClock() {
        // 300 pF at 400 kHz: 300e-9 / (0.8473 · 300e-12) = 1180 Ω; (3.3 − 0.4) / 3 mA = 966.7 Ω
        Map<String, Object> in =
                Map.of("clockKHz", 400, "lengthM", 0, "boards", 29, "boardPf", 10, "vdd", 3.3, "bytes", 3);
        Map<String, Double> out = worked("bus-timing", in);
        assertEquals(300, out.get("capacitancePf"), 1e-9);
        assertEquals(966.667, out.get("leastOhm"), 1e-2);
        assertEquals(1180.22, out.get("mostOhm"), 1e-2);
        // 29 · (27 + 2) clocks at 400 kHz
        assertEquals(29 * 29 / 400.0, out.get("cycleMs"), 1e-9);
    }

    @Test
    void sevenAmpereHoursCarry18WattsForTwoAndAHalfHours() {
        // 84 Wh · 0.7 · 0.8 / 18 W = 2.6133 h
        assertEquals(2.61333, worked("backup-time", Map.of()).get("hours"), 1e-4);
        Map<String, Double> share = worked(
                "supply-headroom",
                Map.of("ratedA", 2, "loads", List.of(Map.of("currentA", 0.9), Map.of("currentA", 1))));
        assertEquals(0.95, share.get("share"), 1e-12);
        assertEquals(-0.3, share.get("spareA"), 1e-12);
    }

    @ParameterizedTest
    @CsvSource({
        "voltage-drop, /lengthMiles",
        "battery-life, /states/0/colour",
    })
    void refusesWhatItDoesNotAskFor(String name, String place) {
        Map<String, Object> in = examples(Calculators.all().stream()
                .filter(c -> c.name().equals(name))
                .findFirst()
                .orElseThrow());
        if (place.contains("states")) {
            in.put("states", List.of(new TreeMap<>(Map.of("currentMa", 1, "durationMs", 1, "colour", 1))));
        } else {
            in.put(place.substring(1), 3);
        }
        assertEquals(
                place,
                assertThrows(BadInput.class, () -> Calculators.work(name, in)).pointer());
    }

    @Test
    void statesLongerThanTheirCycleAndTooManyOfThemAreRefused() {
        Map<String, Object> state = Map.of("currentMa", 5, "durationMs", 800);
        assertEquals(
                "/states",
                assertThrows(
                                BadInput.class,
                                () -> worked("battery-life", Map.of("cycleS", 1, "states", List.of(state, state))))
                        .pointer());
        assertEquals(
                "/states",
                assertThrows(
                                BadInput.class,
                                () -> worked(
                                        "battery-life", Map.of("states", java.util.Collections.nCopies(101, state))))
                        .pointer());
        assertEquals(
                "/states/0",
                assertThrows(BadInput.class, () -> worked("battery-life", Map.of("states", List.of("x"))))
                        .pointer());
    }
}
