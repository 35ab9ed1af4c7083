package org.skelto.core.calculator;

import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import org.skelto.core.plan.Chirp;
import org.skelto.core.plan.Material;
import org.skelto.core.radio.ChirpModulation;
import org.skelto.core.radio.FreeSpace;
import org.skelto.core.radio.Fresnel;
import org.skelto.core.radio.Slab;

/** All calculators by name; they run the code that plans are judged with. */
public final class Calculators {
    private static final double LEAST_MHZ = 1;
    private static final double MOST_MHZ = 100_000;
    private static final double MOST_M = 1e7;

    private record Calculator(Set<String> inputs, Function<Inputs, Answer> work) {}

    private static final Map<String, Calculator> ALL = new TreeMap<>(Map.of(
            "free-space-loss",
            new Calculator(Set.of("frequencyMHz", "distanceM"), Calculators::freeSpace),
            "slab-loss",
            new Calculator(Set.of("material", "thicknessMm", "frequencyMHz", "incidenceDeg"), Calculators::slab),
            "fresnel-radius",
            new Calculator(Set.of("frequencyMHz", "d1M", "d2M"), Calculators::fresnel),
            "css-airtime",
            new Calculator(
                    Set.of(
                            "spreadingFactor",
                            "bandwidthKHz",
                            "codingRateDenominator",
                            "payloadBytes",
                            "preambleSymbols",
                            "explicitHeader",
                            "crc"),
                    Calculators::airtime),
            "css-sensitivity",
            new Calculator(Set.of("spreadingFactor", "bandwidthKHz", "noiseFigureDb"), Calculators::sensitivity)));

    private Calculators() {}

    /** Names of all calculators. */
    public static Set<String> names() {
        return ALL.keySet();
    }

    /**
     * Works one calculator.
     *
     * @throws BadInput when an input is missing, unknown or out of bounds
     */
    public static Answer work(String name, Map<String, Object> in) {
        Calculator calculator = ALL.get(name);
        if (calculator == null) {
            throw new IllegalArgumentException("no calculator " + name);
        }
        return calculator.work().apply(new Inputs(in, calculator.inputs()));
    }

    private static Answer freeSpace(Inputs in) {
        double distanceM = in.number("distanceM", 0, MOST_M);
        double loss = FreeSpace.lossDb(in.number("frequencyMHz", LEAST_MHZ, MOST_MHZ), distanceM);
        return new Answer(Map.of("lossDb", loss), "20 log10(4π d f / c), d at least 1 m", "ITU-R P.525", distanceM < 1);
    }

    private static Answer slab(Inputs in) {
        Material material = in.word("material", Material.class);
        double frequencyMHz = in.number("frequencyMHz", LEAST_MHZ, MOST_MHZ);
        double loss = Slab.lossDb(
                material, in.number("thicknessMm", 1e-6, 100_000), frequencyMHz, in.number("incidenceDeg", 0, 85));
        return new Answer(
                Map.of("lossDb", loss),
                "−10 log10 of the mean of |T|² for TE and TM, at most 100 dB",
                "ITU-R P.2040, single slab",
                material.extrapolatedAt(frequencyMHz / 1000));
    }

    private static Answer fresnel(Inputs in) {
        double radius = Fresnel.radiusM(
                in.number("frequencyMHz", LEAST_MHZ, MOST_MHZ),
                in.number("d1M", 1e-6, MOST_M),
                in.number("d2M", 1e-6, MOST_M));
        return new Answer(Map.of("radiusM", radius), "√(λ d1 d2 / (d1 + d2))", "ITU-R P.526, first zone", false);
    }

    private static Answer airtime(Inputs in) {
        Chirp chirp = new Chirp(
                in.whole("spreadingFactor", 6, 12),
                in.number("bandwidthKHz", 7.8, 2000),
                in.whole("codingRateDenominator", 5, 8));
        ChirpModulation.Frame frame = new ChirpModulation.Frame(
                in.whole("payloadBytes", 0, 255),
                in.whole("preambleSymbols", 6, 65_535),
                in.truth("explicitHeader"),
                in.truth("crc"));
        if (!ChirpModulation.possible(chirp, frame)) {
            throw new BadInput("/explicitHeader", "spreading factor 6 works only with an implicit header");
        }
        return new Answer(
                Map.of("airtimeMs", ChirpModulation.airtimeMs(chirp, frame)),
                "(n + 4.25) Ts + (8 + max(⌈(8PL − 4SF + 28 + 16crc − 20implicit) / (4(SF − 2ldro))⌉ (CR + 4), 0)) Ts",
                "chirp spread spectrum, Ts = 2^SF / B",
                false);
    }

    private static Answer sensitivity(Inputs in) {
        double floor = ChirpModulation.sensitivityDbm(
                in.whole("spreadingFactor", 6, 12),
                in.number("bandwidthKHz", 7.8, 2000),
                in.number("noiseFigureDb", 0, 30));
        return new Answer(
                Map.of("sensitivityDbm", floor),
                "−174 + 10 log10(B) + NF + SNRmin",
                "thermal noise; SNRmin −5 dB at SF6, 2.5 dB less a step",
                false);
    }
}
