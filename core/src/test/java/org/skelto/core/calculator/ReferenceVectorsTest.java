package org.skelto.core.calculator;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.InputStream;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Every reference case of every calculator that is present, within the tolerance that the file states. */
class ReferenceVectorsTest {
    /** Calculators of which the reference has no figures; their own tests hold them to hand figures. */
    private static final Set<String> WITHOUT_CASES =
            Set.of("backup-time", "bus-timing", "regulator-heat", "relay-driver", "supply-headroom");

    private static final JsonMapper MAPPER = new JsonMapper();

    @TestFactory
    Stream<DynamicTest> meetsTheReferenceFigures() throws Exception {
        try (InputStream in = getClass().getResourceAsStream("/reference-vectors.json")) {
            JsonNode file = MAPPER.readTree(in);
            double relative = file.at("/tolerance/relative").asDouble();
            double absolute = file.at("/tolerance/absolute").asDouble();
            Set<String> without = new TreeSet<>(Calculators.names());
            without.removeAll(file.get("cases").propertyNames());
            assertEquals(WITHOUT_CASES, without, "calculators that are held to no reference figure");
            return Calculators.names().stream()
                    .filter(name -> !without.contains(name))
                    .flatMap(name -> {
                        JsonNode cases = file.get("cases").get(name);
                        return Stream.iterate(0, i -> i < cases.size(), i -> i + 1)
                                .map(i -> DynamicTest.dynamicTest(
                                        name + " " + (i + 1), () -> check(name, cases.get(i), relative, absolute)));
                    });
        }
    }

    @SuppressWarnings("unchecked")
    private static void check(String name, JsonNode reference, double relative, double absolute) {
        Answer answer = Calculators.work(name, MAPPER.convertValue(reference.get("in"), Map.class));
        reference.get("out").properties().forEach(wanted -> {
            double value = wanted.getValue().asDouble();
            assertEquals(value, answer.out().get(wanted.getKey()), absolute + relative * Math.abs(value), name);
        });
    }

    @ParameterizedTest
    @CsvSource({
        "frequencyMHz, -5",
        "frequencyMHz, 0",
        "distanceM, -0.1",
        "distanceM, NaN",
        "distanceM, Infinity",
    })
    void refusesNumbersOutOfBoundsNamingThem(String input, double value) {
        Map<String, Object> in = new HashMap<>(Map.of("frequencyMHz", 868.0, "distanceM", 10.0));
        in.put(input, value);

        BadInput refused = assertThrows(BadInput.class, () -> Calculators.work("free-space-loss", in));

        assertEquals("/" + input, refused.pointer());
    }

    @Test
    void refusesSpreadingFactorSixWithAnExplicitHeader() {
        Map<String, Object> in = Map.of(
                "spreadingFactor", 6,
                "bandwidthKHz", 125,
                "codingRateDenominator", 5,
                "payloadBytes", 10,
                "preambleSymbols", 8,
                "explicitHeader", true,
                "crc", true);

        assertEquals(
                "/explicitHeader",
                assertThrows(BadInput.class, () -> Calculators.work("css-airtime", in))
                        .pointer());
    }

    @Test
    void refusesAnUnknownMaterialAndAnUnknownInput() {
        Map<String, Object> in =
                new HashMap<>(Map.of("material", "cheese", "thicknessMm", 10, "frequencyMHz", 868, "incidenceDeg", 0));
        assertEquals(
                "/material",
                assertThrows(BadInput.class, () -> Calculators.work("slab-loss", in))
                        .pointer());
        in.put("material", "brick");
        in.put("colour", "red");
        assertEquals(
                "/colour",
                assertThrows(BadInput.class, () -> Calculators.work("slab-loss", in))
                        .pointer());
    }

    @Test
    void saysWhenATableIsUsedOutsideItsRange() {
        Map<String, Object> in = new HashMap<>(
                Map.of("material", "floorboard", "thicknessMm", 20, "frequencyMHz", 2440, "incidenceDeg", 0));
        assertTrue(Calculators.work("slab-loss", in).extrapolated());
        in.put("material", "glass");
        assertTrue(!Calculators.work("slab-loss", in).extrapolated());
    }
}
