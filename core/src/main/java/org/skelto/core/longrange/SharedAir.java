package org.skelto.core.longrange;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Message;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.radio.Air;
import org.skelto.core.radio.AirLaw;
import org.skelto.core.radio.RegionLimits;
import org.skelto.core.radio.Traffic;
import org.skelto.core.work.ComputingBudget;

/**
 * All long-range and sub-GHz senders of a plan together. Frames collide when they come from senders that hear the same
 * receiver on one frequency with one setting; chirp frames of another spreading factor are taken as no collision. What
 * a receiver answers and what a relay passes on is on the air too, and while it sends that radio hears nothing.
 */
public final class SharedAir {
    /** Frequencies nearer than this are one, MHz. */
    private static final double SAME_MHZ = 0.1;

    /** How far a cheap clock may be off, as a share of time. */
    private static final double DRIFT = 40e-6;

    private SharedAir() {}

    /**
     * Senders of one sub-band.
     *
     * @param band in words
     * @param limit what the table says of time on air, in words
     */
    public record SubBand(String band, String limit, List<Sender> senders) {}

    /**
     * One sender.
     *
     * @param settings frequency and modulation in words
     * @param intervalS null when it only sends what happens
     * @param dutyPercent of its time, null without an interval
     * @param leastIntervalS that the table allows, null when nothing limits it
     * @param rivals how many others send on the same frequency with the same setting
     * @param frameSuccess chance that a frame meets no other
     * @param delivery chance that one of its tries comes through
     * @param overload whether more is sent than the air holds
     * @param offsetS when to begin in the common cycle, or null when that is of no use
     * @param broken rules that are broken, in words
     * @param unknown what cannot be judged
     */
    @RecordBuilder
    public record Sender(
            String unit,
            String name,
            Medium medium,
            String settings,
            int bytes,
            boolean assumed,
            double airtimeMs,
            Figure airtimeFigure,
            int tries,
            @Nullable Double intervalS,
            @Nullable Double dutyPercent,
            @Nullable Double leastIntervalS,
            Figure intervalFigure,
            int rivals,
            double frameSuccess,
            double delivery,
            boolean overload,
            @Nullable Double offsetS,
            List<String> broken,
            List<String> unknown,
            Figure figure)
            implements SharedAirSenderBuilder.With {}

    private record Voice(String unit, Radio radio, Message message, Traffic traffic, String name) {
        AirLaw law(Region region) {
            return AirLaw.of(region, radio, traffic);
        }

        /** What of the air it needs, as a share, 0 when it only sends what happens. */
        double load() {
            return traffic.intervalS() == null ? 0 : Air.duty(traffic.messageMs(), traffic.intervalS());
        }

        boolean meets(Voice other) {
            return meets(other.radio);
        }

        boolean meets(Radio other) {
            return radio.medium() == other.medium()
                    && Math.abs(radio.frequencyMHz() - other.frequencyMHz()) < SAME_MHZ
                    && Objects.equals(key(radio.chirp()), key(other.chirp()));
        }

        /** Chance that a frame meets none of the others. */
        double success(List<Frames> onAir) {
            double hits = 0;
            for (Frames others : onAir) {
                ComputingBudget.step();
                if (!others.because().equals(unit) && meets(others.radio())) {
                    hits += others.perSecond() * (traffic.airtimeMs() + others.airtimeMs()) / 1000;
                }
            }
            return Math.exp(-hits);
        }

        double delivery(List<Frames> onAir) {
            return Air.delivery(success(onAir), traffic.tries());
        }

        private static String key(Chirp chirp) {
            return chirp == null ? null : chirp.spreadingFactor() + "/" + chirp.bandwidthKHz();
        }
    }

    /**
     * Frames that come again and again.
     *
     * @param because the unit whose messages bring them about: itself, or the one that is answered or relayed
     * @param by the unit that sends them
     * @param radio that sends them
     */
    private record Frames(String because, String by, Radio radio, double airtimeMs, double perSecond) {}

    /** All sub-bands in which anything is sent, from low to high. */
    public static List<SubBand> of(Plan plan) {
        List<Voice> voices = voices(plan);
        List<Frames> onAir = onAir(plan, voices);
        Map<String, Double> offsets = offsets(voices);
        Map<String, List<Sender>> bands = new TreeMap<>();
        Map<String, String> limits = new LinkedHashMap<>();
        for (Voice v : voices) {
            ComputingBudget.step();
            RegionLimits.BandLimit row = v.law(plan.region()).row();
            String band = row == null ? "outside every band of " + plan.region() : row.band();
            limits.putIfAbsent(band, limit(row));
            bands.computeIfAbsent(band, b -> new ArrayList<>())
                    .add(sender(plan.region(), v, voices, onAir, offsets.get(v.unit())));
        }
        List<SubBand> all = new ArrayList<>();
        bands.forEach((band, senders) -> {
            senders.sort(Comparator.comparing(Sender::name));
            all.add(new SubBand(band, limits.get(band), List.copyOf(senders)));
        });
        return all;
    }

    /** For each sender and medium the chance that one of its tries comes through. */
    public static Map<String, Map<Medium, Double>> deliveries(Plan plan) {
        List<Voice> voices = voices(plan);
        List<Frames> onAir = onAir(plan, voices);
        Map<String, Map<Medium, Double>> deliveries = new HashMap<>();
        voices.forEach(v -> deliveries
                .computeIfAbsent(v.unit(), u -> new EnumMap<>(Medium.class))
                .merge(v.radio().medium(), v.delivery(onAir), Math::min));
        return deliveries;
    }

    /**
     * What answering and passing on takes of a unit's time on air.
     *
     * @param law what the region's table says of it, all answers taken as one message that comes again and again
     */
    public record Answering(String unit, String name, Medium medium, double percent, AirLaw law) {}

    /** Units that answer or pass on, with what that takes; gateways above all. */
    public static List<Answering> answering(Plan plan) {
        Map<String, Map<Radio, List<Frames>>> byUnit = new TreeMap<>();
        onAir(plan, voices(plan)).stream()
                .filter(f -> !f.by().equals(f.because()))
                .forEach(f -> byUnit.computeIfAbsent(f.by(), u -> new LinkedHashMap<>())
                        .computeIfAbsent(f.radio(), r -> new ArrayList<>())
                        .add(f));
        List<Answering> all = new ArrayList<>();
        byUnit.forEach((unit, radios) -> radios.forEach((radio, frames) -> {
            double perSecond = frames.stream().mapToDouble(Frames::perSecond).sum();
            double onMs = frames.stream()
                            .mapToDouble(f -> f.perSecond() * f.airtimeMs())
                            .sum()
                    / perSecond;
            Traffic answers = new Traffic(Traffic.ANSWER_BYTES, false, onMs, 1 / perSecond, 1);
            all.add(new Answering(
                    unit,
                    plan.units().get(unit).name(),
                    radio.medium(),
                    100 * perSecond * onMs / 1000,
                    AirLaw.of(plan.region(), radio, answers)));
        }));
        return all;
    }

    private static List<Voice> voices(Plan plan) {
        List<Voice> voices = new ArrayList<>();
        plan.units()
                .forEach((id, unit) -> unit.radios().values().stream()
                        .filter(r -> Traffic.counts(r.medium()))
                        .filter(r -> sends(plan, id, unit))
                        .forEach(r -> voices.add(new Voice(id, r, unit.says(), Traffic.of(unit, r), unit.name()))));
        return voices;
    }

    private static List<Frames> onAir(Plan plan, List<Voice> voices) {
        List<Frames> onAir = new ArrayList<>();
        for (Voice v : voices) {
            ComputingBudget.step();
            Double intervalS = v.traffic().intervalS();
            if (intervalS == null) {
                continue;
            }
            double tries = v.traffic().tries() / intervalS;
            onAir.add(new Frames(v.unit(), v.unit(), v.radio(), v.traffic().airtimeMs(), tries));
            for (Link link : plan.links().values()) {
                if (link.medium() != v.radio().medium() || !link.joins(v.unit())) {
                    continue;
                }
                String other = link.other(v.unit());
                Unit receiver = Objects.requireNonNull(plan.units().get(other));
                receiver.radio(link.medium()).filter(v::meets).ifPresent(radio -> {
                    if (link.twoWay() && Boolean.TRUE.equals(v.message().acknowledged())) {
                        double answerMs = Traffic.airtimeMs(radio.chirp(), receiver.says(), Traffic.ANSWER_BYTES);
                        onAir.add(new Frames(v.unit(), other, radio, answerMs, 1 / intervalS));
                    }
                    if (receiver.repeats(link.medium())) {
                        onAir.add(new Frames(v.unit(), other, radio, v.traffic().airtimeMs(), tries));
                    }
                });
            }
        }
        return onAir;
    }

    /** Gateways only answer; what has a message or a duty, or hangs at the end of a link, speaks of itself. */
    private static boolean sends(Plan plan, String id, Unit unit) {
        return unit.message() != null
                || unit.duty() != null
                || !unit.collects()
                        && plan.links().values().stream()
                                .anyMatch(l -> l.from().equals(id) && Traffic.counts(l.medium()));
    }

    private static String limit(RegionLimits.BandLimit row) {
        if (row == null) {
            return "not allowed by the table";
        }
        String text = row.dutyPercent() == null
                ? "the table states no duty cycle: cannot be judged"
                : row.dutyLimited() ? "at most " + Text.number(row.dutyPercent(), 1) + " % on air" : "no duty cycle";
        if (row.mostOnMs() != null) {
            text += ", at most " + Text.number(row.mostOnMs(), 0) + " ms at a stretch";
        }
        return text + " (" + row.source() + ", table of " + RegionLimits.DATE + "; check with your regulator)";
    }

    private static Sender sender(Region region, Voice v, List<Voice> voices, List<Frames> onAir, Double offset) {
        AirLaw law = v.law(region);
        List<Voice> rivals = voices.stream().filter(o -> o != v && o.meets(v)).toList();
        double load = v.load() + rivals.stream().mapToDouble(Voice::load).sum();
        double success = v.success(onAir);
        return SharedAirSenderBuilder.builder()
                .unit(v.unit())
                .name(v.name())
                .medium(v.radio().medium())
                .settings(settings(v.radio()))
                .bytes(v.traffic().bytes())
                .assumed(v.traffic().assumed())
                .airtimeMs(v.traffic().airtimeMs())
                .airtimeFigure(Traffic.airtimeFigure(
                        v.radio().chirp(), v.message(), v.traffic().bytes()))
                .tries(v.traffic().tries())
                .intervalS(v.traffic().intervalS())
                .dutyPercent(law.dutyPercent())
                .leastIntervalS(law.leastIntervalS())
                .intervalFigure(law.intervalFigure(v.traffic().messageMs()))
                .rivals(rivals.size())
                .frameSuccess(success)
                .delivery(Air.delivery(success, v.traffic().tries()))
                .overload(load >= 1)
                .offsetS(offset)
                .broken(law.broken())
                .unknown(law.unknown())
                .figure(Figure.of(
                        "e^(−Σ tries (T + Tother) / Iother), answers and what relays pass on counted: e^(−2 (N − 1) T / I) when all are alike",
                        "unslotted access, senders independent of each other",
                        load >= 1,
                        "others on the same setting",
                        Integer.toString(rivals.size()),
                        "time on air of a frame",
                        Text.number(v.traffic().airtimeMs(), 1) + " ms",
                        "load of the air with tries",
                        Text.number(load * 100, 2) + " %"))
                .build();
    }

    static String settings(Radio radio) {
        return Text.mhz(radio.frequencyMHz())
                + (radio.chirp() == null
                        ? ""
                        : ", SF" + radio.chirp().spreadingFactor() + " "
                                + Text.number(
                                        radio.chirp().bandwidthKHz(),
                                        radio.chirp().bandwidthKHz() % 1 == 0 ? 0 : 1)
                                + " kHz 4/" + radio.chirp().codingRateDenominator());
    }

    /**
     * When each sender should begin so that no two meet: evenly in the shortest interval, longest messages first. Only
     * where all have an interval, the intervals are multiples of the shortest, and a slot holds a message and a day's drift.
     */
    private static Map<String, Double> offsets(List<Voice> voices) {
        Map<String, Double> offsets = new TreeMap<>();
        List<Voice> left = new ArrayList<>(voices);
        while (!left.isEmpty()) {
            ComputingBudget.step();
            Voice one = left.get(0);
            List<Voice> group = left.stream().filter(one::meets).toList();
            left.removeAll(group);
            left.remove(one);
            List<Voice> timed = group.stream()
                    .filter(v -> v.traffic().intervalS() != null)
                    .sorted(Comparator.comparingDouble((Voice v) -> -v.traffic().messageMs())
                            .thenComparing(Voice::unit))
                    .toList();
            if (timed.size() < 2) {
                continue;
            }
            double shortest = timed.stream()
                    .mapToDouble(v -> v.traffic().intervalS())
                    .min()
                    .orElseThrow();
            double slot = shortest / timed.size();
            boolean fits = timed.stream()
                    .allMatch(v -> v.traffic().messageMs() / 1000 + v.traffic().intervalS() * DRIFT < slot
                            && Math.abs(v.traffic().intervalS() / shortest
                                            - Math.rint(v.traffic().intervalS() / shortest))
                                    < 1e-9);
            for (int i = 0; fits && i < timed.size(); i++) {
                offsets.put(timed.get(i).unit(), i * slot);
            }
        }
        return offsets;
    }
}
