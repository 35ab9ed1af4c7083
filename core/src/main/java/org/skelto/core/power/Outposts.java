package org.skelto.core.power;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.power.Duty;
import org.skelto.core.plan.power.PowerSource;
import org.skelto.core.plan.power.Pulse;
import org.skelto.core.plan.power.Regulation;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.site.GeoPoint;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.Traffic;
import org.skelto.core.work.ComputingBudget;

/** Where the energy of units on batteries goes, and what would change that. */
public final class Outposts {
    private static final double MS_PER_H = 3_600_000;

    /** What a unit is asked at once when no duty is known, for the comparison of radios. */
    private static final double USUAL_SLEEP_UA = 5;

    private Outposts() {}

    /**
     * What the plan says of a unit's energy.
     *
     * @param cell what feeds it, in words, or null when it is not chosen
     * @param averageUa from the battery
     * @param years of its cells alone, or null when they are not known
     * @param states of a cycle, the sleep first
     * @param regulators the same duty through other regulators
     * @param months with its panel, empty without one
     * @param diesIn the month in which battery and panel give out, or null
     * @param deaf when nothing can reach it, in words, or null when it always listens
     * @param radios what the same report would take over other radios
     */
    @RecordBuilder
    public record OutpostEnergy(
            String unit,
            String name,
            @Nullable String cell,
            double averageUa,
            Figure averageFigure,
            @Nullable Double years,
            @Nullable Figure figure,
            List<StateShare> states,
            List<Regulated> regulators,
            List<SunModel.MonthOfSun> months,
            @Nullable String diesIn,
            @Nullable String deaf,
            List<ReportCost> radios)
            implements OutpostsOutpostEnergyBuilder.With {}

    /**
     * A state of a cycle.
     *
     * @param fixed whether its time follows from the message
     * @param share of all the charge that is taken, 0 to 1
     */
    public record StateShare(String name, double currentMa, double durationMs, boolean fixed, double share) {}

    /** The life through a regulator; {@code now} is what the plan has. */
    public record Regulated(
            String what,
            double averageUa,
            @Nullable Double years,
            boolean now,
            @Nullable Figure figure) {}

    /** What one report takes over a radio, and how long the same cells would last. */
    @RecordBuilder
    public record ReportCost(
            String radio,
            double awakeMs,
            double chargeUah,
            @Nullable Double years,
            boolean now,
            String how,
            @Nullable Figure figure)
            implements OutpostsReportCostBuilder.With {}

    /** The energy of every unit on a battery whose duty is known. */
    public static Map<String, OutpostEnergy> of(Plan plan, Catalogue parts) {
        Map<String, OutpostEnergy> all = new TreeMap<>();
        plan.units().forEach((id, unit) -> {
            if (unit.power().source() == PowerSource.BATTERY && unit.duty() != null) {
                all.put(id, of(plan, parts, id, unit));
            }
        });
        return all;
    }

    private static OutpostEnergy of(Plan plan, Catalogue parts, String id, Unit unit) {
        ComputingBudget.step();
        Part cell = cell(parts, unit).orElse(null);
        Battery battery = cell == null ? null : Battery.of(plan, unit, cell);
        double volts = battery == null ? 3 : battery.volts();
        Duty duty = Spent.of(plan, parts, id, unit, volts);
        double average = averageUa(duty, volts);
        List<SunModel.MonthOfSun> months = months(plan.place(), unit, battery, average);
        return OutpostsOutpostEnergyBuilder.builder()
                .unit(id)
                .name(unit.name())
                .cell(cell == null ? null : cell.name())
                .averageUa(average)
                .averageFigure(averageFigure(duty, volts))
                .years(battery == null ? null : battery.years(average))
                .figure(battery == null ? null : battery.figure(average))
                .states(states(duty, unit))
                .regulators(regulators(duty, volts, battery))
                .months(months)
                .diesIn(SunModel.diesIn(months))
                .deaf(deaf(duty))
                .radios(radios(unit, duty, volts, battery))
                .build();
    }

    /** Years of a unit's cells if its sending took so long; null when it has none, or they or its duty are not known. */
    public static Double yearsSending(Plan plan, Catalogue parts, String id, double sendMs) {
        return sending(plan, parts, id, sendMs)
                .map(s -> s.battery().years(s.averageUa()))
                .orElse(null);
    }

    /** How those years come about; null where there are none. */
    public static Figure sendingFigure(Plan plan, Catalogue parts, String id, double sendMs) {
        return sending(plan, parts, id, sendMs)
                .map(s -> s.battery().figure(s.averageUa()))
                .orElse(null);
    }

    private record Sending(Battery battery, double averageUa) {}

    private static Optional<Sending> sending(Plan plan, Catalogue parts, String id, double sendMs) {
        Unit unit = plan.units().get(id);
        Optional<Part> cell = cell(parts, unit);
        if (unit.power().source() != PowerSource.BATTERY || cell.isEmpty() || unit.duty() == null) {
            return Optional.empty();
        }
        Duty duty = unit.duty();
        Duty set = duty.with(
                duty.cycleS(),
                duty.pulses().stream()
                        .map(p -> p.kind() == Pulse.Kind.SEND ? p.lasting(sendMs) : p)
                        .toList());
        Battery battery = Battery.of(plan, unit, cell.get());
        Duty whole = Spent.with(plan, parts, id, unit, battery.volts(), set);
        return Optional.of(new Sending(battery, averageUa(whole, battery.volts())));
    }

    private static Optional<Part> cell(Catalogue parts, Unit unit) {
        return parts.find(unit.power().part()).filter(p -> p.kind() == PartKind.BATTERY);
    }

    /** Twelve months of a unit with a panel; empty without one, or without place or cells. */
    static List<SunModel.MonthOfSun> months(GeoPoint place, Unit unit, Battery battery, double averageUa) {
        if (unit.solar() == null || place == null || battery == null) {
            return List.of();
        }
        double used = averageUa / 1e6 * battery.volts() * 24;
        return SunModel.year(place.latitudeDeg(), unit.solar(), used, battery.usableWh());
    }

    /** Average current from a battery of so many volts, µA, with what lies between. */
    static double averageUa(Duty duty, double volts) {
        return averageUa(duty, volts, duty.regulation());
    }

    private static double averageUa(Duty duty, double volts, Regulation regulation) {
        double[] currents = duty.pulses().stream().mapToDouble(Pulse::currentMa).toArray();
        double[] durations =
                duty.pulses().stream().mapToDouble(Pulse::durationMs).toArray();
        double load = Electrics.averageUa(duty.sleepUa(), duty.cycleS(), currents, durations);
        return regulation == null ? load : load * ratio(regulation, volts) + regulation.quiescentUa();
    }

    private static Figure averageFigure(Duty duty, double volts) {
        List<String> inputs = new ArrayList<>();
        for (Pulse p : duty.pulses()) {
            inputs.add(inputs.size() / 2 + 1 + ": " + named(p));
            inputs.add(Text.number(p.currentMa(), 2) + " mA for " + Text.number(p.durationMs(), 0) + " ms");
        }
        inputs.addAll(List.of(
                "asleep",
                Text.number(duty.sleepUa(), 1) + " µA for the rest of " + Text.number(duty.cycleS(), 0) + " s"));
        Regulation r = duty.regulation();
        if (r != null) {
            inputs.addAll(List.of(
                    r.kind() == Regulation.Kind.LINEAR ? "through a linear regulator" : "through a converter",
                    "times " + Text.number(ratio(r, volts), 2) + ", and " + Text.number(r.quiescentUa(), 1)
                            + " µA of its own"));
        }
        return Figure.of(
                "(Σ current · time of each state) / cycle" + (r == null ? "" : ", through the regulator"),
                "the unit's duty in the plan; sending lasts as long as the message is on the air",
                false,
                inputs.toArray(String[]::new));
    }

    private static String named(Pulse p) {
        return p.name() == null || p.name().isBlank() ? "awake" : p.name();
    }

    /** Battery current over load current. */
    static double ratio(Regulation regulation, double volts) {
        return regulation.kind() == Regulation.Kind.LINEAR ? 1 : regulation.outV() / (volts * regulation.efficiency());
    }

    private static List<StateShare> states(Duty duty, Unit unit) {
        double awakeMs = duty.pulses().stream().mapToDouble(Pulse::durationMs).sum();
        double sleepMs = Math.max(0, duty.cycleS() * 1000 - awakeMs);
        double all = duty.sleepUa() / 1000 * sleepMs
                + duty.pulses().stream()
                        .mapToDouble(p -> p.currentMa() * p.durationMs())
                        .sum();
        List<StateShare> states = new ArrayList<>();
        states.add(new StateShare(
                "sleep", duty.sleepUa() / 1000, sleepMs, true, all == 0 ? 0 : duty.sleepUa() / 1000 * sleepMs / all));
        duty.pulses()
                .forEach(p -> states.add(new StateShare(
                        named(p),
                        p.currentMa(),
                        p.durationMs(),
                        p.kind() == Pulse.Kind.SEND && unit.message() != null,
                        all == 0 ? 0 : p.currentMa() * p.durationMs() / all)));
        return states;
    }

    private static List<Regulated> regulators(Duty duty, double volts, Battery battery) {
        Regulation now = duty.regulation();
        double out = now == null ? Math.min(3.3, volts) : now.outV();
        List<Regulated> all = new ArrayList<>();
        if (now == null) {
            all.add(regulated("none: currents are those at the battery", duty, volts, null, battery, true));
        }
        Regulation linear = now != null && now.kind() == Regulation.Kind.LINEAR
                ? now
                : new Regulation(Regulation.Kind.LINEAR, out, 2, 1);
        Regulation converter = now != null && now.kind() == Regulation.Kind.CONVERTER
                ? now
                : new Regulation(Regulation.Kind.CONVERTER, out, 8, 0.88);
        all.add(regulated("linear, " + taken(linear), duty, volts, linear, battery, linear == now));
        all.add(regulated(
                "converter of " + Text.share(converter.efficiency()) + ", " + taken(converter),
                duty,
                volts,
                converter,
                battery,
                converter == now));
        return all;
    }

    private static String taken(Regulation r) {
        return Text.number(r.quiescentUa(), 0) + " µA itself, to " + Text.number(r.outV(), 1) + " V";
    }

    private static Regulated regulated(
            String what, Duty duty, double volts, Regulation by, Battery battery, boolean now) {
        double average = averageUa(duty, volts, by);
        return new Regulated(
                what,
                average,
                battery == null ? null : battery.years(average),
                now,
                battery == null ? null : battery.figure(average));
    }

    /** When nothing reaches a sleeping unit. */
    public static String deaf(Duty duty) {
        double listens = duty.pulses().stream()
                .filter(p -> p.kind() == Pulse.Kind.LISTEN)
                .mapToDouble(Pulse::durationMs)
                .sum();
        if (listens >= duty.cycleS() * 1000) {
            return null;
        }
        return listens == 0
                ? "receiver sleeps: it never listens, so nothing can be sent to it"
                : "receiver sleeps: listens " + Text.number(listens / 1000, 1) + " s every " + seconds(duty.cycleS())
                        + ", so what is sent to it waits up to " + seconds(duty.cycleS());
    }

    /** A time in words. */
    public static String seconds(double s) {
        return s < 120
                ? Text.number(s, s < 10 ? 1 : 0) + " s"
                : s < 7200 ? Text.number(s / 60, 0) + " min" : Text.number(s / 3600, 1) + " h";
    }

    /**
     * The same report over each radio: how long it is awake and at what current, typical figures of each kind. Joining a
     * Wi-Fi network takes longest of all.
     */
    private static List<ReportCost> radios(Unit unit, Duty duty, double volts, Battery battery) {
        double ownUah = duty.pulses().stream()
                        .mapToDouble(p -> p.currentMa() * p.durationMs())
                        .sum()
                / MS_PER_H
                * 1000;
        double ownMs = duty.pulses().stream().mapToDouble(Pulse::durationMs).sum();
        List<ReportCost> all = new ArrayList<>();
        all.add(cost("as planned", ownMs, ownUah, duty, volts, battery, true, "the states of the plan"));
        int bytes = unit.says().bytes() == 0 ? Traffic.USUAL_BYTES : unit.says().bytes();
        double keyed = Traffic.airtimeMs(null, unit.says(), bytes);
        all.add(typical("sub-GHz, sends only", keyed + 5, 25, duty, volts, battery, "wake 5 ms, one frame, 25 mA"));
        unit.radio(Medium.CHIRP).map(Radio::chirp).ifPresent(c -> {
            double air = Traffic.airtimeMs(c, unit.says(), bytes);
            all.add(typical(
                    "long-range chirp, SF" + c.spreadingFactor(),
                    air + 10,
                    45,
                    duty,
                    volts,
                    battery,
                    "wake 10 ms, one frame of " + Text.number(air, 0) + " ms, 45 mA at 14 dBm"));
        });
        all.add(typical("Bluetooth LE, beacon", 12, 8, duty, volts, battery, "three short frames, 8 mA"));
        all.add(typical("802.15.4 mesh, joined", 30, 18, duty, volts, battery, "wake, frame, acknowledgement, 18 mA"));
        all.add(typical(
                "Wi-Fi, wake and join",
                2200,
                110,
                duty,
                volts,
                battery,
                "boot 300 ms, associate and keys 900 ms, address 600 ms, broker 400 ms, 110 mA on average"));
        return all;
    }

    private static ReportCost typical(
            String radio, double awakeMs, double currentMa, Duty duty, double volts, Battery battery, String how) {
        return cost(radio, awakeMs, currentMa * awakeMs / MS_PER_H * 1000, duty, volts, battery, false, how);
    }

    private static ReportCost cost(
            String radio,
            double awakeMs,
            double chargeUah,
            Duty duty,
            double volts,
            Battery battery,
            boolean now,
            String how) {
        double sleep = duty.sleepUa() > 0 ? duty.sleepUa() : USUAL_SLEEP_UA;
        double load = sleep + chargeUah * 3600 / duty.cycleS();
        double average = now ? averageUa(duty, volts) : load;
        return OutpostsReportCostBuilder.builder()
                .radio(radio)
                .awakeMs(awakeMs)
                .chargeUah(chargeUah)
                .years(battery == null ? null : battery.years(average))
                .now(now)
                .how(how)
                .figure(battery == null ? null : battery.figure(average))
                .build();
    }
}
