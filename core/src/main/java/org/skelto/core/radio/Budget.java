package org.skelto.core.radio;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;

/**
 * The budget of a radio link in one direction, as a falling stair from radiated power to what arrives.
 *
 * @param steps the first is the power sent; each gives the level after it
 * @param receivedDbm what arrives at the receiver
 * @param sensitivityDbm what the receiver needs
 * @param marginDb what is left over
 */
public record Budget(
        List<Step> steps,
        double receivedDbm,
        double sensitivityDbm,
        double marginDb,
        Figure sensitivityFigure,
        Figure marginFigure) {
    private static final String FEEDER = "feeder";
    private static final String ANTENNA = "antenna";

    /** Loss of a closed metal box around an antenna, dB; typical. */
    private static final double METAL_BOX_DB = 30;

    /** One tread of the stair. */
    public record Step(String label, double changeDb, double levelDbm, Figure figure) {}

    public Budget {
        steps = List.copyOf(steps);
    }

    /** {@code Prx = Ptx − feeder + Gtx − L + Grx − feeder}; margin = Prx − sensitivity. */
    public static Budget of(Radio sender, LossModel.Loss loss, Radio receiver) {
        List<Step> steps = new ArrayList<>();
        double level = sender.txPowerDbm();
        steps.add(new Step(
                "sent",
                0,
                level,
                Figure.of("power at the radio's connector", "the sender's radio in the plan", false)));
        level = hardware(steps, level, sender, "the sender's radio in the plan");
        for (LossModel.Part part : loss.parts()) {
            level -= part.lossDb();
            steps.add(new Step(part.what(), -part.lossDb(), level, part.figure()));
        }
        level = hardware(steps, level, receiver, "the receiver's radio in the plan");
        double sensitivity = sensitivityDbm(receiver);
        Figure margin = Figure.of(
                "what arrives − receiver floor",
                "link budget; " + sensitivityFigure(receiver).source(),
                steps.stream().anyMatch(s -> s.figure().extrapolated()),
                "arrives",
                Text.dbm(level),
                "receiver floor",
                Text.dbm(sensitivity));
        return new Budget(steps, level, sensitivity, level - sensitivity, sensitivityFigure(receiver), margin);
    }

    /** How the margin comes about, the whole stair at once. */
    public Figure wholeFigure() {
        Map<String, String> inputs = new LinkedHashMap<>();
        for (Step s : steps) {
            String label = s.label();
            for (int n = 2; inputs.containsKey(label); n++) {
                label = s.label()
                        + (s.label().equals(ANTENNA) || s.label().equals(FEEDER) ? " of the receiver" : ", " + n);
            }
            inputs.put(label, inputs.isEmpty() ? Text.dbm(s.levelDbm()) : Text.db(s.changeDb()));
        }
        inputs.put("receiver floor", Text.dbm(sensitivityDbm));
        return new Figure(
                "sent + antennas − feeders − losses on the way − receiver floor",
                inputs,
                "link budget, step by step as in the stair at Paths and Links",
                marginFigure.extrapolated());
    }

    /** The steps of a feeder with its connectors and of an antenna, where there are any; gives the level after them. */
    private static double hardware(List<Step> steps, double before, Radio radio, String source) {
        double level = before;
        if (radio.feederLossDb() != 0) {
            level -= radio.feederLossDb();
            steps.add(new Step(
                    FEEDER,
                    -radio.feederLossDb(),
                    level,
                    Figure.of("loss of the feeder and its connectors", source, false)));
        }
        if (radio.antennaGainDbi() != 0) {
            level += radio.antennaGainDbi();
            steps.add(new Step(
                    ANTENNA,
                    radio.antennaGainDbi(),
                    level,
                    Figure.of(
                            "antenna gain",
                            source,
                            false,
                            "antenna gain",
                            Text.number(radio.antennaGainDbi(), 1) + " dBi")));
        }
        if (radio.metalBox()) {
            level -= METAL_BOX_DB;
            steps.add(new Step(
                    "metal box",
                    -METAL_BOX_DB,
                    level,
                    Figure.of(
                            "20 to 40 dB are lost from inside a closed metal box, 30 dB counted",
                            "typical; what is measured wins",
                            false)));
        }
        return level;
    }

    /** What leaves a sender with what surrounds it, dBm. */
    public static double leavesDbm(Radio sender) {
        return sender.eirpDbm() - (sender.metalBox() ? METAL_BOX_DB : 0);
    }

    /** What a receiver's antenna, feeder and box make of what arrives, dB. */
    public static double takesDb(Radio receiver) {
        return receiver.antennaGainDbi() - receiver.feederLossDb() - (receiver.metalBox() ? METAL_BOX_DB : 0);
    }

    /** What is left over at a receiver after a loss, dB: the margin of {@link #of} without its stair. */
    public static double marginDb(Radio sender, Radio receiver, double lossDb) {
        return leavesDbm(sender) - lossDb + takesDb(receiver) - sensitivityDbm(receiver);
    }

    /** The smaller of the margins of both directions, dB. */
    public static double lesserMarginDb(Radio one, Radio other, double lossDb) {
        return Math.min(marginDb(one, other, lossDb), marginDb(other, one, lossDb));
    }

    /** The part's stated sensitivity, or what follows from a chirp radio's settings. */
    public static double sensitivityDbm(Radio receiver) {
        return receiver.sensitivityDbm() != null
                ? receiver.sensitivityDbm()
                : ChirpModulation.sensitivityDbm(
                        receiver.chirp().spreadingFactor(), receiver.chirp().bandwidthKHz(), noiseFigureDb(receiver));
    }

    private static double noiseFigureDb(Radio receiver) {
        Double given = receiver.settings().noiseFigureDb();
        return given == null ? ChirpModulation.NOISE_FIGURE_DB : given;
    }

    private static Figure sensitivityFigure(Radio receiver) {
        if (receiver.sensitivityDbm() != null) {
            return Figure.of(
                    "the part's stated sensitivity at its data rate", "the receiver's radio in the plan", false);
        }
        return Figure.of(
                "−174 + 10 log10(B) + NF + SNRmin",
                "thermal noise and the demodulator's least signal-to-noise ratio",
                false,
                "bandwidth",
                Text.number(receiver.chirp().bandwidthKHz(), 1) + " kHz",
                "noise figure",
                Text.db(noiseFigureDb(receiver)),
                "SNRmin at SF" + receiver.chirp().spreadingFactor(),
                Text.db(ChirpModulation.leastSnrDb(receiver.chirp().spreadingFactor())));
    }
}
