package org.skelto.core.calculator;

import java.util.List;
import java.util.Map;
import org.skelto.core.power.Electrics;
import org.skelto.core.wiring.BusTiming;

/** Calculators of wires and power. */
final class WireCalculators {
    private static final double MOST_A = 10_000;
    private static final double MOST_V = 1000;

    private WireCalculators() {}

    static List<Calculator> all() {
        return List.of(
                new Calculator(
                        "voltage-drop",
                        "Voltage drop",
                        "On both conductors of a copper cable.",
                        List.of(
                                Field.number("lengthM", "Length, one way", "m", 0, 100_000, 24),
                                Field.number("currentA", "Current", "A", 0, MOST_A, 1.2),
                                Field.number("areaMm2", "Area of a conductor", "mm²", 0.001, 1000, 0.75),
                                Field.number("temperatureC", "Temperature of the copper", "°C", -60, 150, 20)),
                        Calculators.outputs("dropV", "Lost, V"),
                        WireCalculators::drop),
                new Calculator(
                        "supply-headroom",
                        "Supply headroom",
                        "Greatest simultaneous currents against the rating; at most 80 % is wished.",
                        List.of(
                                Field.number("ratedA", "Rating of the supply", "A", 0.001, MOST_A, 2.5),
                                Field.list(
                                        "loads",
                                        "What is on at once",
                                        100,
                                        List.of(Field.number("currentA", "Current", "A", 0, MOST_A, 0.5)),
                                        List.of(Map.of("currentA", 0.5), Map.of("currentA", 0.58)))),
                        Calculators.outputs(
                                "worstA",
                                "Taken at once, A",
                                "share",
                                "Share of the rating",
                                "spareA",
                                "Left up to 80 %, A"),
                        WireCalculators::headroom),
                new Calculator(
                        "regulator-heat",
                        "Heat of a linear regulator",
                        "All that is not needed becomes heat.",
                        List.of(
                                Field.number("inputV", "In", "V", 0, MOST_V, 12),
                                Field.number("outputV", "Out", "V", 0, MOST_V, 5),
                                Field.number("currentA", "Current", "A", 0, MOST_A, 0.35),
                                Field.number("thermalKPerW", "Junction to air", "K/W", 0.01, 1000, 65),
                                Field.number("ambientC", "Air around", "°C", -60, 150, 30),
                                Field.number("dropoutV", "Dropout", "V", 0, 50, 2)),
                        Calculators.outputs(
                                "heatW", "Heat, W", "junctionC", "Junction, °C", "spareV", "Above its dropout, V"),
                        WireCalculators::regulator),
                new Calculator(
                        "relay-driver",
                        "Relay driver",
                        "Resistor before the transistor that drives a coil from a pin. Across a DC coil belongs a diode; it "
                                + "slows the release. An AC coil needs another suppressor.",
                        List.of(
                                Field.number("pinV", "Voltage of the pin", "V", 0.8, 48, 3.3),
                                Field.number("coilMa", "Current of the coil", "mA", 0.001, 1e6, 72),
                                Field.number("gain", "Least gain of the transistor", "", 1, 100_000, 100),
                                Field.number("overdrive", "Overdrive", "", 1, 100, 3)),
                        Calculators.outputs("baseMa", "Current of the base, mA", "baseOhm", "Resistor, at most, Ω"),
                        WireCalculators::driver),
                new Calculator(
                        "battery-life",
                        "Battery life",
                        "Of a unit that sleeps and wakes. The pulse that the cell can carry is another matter.",
                        List.of(
                                Field.number("capacityMah", "Capacity", "mAh", 0.001, 1e8, 2600),
                                Field.number("usableShare", "Usable share", "", 0.001, 1, 0.8),
                                Field.number("selfDischargePerYear", "Lost by itself in a year", "share", 0, 10, 0.03),
                                Field.number("sleepCurrentUa", "Asleep", "µA", 0, 1e9, 18),
                                Field.number("cycleS", "Wakes every", "s", 0.001, 1e9, 900),
                                Field.list(
                                        "states",
                                        "Then",
                                        100,
                                        List.of(
                                                Field.number("currentMa", "takes", "mA", 0, 1e6, 40),
                                                Field.number("durationMs", "for", "ms", 0, 1e9, 60)),
                                        List.of(
                                                Map.of("currentMa", 12, "durationMs", 300),
                                                Map.of("currentMa", 120, "durationMs", 80)))),
                        Calculators.outputs("averageCurrentUa", "Average, µA", "years", "Years"),
                        WireCalculators::battery),
                new Calculator(
                        "bus-timing",
                        "Two-wire bus",
                        "Capacitance, the window for all pull-ups in parallel, and how long it takes to ask every board.",
                        List.of(
                                Field.number("vdd", "Supply of the bus", "V", 1, 12, 3.3),
                                Field.number("clockKHz", "Clock", "kHz", 1, 10_000, 100),
                                Field.number("lengthM", "Cable", "m", 0, 1000, 3),
                                Field.number("cablePfPerM", "Its capacitance", "pF/m", 0, 1000, 52),
                                Field.whole("boards", "Boards", "", 1, 112, 4),
                                Field.number("boardPf", "Pins and traces of each", "pF", 0, 400, 12),
                                Field.whole("bytes", "Bytes to ask each", "", 1, 1000, 3)),
                        Calculators.outputs(
                                "capacitancePf",
                                "Capacitance, pF of 400",
                                "leastOhm",
                                "Pull-ups at least, Ω",
                                "mostOhm",
                                "Pull-ups at most, Ω",
                                "cycleMs",
                                "All asked in, ms"),
                        WireCalculators::bus),
                new Calculator(
                        "backup-time",
                        "Backup time",
                        "Count all that must survive: the switch and the access point, too.",
                        List.of(
                                Field.number("capacityAh", "Battery", "Ah", 0.001, 1e6, 7),
                                Field.number("volts", "Its voltage", "V", 0.1, MOST_V, 12),
                                Field.number("usableShare", "Usable share", "", 0.01, 1, 0.7),
                                Field.number("efficiency", "Efficiency of what follows", "", 0.01, 1, 0.8),
                                Field.number("loadW", "Load", "W", 0.0001, 1e6, 18)),
                        Calculators.outputs("hours", "Hours"),
                        WireCalculators::backup));
    }

    private static Answer drop(Inputs in) {
        double temperature = in.number("temperatureC");
        return new Answer(
                Map.of(
                        "dropV",
                        Electrics.dropV(
                                in.number("lengthM"), in.number("currentA"), in.number("areaMm2"), temperature)),
                "2 L I ρ / A · (1 + 0.00393 (T − 20))",
                "copper: 0.017241 Ω·mm²/m at 20 °C (IEC 60028)",
                false);
    }

    private static Answer headroom(Inputs in) {
        double rated = in.number("ratedA");
        double worst =
                in.list("loads").stream().mapToDouble(l -> l.number("currentA")).sum();
        return new Answer(
                Map.of("worstA", worst, "share", worst / rated, "spareA", 0.8 * rated - worst),
                "Σ I / rating",
                "greatest simultaneous currents; at most 80 % of the rating",
                false);
    }

    private static Answer regulator(Inputs in) {
        double inV = in.number("inputV");
        double outV = in.number("outputV");
        if (outV > inV) {
            throw in.bad("outputV", "is above what goes in; a linear regulator only takes away");
        }
        double heat = (inV - outV) * in.number("currentA");
        return new Answer(
                Map.of(
                        "heatW",
                        heat,
                        "junctionC",
                        in.number("ambientC") + heat * in.number("thermalKPerW"),
                        "spareV",
                        inV - outV - in.number("dropoutV")),
                "P = (Vin − Vout) I; T = Tair + P Rth",
                "sheet of the regulator",
                false);
    }

    private static Answer driver(Inputs in) {
        double base = Electrics.baseMa(in.number("coilMa"), in.number("gain"), in.number("overdrive"));
        return new Answer(
                Map.of("baseMa", base, "baseOhm", Electrics.baseOhm(in.number("pinV"), base)),
                "Ib = Icoil / (gain / overdrive); R = (Vpin − 0.7 V) / Ib",
                "transistor as a switch; a pin gives about 12 mA",
                base > Electrics.PIN_MA);
    }

    private static Answer battery(Inputs in) {
        List<Inputs> states = in.list("states");
        double[] currents =
                states.stream().mapToDouble(s -> s.number("currentMa")).toArray();
        double[] durations =
                states.stream().mapToDouble(s -> s.number("durationMs")).toArray();
        double cycle = in.number("cycleS");
        if (java.util.Arrays.stream(durations).sum() > cycle * 1000) {
            throw in.bad("states", "take longer than the cycle");
        }
        double average = Electrics.averageUa(in.number("sleepCurrentUa"), cycle, currents, durations);
        double capacity = in.number("capacityMah");
        double usable = in.number("usableShare");
        double self = in.number("selfDischargePerYear");
        if (average == 0 && self == 0) {
            throw in.bad("sleepCurrentUa", "nothing is taken at all, so that it would last for ever");
        }
        return new Answer(
                Map.of("averageCurrentUa", average, "years", Electrics.years(capacity, usable, self, average)),
                "I = (Σ I t + Isleep t_sleep) / cycle; years = C · usable / (I + C · self / 8766 h) / 8766 h",
                "charge of a cycle; self-discharge as a constant current",
                false);
    }

    private static Answer bus(Inputs in) {
        double clock = in.number("clockKHz");
        int boards = in.whole("boards");
        double pf = in.number("lengthM") * in.number("cablePfPerM") + (boards + 1) * in.number("boardPf");
        if (pf == 0) {
            throw in.bad("boardPf", "without any capacitance there is no greatest pull-up");
        }
        return new Answer(
                Map.of(
                        "capacitancePf",
                        pf,
                        "leastOhm",
                        BusTiming.leastPullUpOhm(in.number("vdd")),
                        "mostOhm",
                        BusTiming.mostPullUpOhm(pf, clock),
                        "cycleMs",
                        boards * BusTiming.boardMs(in.whole("bytes"), clock)),
                "(Vdd − 0.4) / 3 mA ≤ R ≤ tr / (0.8473 Cb); 9 clocks a byte, start and stop",
                "two-wire bus specification: 1000 ns up to 100 kHz, 300 ns up to 400 kHz, 400 pF; the master counts as a "
                        + "board",
                clock > BusTiming.FAST_K);
    }

    private static Answer backup(Inputs in) {
        return new Answer(
                Map.of(
                        "hours",
                        Electrics.backupH(
                                in.number("capacityAh") * in.number("volts"),
                                in.number("usableShare"),
                                in.number("efficiency"),
                                in.number("loadW"))),
                "Ah · V · usable · efficiency / W",
                "energy; a large load takes less out of a lead battery than this",
                false);
    }
}
