package org.skelto.core.power;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.Duty;
import org.skelto.core.plan.power.Pulse;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.Traffic;
import org.skelto.core.work.ComputingBudget;

/**
 * All that cells give in a cycle: the unit's duty with its sending as long as its frames really take, the wait for answers that
 * it asks for, and every motor, valve and bolt that hangs on them.
 */
final class Spent {
    private static final double S_PER_DAY = 86_400;

    /** Current of a radio that listens, mA; typical. */
    private static final double LISTENS_MA = 11;

    /** For a bolt or strike whose part does not say how long it is driven, s; typical. */
    private static final double USUAL_S = 1;

    private Spent() {}

    /** The duty with all of it, or null where none is known. */
    static @Nullable Duty of(Plan plan, Catalogue parts, String id, Unit unit, double volts) {
        Duty duty = Traffic.timed(unit);
        return duty == null ? null : with(plan, parts, id, unit, volts, duty);
    }

    /** A duty whose sending is known, with the rest. */
    static Duty with(Plan plan, Catalogue parts, String id, Unit unit, double volts, Duty duty) {
        ComputingBudget.step();
        List<Pulse> pulses = new ArrayList<>(duty.pulses());
        waits(unit, duty).ifPresent(pulses::add);
        plan.devices().values().forEach(d -> {
            if (id.equals(d.unit())) {
                moves(d, parts, id, volts, duty.cycleS()).ifPresent(pulses::add);
            }
        });
        return pulses.size() == duty.pulses().size() ? duty : duty.with(duty.cycleS(), pulses);
    }

    /** Listening for the answer to each try, where the duty itself says nothing of listening. */
    private static Optional<Pulse> waits(Unit unit, Duty duty) {
        boolean listens = duty.pulses().stream().anyMatch(p -> p.kind() == Pulse.Kind.LISTEN);
        if (listens
                || unit.message() == null
                || !Boolean.TRUE.equals(unit.message().acknowledged())) {
            return Optional.empty();
        }
        return unit.radios().values().stream()
                .filter(r -> Traffic.counts(r.medium()) && r.receives())
                .findFirst()
                .map(r -> new Pulse(
                        "waits for the answer",
                        LISTENS_MA,
                        unit.message().triesOrOne() * (Traffic.TURNAROUND_MS + answerMs(unit, r))));
    }

    private static double answerMs(Unit unit, Radio radio) {
        return Traffic.airtimeMs(radio.chirp(), unit.says(), Traffic.ANSWER_BYTES);
    }

    /** What moves, spread over the cycles of a day. */
    private static Optional<Pulse> moves(Device d, Catalogue parts, String id, double volts, double cycleS) {
        double times = timesADay(d.kind());
        double watts = Loads.watts(d, parts);
        String supply = d.known().supply();
        boolean fromCells = d.circuit() == null && (supply == null || supply.equals(id));
        if (times == 0 || watts == 0 || !fromCells) {
            return Optional.empty();
        }
        Part part = parts.find(d.known().part()).orElse(null);
        Double travel = d.known().travelS() != null
                ? d.known().travelS()
                : part == null
                        ? null
                        : part.figure(Quantity.TRAVEL_S)
                                .or(() -> part.figure(Quantity.PULSE_S))
                                .orElse(null);
        double seconds = travel == null ? USUAL_S : travel;
        String often =
                times < 1 ? "once in " + Text.number(1 / times, 0) + " days" : Text.number(times, 0) + " times a day";
        return Optional.of(new Pulse(
                d.name() + " moves for " + Text.number(seconds, 1) + " s, " + often,
                1000 * watts / volts,
                1000 * seconds * times * cycleS / S_PER_DAY));
    }

    /** How often things are worked in a day; typical of a house. */
    private static double timesADay(DeviceKind kind) {
        return switch (kind) {
            case LOCK -> 10;
            case GATE, POWERED_DOOR -> 6;
            case BLIND -> 2;
            // turned once a week, so that it does not seize
            case VALVE -> 1.0 / 7;
            default -> 0;
        };
    }
}
