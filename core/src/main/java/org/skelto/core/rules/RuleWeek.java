package org.skelto.core.rules;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.logicng.datastructures.Tristate;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.rules.QuietHours;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;

/**
 * A week of the house by clock and sun alone: what rules switch while nothing else happens, and when those may act that wait
 * for something to happen.
 *
 * @param zone that its clock goes by
 * @param sunKnown whether it is known where the house is
 * @param days from Monday to Sunday
 * @param bars stretches in which a device is on, open or sounding because of a rule
 * @param open stretches in which a rule that waits for something to happen may act, as far as the time goes
 * @param modes what the modes are, from when on
 * @param fired when rules fire by clock and sun
 */
@RecordBuilder
public record RuleWeek(
        String zone,
        boolean sunKnown,
        List<WeekDay> days,
        List<WeekBar> bars,
        List<WeekBar> open,
        List<WeekMode> modes,
        List<WeekMoment> fired)
        implements RuleWeekBuilder.With {
    private static final int MINUTE_S = 60;
    private static final int DAYS = 7;

    /**
     * A day of the week.
     *
     * @param riseMin minute at which the sun rises, or null
     * @param setMin minute at which it sets, or null
     * @param dark whether it is down all day where it does neither
     * @param hours 24, or 23 and 25 where the clock is changed
     * @param quiet stretches of quiet hours, each as two minutes of the day
     */
    public record WeekDay(
            LocalDate date,
            @Nullable Integer riseMin,
            @Nullable Integer setMin,
            boolean dark,
            double hours,
            List<List<Integer>> quiet) {}

    /**
     * A stretch of a day.
     *
     * @param day from 0 for Monday
     * @param fromMin minute of the clock at which it begins, 0 to 1439
     * @param toMin minute at which it ends, 1 to 1440
     * @param device id of the device, or null where it is about the rule
     */
    public record WeekBar(
            int day, int fromMin, int toMin, @Nullable String device, String rule) {}

    /** A mode that takes a value. */
    public record WeekMode(int day, int minute, String mode, String value) {}

    /** A rule fires. */
    public record WeekMoment(int day, int minute, String rule) {}

    /** The week in which a day lies. */
    public static RuleWeek of(Plan plan, Sky sky, LocalDate someDay) {
        LocalDate monday = someDay.minusDays(someDay.getDayOfWeek().getValue() - 1L);
        ZonedDateTime begins = monday.atStartOfDay(sky.zone());
        LiveRules live = LiveRules.of(plan);
        // a week before, so that what began on Sunday is there on Monday
        Interpreter house = new Interpreter(plan, live, sky, begins.minusDays(DAYS));
        house.until(begins.plusDays(DAYS).minusSeconds(1));
        List<WeekBar> bars = new ArrayList<>();
        Map<String, Happening> on = new LinkedHashMap<>();
        List<WeekMode> modes = new ArrayList<>();
        List<WeekMoment> fired = new ArrayList<>();
        for (Happening h : house.happened()) {
            ZonedDateTime then = h.at().atZone(sky.zone());
            if (h.kind() == Happening.Kind.FIRED && !then.isBefore(begins)) {
                fired.add(new WeekMoment(
                        then.getDayOfWeek().getValue() - 1,
                        then.getHour() * MINUTE_S + then.getMinute(),
                        String.valueOf(h.rule())));
            }
            String device = h.device();
            if (device != null && h.reading() != null) {
                Happening since = on.remove(device);
                if (since != null) {
                    split(bars, begins, since, h.at().atZone(sky.zone()));
                }
                if (h.reading() == Reading.ACTIVE) {
                    on.put(device, h);
                }
            } else if (h.action() != null && h.action().mode() != null) {
                ZonedDateTime at = h.at().atZone(sky.zone());
                if (!at.isBefore(begins)) {
                    modes.add(new WeekMode(
                            at.getDayOfWeek().getValue() - 1,
                            at.getHour() * MINUTE_S + at.getMinute(),
                            h.action().mode(),
                            String.valueOf(h.action().value())));
                }
            }
        }
        on.values().forEach(h -> split(bars, begins, h, begins.plusDays(DAYS)));
        List<WeekDay> days = new ArrayList<>();
        List<WeekBar> open = new ArrayList<>();
        for (int d = 0; d < DAYS; d++) {
            LocalDate date = monday.plusDays(d);
            Sky.Day sun = sky.day(date);
            Duration length = Duration.between(
                    date.atStartOfDay(sky.zone()), date.plusDays(1).atStartOfDay(sky.zone()));
            days.add(new WeekDay(
                    date,
                    sun.riseMin(),
                    sun.setMin(),
                    sun.darkWithout(),
                    length.toMinutes() / 60.0,
                    quiet(plan, date)));
            int day = d;
            live.rules().forEach((id, rule) -> open(open, id, rule, sun, day));
        }
        return RuleWeekBuilder.builder()
                .zone(sky.zone().getId())
                .sunKnown(sky.known())
                .days(days)
                .bars(bars)
                .open(open)
                .modes(modes)
                .fired(fired)
                .build();
    }

    private static void split(List<WeekBar> bars, ZonedDateTime begins, Happening on, ZonedDateTime until) {
        ZonedDateTime from = on.at().atZone(begins.getZone());
        for (int d = 0; d < DAYS; d++) {
            ZonedDateTime day = begins.plusDays(d);
            ZonedDateTime next = begins.plusDays(d + 1L);
            if (!from.isBefore(next) || !until.isAfter(day)) {
                continue;
            }
            int first = from.isBefore(day) ? 0 : from.getHour() * MINUTE_S + from.getMinute();
            int last = until.isBefore(next) ? until.getHour() * MINUTE_S + until.getMinute() : Sky.DAY_MIN;
            bars.add(new WeekBar(
                    d, first, Math.max(first + 1, last), on.device(), Objects.requireNonNullElse(on.rule(), "")));
        }
    }

    private static List<List<Integer>> quiet(Plan plan, LocalDate date) {
        List<List<Integer>> all = new ArrayList<>();
        plan.state().quiet().values().stream()
                .filter(q -> season(q, date.getMonthValue()))
                .forEach(q -> {
                    int begun = -1;
                    for (int m : new TreeSet<>(List.of(0, clock(q.from()), clock(q.to()), Sky.DAY_MIN))) {
                        boolean in = m < Sky.DAY_MIN
                                && Interpreter.within(q.from(), q.to(), q.days(), date.getDayOfWeek(), m);
                        if (in && begun < 0) {
                            begun = m;
                        } else if (!in && begun >= 0) {
                            all.add(List.of(begun, m));
                            begun = -1;
                        }
                    }
                });
        return all;
    }

    /** Whether a month lies in the season of quiet hours. */
    static boolean season(QuietHours q, int month) {
        if (q.fromMonth() == null || q.toMonth() == null) {
            return true;
        }
        return q.fromMonth() <= q.toMonth()
                ? month >= q.fromMonth() && month <= q.toMonth()
                : month >= q.fromMonth() || month <= q.toMonth();
    }

    private static void open(List<WeekBar> open, String id, Rule rule, Sky.Day sun, int day) {
        boolean waits =
                rule.when().stream().anyMatch(t -> t.kind() != Trigger.Kind.CLOCK && t.kind() != Trigger.Kind.SUN);
        boolean timed = rule.onlyIf().stream().anyMatch(RuleWeek::timed)
                || rule.unless().stream().anyMatch(RuleWeek::timed);
        if (!waits || !timed) {
            return;
        }
        TreeSet<Integer> marks = new TreeSet<>(List.of(0, Sky.DAY_MIN));
        Stream.concat(rule.onlyIf().stream(), rule.unless().stream())
                .flatMap(t -> Stream.of(clock(t.from()), clock(t.to())))
                .forEach(marks::add);
        marks.add(sun.riseMin() == null ? 0 : sun.riseMin());
        marks.add(sun.setMin() == null ? 0 : sun.setMin());
        int begun = -1;
        for (int m : marks) {
            boolean may = m < Sky.DAY_MIN && may(rule, sun, DayOfWeek.of(day + 1), m);
            if (may && begun < 0) {
                begun = m;
            } else if (!may && begun >= 0) {
                open.add(new WeekBar(day, begun, m, null, id));
                begun = -1;
            }
        }
    }

    private static int clock(@Nullable String clock) {
        return clock == null ? 0 : Interpreter.clockMinute(clock);
    }

    private static boolean timed(Term t) {
        return t.kind() == Term.Kind.BETWEEN || t.kind() == Term.Kind.DARK;
    }

    private static boolean may(Rule rule, Sky.Day sun, DayOfWeek day, int minute) {
        boolean locked = rule.unless().stream().anyMatch(t -> is(t, sun, day, minute) == Tristate.TRUE);
        if (locked || rule.onlyIf().isEmpty()) {
            return !locked;
        }
        return rule.any()
                ? rule.onlyIf().stream().anyMatch(t -> is(t, sun, day, minute) != Tristate.FALSE)
                : rule.onlyIf().stream().allMatch(t -> is(t, sun, day, minute) != Tristate.FALSE);
    }

    private static Tristate is(Term t, Sky.Day sun, DayOfWeek day, int minute) {
        if (!timed(t)) {
            return Tristate.UNDEF;
        }
        boolean is = t.kind() == Term.Kind.DARK
                ? sun.dark(minute)
                : Interpreter.within(t.from(), t.to(), t.days(), day, minute);
        return Tristate.fromBool(is != t.not());
    }
}
