package org.skelto.core.radio;

import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.Duty;
import org.skelto.core.plan.power.Pulse;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Message;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.work.ComputingBudget;

/**
 * What a unit's long-range or sub-GHz radio puts on the air.
 *
 * @param bytes of payload
 * @param assumed whether nobody designed the message, so that {@value #USUAL_BYTES} bytes are taken
 * @param airtimeMs of one frame
 * @param intervalS from one message to the next, or null when it only sends what happens
 * @param tries frames for each message
 */
public record Traffic(int bytes, boolean assumed, double airtimeMs, Double intervalS, int tries) {
    /** Payload of a message that nobody designed yet. */
    public static final int USUAL_BYTES = 12;

    /** Preamble, sync word and checksum of simple keying, bytes. */
    public static final int KEYED_EXTRA_BYTES = 8;

    /** Payload of an answer: who, which and its checksum. */
    public static final int ANSWER_BYTES = 4;

    /** From the end of a frame to the beginning of its answer, ms; typical. */
    public static final double TURNAROUND_MS = 60;

    private static final int PREAMBLE = 8;

    /** Whether a medium is one of those that are looked at here. */
    public static boolean counts(Medium medium) {
        return medium == Medium.CHIRP || medium == Medium.SUB_GHZ;
    }

    /** The traffic of a unit over one of its radios; the medium must be one that {@link #counts}. */
    public static Traffic of(Unit unit, Radio radio) {
        ComputingBudget.step();
        Message message = unit.says();
        int bytes = message.bytes() == 0 ? USUAL_BYTES : message.bytes();
        Double interval = message.intervalS() != null
                ? message.intervalS()
                : unit.duty() == null ? null : Double.valueOf(unit.duty().cycleS());
        return new Traffic(
                bytes, message.bytes() == 0, airtimeMs(radio.chirp(), message, bytes), interval, message.triesOrOne());
    }

    /** Time on air of a frame of so many bytes, ms; without chirp settings by simple keying. */
    public static double airtimeMs(Chirp chirp, Message message, int bytes) {
        if (chirp == null) {
            return 8 * (bytes + KEYED_EXTRA_BYTES) / rateKbps(message);
        }
        return ChirpModulation.airtimeMs(chirp, frame(chirp, message, bytes));
    }

    private static ChirpModulation.Frame frame(Chirp chirp, Message message, int bytes) {
        boolean implicit = Boolean.TRUE.equals(message.implicitHeader()) || chirp.spreadingFactor() == 6;
        int preamble = message.preambleSymbols() == null ? PREAMBLE : message.preambleSymbols();
        return new ChirpModulation.Frame(bytes, preamble, !implicit, true);
    }

    /** How the time on air of a frame of so many bytes comes about. */
    public static Figure airtimeFigure(Chirp chirp, Message message, int bytes) {
        if (chirp == null) {
            return Figure.of(
                    "8 · (payload + preamble, sync word and checksum) / data rate",
                    "simple keying (FSK/OOK)",
                    false,
                    "payload",
                    bytes + " bytes",
                    "preamble, sync word and checksum",
                    KEYED_EXTRA_BYTES + " bytes",
                    "data rate",
                    Text.number(rateKbps(message), 1) + " kbit/s");
        }
        ChirpModulation.Frame frame = frame(chirp, message, bytes);
        return Figure.of(
                ChirpModulation.AIRTIME_FORMULA,
                ChirpModulation.AIRTIME_SOURCE,
                false,
                "SF, B, coding",
                "SF" + chirp.spreadingFactor() + ", " + Text.number(chirp.bandwidthKHz(), 1) + " kHz, 4/"
                        + chirp.codingRateDenominator(),
                "Ts",
                Text.number(ChirpModulation.symbolMs(chirp), 3) + " ms",
                "n, preamble",
                frame.preambleSymbols() + " symbols",
                "PL, payload",
                bytes + " bytes",
                "implicit header",
                frame.explicitHeader() ? "no" : "yes",
                "ldro, low-data-rate optimisation",
                ChirpModulation.optimised(chirp) ? "on" : "off");
    }

    private static double rateKbps(Message message) {
        return message.rateKbps() == null ? Message.USUAL_KBPS : message.rateKbps();
    }

    /** Time on air of all frames of a message, ms. */
    public double messageMs() {
        return airtimeMs * tries;
    }

    /** A duty whose sending lasts as long as the message takes on the air, where that is known. */
    public static Duty timed(Unit unit) {
        Duty duty = unit.duty();
        if (duty == null || unit.message() == null) {
            return duty;
        }
        return unit.radios().values().stream()
                .filter(r -> counts(r.medium()))
                .findFirst()
                .map(r -> of(unit, r).messageMs())
                .map(ms -> duty.with(
                        duty.cycleS(),
                        duty.pulses().stream()
                                .map(p -> p.kind() == Pulse.Kind.SEND ? p.lasting(ms) : p)
                                .toList()))
                .orElse(duty);
    }
}
