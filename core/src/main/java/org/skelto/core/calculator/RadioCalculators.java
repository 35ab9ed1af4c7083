package org.skelto.core.calculator;

import java.util.List;
import java.util.Map;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.site.Material;
import org.skelto.core.radio.ChirpModulation;
import org.skelto.core.radio.FreeSpace;
import org.skelto.core.radio.Fresnel;
import org.skelto.core.radio.Slab;

/** Calculators of radio. */
final class RadioCalculators {
    private static final double MOST_M = 1e7;
    private static final Field FREQUENCY = Field.number("frequencyMHz", "Frequency", "MHz", 1, 100_000, 868);
    private static final Field SPREADING = Field.whole("spreadingFactor", "Spreading factor", "", 6, 12, 9);
    private static final Field BANDWIDTH = Field.number("bandwidthKHz", "Bandwidth", "kHz", 7.8, 2000, 125);

    private RadioCalculators() {}

    static List<Calculator> all() {
        return List.of(
                new Calculator(
                        "free-space-loss",
                        "Free-space loss",
                        "What distance alone takes from a radio wave.",
                        List.of(FREQUENCY, Field.number("distanceM", "Distance", "m", 0, MOST_M, 120)),
                        Calculators.outputs("lossDb", "Loss, dB"),
                        RadioCalculators::freeSpace),
                new Calculator(
                        "slab-loss",
                        "Loss of a wall",
                        "One slab of one material.",
                        List.of(
                                Field.word("material", "Material", Calculators.words(Material.values()), "brick"),
                                Field.number("thicknessMm", "Thickness", "mm", 1e-6, 100_000, 220),
                                FREQUENCY,
                                Field.number("incidenceDeg", "Angle from the straight", "°", 0, 85, 0)),
                        Calculators.outputs("lossDb", "Loss, dB"),
                        RadioCalculators::slab),
                new Calculator(
                        "fresnel-radius",
                        "Fresnel radius",
                        "How much room a ray wants above what it passes.",
                        List.of(
                                FREQUENCY,
                                Field.number("d1M", "From one end", "m", 1e-6, MOST_M, 400),
                                Field.number("d2M", "From the other end", "m", 1e-6, MOST_M, 220)),
                        Calculators.outputs("radiusM", "Radius of the first zone, m"),
                        RadioCalculators::fresnel),
                new Calculator(
                        "css-airtime",
                        "Time on air (CSS)",
                        "Of one frame of long-range chirp.",
                        List.of(
                                SPREADING,
                                BANDWIDTH,
                                Field.whole("codingRateDenominator", "Coding rate 4 of", "", 5, 8, 5),
                                Field.whole("payloadBytes", "Payload", "bytes", 0, 255, 12),
                                Field.whole("preambleSymbols", "Preamble", "symbols", 6, 65_535, 8),
                                Field.truth("explicitHeader", "Explicit header", true),
                                Field.truth("crc", "Checksum", true)),
                        Calculators.outputs("airtimeMs", "Time on air, ms"),
                        RadioCalculators::airtime),
                new Calculator(
                        "css-sensitivity",
                        "Receiver floor (CSS)",
                        "The weakest signal that is still decoded.",
                        List.of(SPREADING, BANDWIDTH, Field.number("noiseFigureDb", "Noise figure", "dB", 0, 30, 6)),
                        Calculators.outputs("sensitivityDbm", "Sensitivity, dBm"),
                        RadioCalculators::sensitivity));
    }

    private static Answer freeSpace(Inputs in) {
        double distanceM = in.number("distanceM");
        double loss = FreeSpace.lossDb(in.number("frequencyMHz"), distanceM);
        return new Answer(Map.of("lossDb", loss), "20 log10(4π d f / c), d at least 1 m", "ITU-R P.525", distanceM < 1);
    }

    private static Answer slab(Inputs in) {
        Material material = in.word("material", Material.class);
        double frequencyMHz = in.number("frequencyMHz");
        double loss = Slab.lossDb(material, in.number("thicknessMm"), frequencyMHz, in.number("incidenceDeg"));
        return new Answer(
                Map.of("lossDb", loss),
                "−10 log10 of the mean of |T|² for TE and TM, at most 100 dB",
                "ITU-R P.2040, single slab",
                material.extrapolatedAt(frequencyMHz / 1000));
    }

    private static Answer fresnel(Inputs in) {
        double radius = Fresnel.radiusM(in.number("frequencyMHz"), in.number("d1M"), in.number("d2M"));
        return new Answer(Map.of("radiusM", radius), "√(λ d1 d2 / (d1 + d2))", "ITU-R P.526, first zone", false);
    }

    private static Answer airtime(Inputs in) {
        Chirp chirp =
                new Chirp(in.whole("spreadingFactor"), in.number("bandwidthKHz"), in.whole("codingRateDenominator"));
        ChirpModulation.Frame frame = new ChirpModulation.Frame(
                in.whole("payloadBytes"), in.whole("preambleSymbols"), in.truth("explicitHeader"), in.truth("crc"));
        if (!ChirpModulation.possible(chirp, frame)) {
            throw in.bad("explicitHeader", "spreading factor 6 works only with an implicit header");
        }
        return new Answer(
                Map.of("airtimeMs", ChirpModulation.airtimeMs(chirp, frame)),
                ChirpModulation.AIRTIME_FORMULA,
                ChirpModulation.AIRTIME_SOURCE,
                false);
    }

    private static Answer sensitivity(Inputs in) {
        double floor = ChirpModulation.sensitivityDbm(
                in.whole("spreadingFactor"), in.number("bandwidthKHz"), in.number("noiseFigureDb"));
        return new Answer(
                Map.of("sensitivityDbm", floor),
                "−174 + 10 log10(B) + NF + SNRmin",
                "thermal noise; SNRmin −5 dB at SF6, 2.5 dB less a step",
                false);
    }
}
