package org.skelto.core.power;

/** The formulas of wires and power, each as it stands in its source. */
public final class Electrics {
    /** Resistivity of copper at 20 °C, Ω·mm²/m (IEC 60028). */
    public static final double COPPER = 0.017241;

    /** Change of copper's resistance for each kelvin (IEC 60028). */
    public static final double COPPER_PER_K = 0.00393;

    /** Hours of a year. */
    public static final double HOURS_A_YEAR = 8766;

    /** Current that an output pin can give, mA; typical of controller boards. */
    public static final double PIN_MA = 12;

    /** Voltage between base and emitter of a transistor that is switched on, V. */
    public static final double BASE_V = 0.7;

    /** True rms over mean current of a bridge rectifier that charges a capacitor; typical. */
    public static final double RECTIFIED = 1.8;

    private Electrics() {}

    /**
     * Voltage lost on both conductors of a cable: 2·L·I·ρ/A, volts.
     *
     * @param lengthM one way, metres, at least 0
     * @param currentA at least 0
     * @param areaMm2 of one conductor, over 0
     * @param temperatureC of the copper
     */
    public static double dropV(double lengthM, double currentA, double areaMm2, double temperatureC) {
        return 2 * lengthM * currentA * COPPER * (1 + COPPER_PER_K * (temperatureC - 20)) / areaMm2;
    }

    /** Resistance of a run, there and back, Ω. */
    public static double loopOhm(double lengthM, double ohmPerKm) {
        return 2 * lengthM * ohmPerKm / 1000;
    }

    /**
     * Voltage at the far end of a run that feeds a constant power, volts; NaN when the run cannot carry it.
     *
     * @param volts at the near end
     * @param watts taken at the far end
     */
    public static double endV(double volts, double watts, double loopOhm) {
        return (volts + Math.sqrt(volts * volts - 4 * watts * loopOhm)) / 2;
    }

    /** Mean current of a cycle in which short states interrupt a sleep, µA. */
    public static double averageUa(double sleepUa, double cycleS, double[] currentsMa, double[] durationsMs) {
        double awakeS = 0;
        double chargeUas = 0;
        for (int i = 0; i < currentsMa.length; i++) {
            awakeS += durationsMs[i] / 1000;
            chargeUas += currentsMa[i] * durationsMs[i];
        }
        return (chargeUas + sleepUa * Math.max(0, cycleS - awakeS)) / cycleS;
    }

    /** Years that a battery lasts; self-discharge counts as a constant current of capacity × share / 8766 h. */
    public static double years(double capacityMah, double usableShare, double selfDischarge, double averageUa) {
        double selfUa = capacityMah * 1000 * selfDischarge / HOURS_A_YEAR;
        return capacityMah * 1000 * usableShare / (averageUa + selfUa) / HOURS_A_YEAR;
    }

    /** Current that a transistor's base needs, mA: coil / (gain / overdrive). */
    public static double baseMa(double coilMa, double gain, double overdrive) {
        return coilMa * overdrive / gain;
    }

    /** Resistor that lets a base current through, Ω: (pin − 0.7 V) / I. */
    public static double baseOhm(double pinV, double baseMa) {
        return (pinV - BASE_V) / (baseMa / 1000);
    }

    /** Hours that a store of energy carries a load: Wh × usable × efficiency / W. */
    public static double backupH(double wattHours, double usable, double efficiency, double watts) {
        return wattHours * usable * efficiency / watts;
    }
}
