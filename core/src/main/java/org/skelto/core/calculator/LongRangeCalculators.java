package org.skelto.core.calculator;

import java.util.List;
import java.util.Map;
import org.skelto.core.radio.Air;
import org.skelto.core.radio.Chance;
import org.skelto.core.radio.Diffraction;
import org.skelto.core.radio.FreeSpace;
import org.skelto.core.radio.Terrain;
import org.skelto.core.radio.TwoRay;
import org.skelto.core.radio.Vegetation;

/** Calculators of long-range paths and of shared air. */
final class LongRangeCalculators {
    private static final double MOST_M = 1e7;
    private static final double MOST_S = 1e9;
    private static final int MOST_POINTS = 20_000;
    private static final Field FREQUENCY = Field.number("frequencyMHz", "Frequency", "MHz", 1, 100_000, 868);
    private static final Field AIRTIME = Field.number("airtimeMs", "Time on air", "ms", 0, 1e7, 206);
    private static final Field INTERVAL = Field.number("intervalS", "One message every", "s", 1e-6, MOST_S, 600);

    private LongRangeCalculators() {}

    static List<Calculator> all() {
        return List.of(
                new Calculator(
                        "link-budget",
                        "Link budget",
                        "What is left over at the receiver, and the chance that it holds.",
                        List.of(
                                Field.number("txPowerDbm", "Power", "dBm", -200, 200, 14),
                                Field.number("txFeederLossDb", "Feeder of the sender", "dB", 0, 200, 0.5),
                                Field.number("txAntennaGainDbi", "Antenna of the sender", "dBi", -100, 100, 2),
                                Field.number("pathLossDb", "Loss of the path", "dB", -100, 1000, 128),
                                Field.number("rxAntennaGainDbi", "Antenna of the receiver", "dBi", -100, 100, 2),
                                Field.number("rxFeederLossDb", "Feeder of the receiver", "dB", 0, 200, 0.5),
                                Field.number("sensitivityDbm", "Receiver floor", "dBm", -300, 100, -129),
                                Field.number("sigmaDb", "Spread of predictions", "dB", 1e-6, 100, 6)),
                        Calculators.outputs(
                                "receivedDbm",
                                "Arrives, dBm",
                                "marginDb",
                                "Margin, dB",
                                "chance",
                                "Chance that it holds"),
                        LongRangeCalculators::budget),
                new Calculator(
                        "diffraction",
                        "Diffraction over ground",
                        "What hills and the round earth take, beyond free space.",
                        List.of(
                                FREQUENCY,
                                Field.list(
                                        "profile",
                                        "Ground along the path",
                                        MOST_POINTS,
                                        List.of(
                                                Field.number("distanceM", "Distance", "m", -MOST_M, MOST_M, 0),
                                                Field.number("elevationM", "Height", "m", -12_000, 12_000, 0)),
                                        List.of(
                                                Map.of("distanceM", 0, "elevationM", 212),
                                                Map.of("distanceM", 310, "elevationM", 231),
                                                Map.of("distanceM", 620, "elevationM", 218))),
                                Field.number("txHeightM", "First antenna above the ground", "m", 0, 10_000, 5),
                                Field.number("rxHeightM", "Last antenna above the ground", "m", 0, 10_000, 2),
                                Field.number("earthRadiusFactor", "Earth radius times", "", 0.1, 100, 1.3333333)),
                        Calculators.outputs(
                                "bullingtonDb",
                                "Of the Bullington construction, dB",
                                "lossDb",
                                "With the round earth, dB"),
                        LongRangeCalculators::diffraction),
                new Calculator(
                        "two-ray",
                        "Two rays over flat ground",
                        "The direct ray and the one that the ground throws back.",
                        List.of(
                                FREQUENCY,
                                Field.number("distanceM", "Distance", "m", 0, MOST_M, 620),
                                Field.number("txHeightM", "First antenna above the ground", "m", 1e-6, 10_000, 5),
                                Field.number("rxHeightM", "Last antenna above the ground", "m", 1e-6, 10_000, 2)),
                        Calculators.outputs("lossDb", "Loss, dB"),
                        LongRangeCalculators::twoRay),
                new Calculator(
                        "vegetation-loss",
                        "Loss in trees",
                        "Of so much wood in leaf along the ray.",
                        List.of(FREQUENCY, Field.number("depthM", "Depth of the trees", "m", 0, MOST_M, 120)),
                        Calculators.outputs("lossDb", "Loss, dB"),
                        LongRangeCalculators::vegetation),
                new Calculator(
                        "duty-cycle",
                        "Duty cycle",
                        "Share of time on air against the limit of the sub-band. Check with your regulator.",
                        List.of(AIRTIME, INTERVAL, Field.number("limitPercent", "Limit", "%", 1e-6, 100, 1)),
                        Calculators.outputs(
                                "dutyPercent", "On air, %", "leastIntervalS", "At most one message every, s"),
                        LongRangeCalculators::duty),
                new Calculator(
                        "contention",
                        "Frames that collide",
                        "Senders that do not know of each other, on one frequency and with one setting.",
                        List.of(
                                Field.whole("transmitters", "Senders, the asking one too", "", 1, 1_000_000, 12),
                                AIRTIME,
                                INTERVAL),
                        Calculators.outputs("frameSuccess", "Chance that a frame meets no other"),
                        LongRangeCalculators::contention));
    }

    private static Answer budget(Inputs in) {
        double received = in.number("txPowerDbm")
                - in.number("txFeederLossDb")
                + in.number("txAntennaGainDbi")
                - in.number("pathLossDb")
                + in.number("rxAntennaGainDbi")
                - in.number("rxFeederLossDb");
        double margin = received - in.number("sensitivityDbm");
        double chance = Chance.of(margin, in.number("sigmaDb"));
        return new Answer(
                Map.of("receivedDbm", received, "marginDb", margin, "chance", chance),
                "Ptx − feeder + Gtx − L + Grx − feeder; margin = Prx − floor; chance = Φ(margin / σ), slow fading only",
                "link budget; log-normal shadowing",
                false);
    }

    private static Answer diffraction(Inputs in) {
        List<Inputs> points = in.list("profile");
        if (points.size() < 2) {
            throw in.bad("profile", "needs at least two points");
        }
        double[] d = new double[points.size()];
        double[] h = new double[points.size()];
        for (int i = 0; i < d.length; i++) {
            d[i] = points.get(i).number("distanceM");
            h[i] = points.get(i).number("elevationM");
            if (i > 0 && d[i] <= d[i - 1]) {
                throw points.get(i).bad("distanceM", "must lie beyond the point before it");
            }
        }
        double frequency = in.number("frequencyMHz");
        Diffraction.Loss loss = Diffraction.of(
                frequency,
                new Terrain(d, h),
                in.number("txHeightM"),
                in.number("rxHeightM"),
                in.number("earthRadiusFactor"));
        return new Answer(
                Map.of("bullingtonDb", loss.bullingtonDb(), "lossDb", loss.lossDb()),
                "Lbull + max(Lsph − Lbull of the smooth surface, 0); Lbull = J(v) + (1 − e^(−J(v)/6)) (10 + 0.02 d km)",
                "ITU-R P.526 §4.5, delta-Bullington; vertical polarisation over land",
                frequency < 30);
    }

    private static Answer twoRay(Inputs in) {
        double distance = in.number("distanceM");
        double loss =
                TwoRay.lossDb(in.number("frequencyMHz"), distance, in.number("txHeightM"), in.number("rxHeightM"));
        return new Answer(
                Map.of("lossDb", loss),
                "−20 log10(λ/4π · |e^(−jkd)/d − e^(−jkr)/r|), d and r the exact lengths of both rays",
                "plane ground, reflection −1",
                distance < FreeSpace.LEAST_M);
    }

    private static Answer vegetation(Inputs in) {
        double frequency = in.number("frequencyMHz");
        double depth = in.number("depthM");
        return new Answer(
                Map.of("lossDb", Vegetation.lossDb(frequency, depth)),
                "1.33 f^0.284 d^0.588 above 14 m, 0.45 f^0.284 d up to 14 m; f in GHz",
                "modified exponential decay, trees in leaf, up to 400 m",
                Vegetation.extrapolated(frequency, depth));
    }

    private static Answer duty(Inputs in) {
        double airtime = in.number("airtimeMs");
        return new Answer(
                Map.of(
                        "dutyPercent",
                        100 * Air.duty(airtime, in.number("intervalS")),
                        "leastIntervalS",
                        Air.leastIntervalS(airtime, in.number("limitPercent"))),
                "time on air / interval; least interval = time on air / limit",
                "limit of the sub-band from the region table; check with your regulator",
                false);
    }

    private static Answer contention(Inputs in) {
        double airtime = in.number("airtimeMs");
        double interval = in.number("intervalS");
        return new Answer(
                Map.of("frameSuccess", Air.frameSuccess(in.whole("transmitters"), airtime, interval)),
                "e^(−2 (N − 1) T / I), N counts the asking one",
                "unslotted access, senders independent of each other; airtime as long as the interval is an overload",
                airtime / 1000 >= interval);
    }
}
