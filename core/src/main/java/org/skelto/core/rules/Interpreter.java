package org.skelto.core.rules;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.SortedSet;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Mode;
import org.skelto.core.plan.rules.Presence;
import org.skelto.core.plan.rules.PresenceSource;
import org.skelto.core.plan.rules.Press;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Sun;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.work.ComputingBudget;

/**
 * Carries rules out on a clock: what happens in the house when something happens to it.
 *
 * <p>What it takes for granted, and docs/calculations.md says: rules act at once and in the order of their ids; every
 * device starts idle and every mode with its first value; an action for a time ends with the opposite, and a later action on
 * the same device ends that time; a rule that fires again while it waits begins anew; interlocks are asked before each action;
 * a rule that names what the plan does not have never fires. A time of day that the clock leaves out is the one as much
 * later, one that comes twice is the first. What
 * sensors say within their warm-up after power came back is passed over. Presence is what it is told, and where events say what
 * is before the sensors, their vote.
 */
public final class Interpreter {
    /** So much may follow from one another in an instant. */
    private static final int CHAIN = 300;

    private static final int MINUTE_S = 60;

    /** Minutes for which a presence source counts where nobody said otherwise. */
    private static final int HOLD_MIN = 10;

    private final Plan plan;
    private final LiveRules live;
    private final Sky sky;
    private final List<Happening> happened = new ArrayList<>();
    private final Map<String, Reading> readings = new HashMap<>();
    private final Map<String, Double> numbers = new HashMap<>();
    private final Map<String, String> modes = new HashMap<>();
    private final Map<String, Long> fired = new HashMap<>();
    private final Set<Ref> crossed = new HashSet<>();
    private final PriorityQueue<Due> due =
            new PriorityQueue<>(Comparator.comparingLong(Due::at).thenComparingLong(Due::number));
    private final Map<Object, Due> standing = new HashMap<>();
    private final Deque<Runnable> following = new ArrayDeque<>();
    private final Map<Integer, Long> spoke = new HashMap<>();
    private boolean home;
    private long poweredAt = Long.MIN_VALUE;
    private long now;
    private LocalDate day;
    private List<Daily> agenda = List.of();
    private int nextOfDay;
    private long numbered;

    /** A trigger of a rule. */
    record Ref(String rule, int trigger) {}

    /** A rule's later actions that wait. */
    private record Waiting(String rule) {}

    /** A rule that fires again while what set it off stays so. */
    private record Again(Ref ref) {}

    /** What goes back. */
    private record Back(String device) {}

    /** What a sensor goes on saying for a while after nobody is before it. */
    private record Lingers(String device) {}

    /** A presence source that counts for a while after it last spoke. */
    private record Counts(int source) {}

    /** A moment of the calendar. */
    private record Daily(long at, Ref ref) {}

    /** Something that comes about at a second, unless it was given up before. */
    private record Due(long at, long number, Object what, String rule, Runnable run) {}

    /** Rules from a moment on, with nothing switched on. */
    public Interpreter(Plan plan, LiveRules live, Sky sky, ZonedDateTime from) {
        this.plan = plan;
        this.live = live;
        this.sky = sky;
        this.now = from.toEpochSecond();
        this.day = from.withZoneSameInstant(sky.zone()).toLocalDate();
        plan.state().modes().forEach((id, mode) -> {
            if (!mode.values().isEmpty()) {
                modes.put(id, mode.values().get(0));
            }
        });
        agenda = agenda();
        while (nextOfDay < agenda.size() && agenda.get(nextOfDay).at() < now) {
            nextOfDay++;
        }
    }

    /** All that came about so far. */
    public List<Happening> happened() {
        return happened;
    }

    /** The reading of a device now. */
    public Reading reading(String device) {
        return readings.getOrDefault(device, Reading.IDLE);
    }

    /** The moment that it is. */
    public ZonedDateTime now() {
        return Instant.ofEpochSecond(now).atZone(sky.zone());
    }

    // --- time

    /** Lets time pass up to a moment, which is taken in. Earlier moments change nothing. */
    public void until(ZonedDateTime moment) {
        long to = moment.toEpochSecond();
        while (true) {
            Due timed = due.peek();
            Daily daily = nextDaily(to);
            if (daily != null && (timed == null || daily.at() <= timed.at())) {
                if (daily.at() > to) {
                    break;
                }
                now = Math.max(now, daily.at());
                fireAll(sameMoment(daily.at()));
            } else {
                if (timed == null || timed.at() > to) {
                    break;
                }
                due.poll();
                if (!standing.remove(timed.what(), timed)) {
                    continue;
                }
                now = Math.max(now, timed.at());
                timed.run().run();
            }
            settle();
        }
        now = Math.max(now, to);
    }

    /** The next thing of the calendar up to a second, days being turned over as needed. */
    private @Nullable Daily nextDaily(long to) {
        if (live.timed().isEmpty()) {
            return null;
        }
        while (nextOfDay >= agenda.size()) {
            long tomorrow = day.plusDays(1).atStartOfDay(sky.zone()).toEpochSecond();
            if (tomorrow > to) {
                return null;
            }
            day = day.plusDays(1);
            agenda = agenda();
            nextOfDay = 0;
        }
        return agenda.get(nextOfDay);
    }

    /** Triggers that the calendar meets at one moment. */
    private List<Ref> sameMoment(long at) {
        List<Ref> refs = new ArrayList<>();
        while (nextOfDay < agenda.size() && agenda.get(nextOfDay).at() == at) {
            refs.add(agenda.get(nextOfDay++).ref());
        }
        return refs;
    }

    /** What the clock and the sun set off on a day, in order. */
    private List<Daily> agenda() {
        ComputingBudget.step();
        List<Daily> all = new ArrayList<>();
        for (Ref ref : live.timed()) {
            Trigger t = live.trigger(ref);
            ZonedDateTime at = moment(t);
            if (at != null) {
                all.add(new Daily(at.toEpochSecond(), ref));
            }
        }
        all.sort(Comparator.comparingLong(Daily::at));
        return all;
    }

    private @Nullable ZonedDateTime moment(Trigger t) {
        if (t.kind() == Trigger.Kind.CLOCK) {
            return t.clock() == null
                    ? null
                    : day.atTime(LocalTime.parse(t.clock())).atZone(sky.zone());
        }
        Integer minute = sky.day(day).at(t.sun() == null ? Sun.SETS : t.sun());
        return minute == null
                ? null
                : day.atTime(minute / MINUTE_S, minute % MINUTE_S)
                        .atZone(sky.zone())
                        .plusMinutes(t.offsetMin() == null ? 0 : t.offsetMin());
    }

    private void later(int seconds, Object what, String rule, Runnable run) {
        Due later = new Due(now + seconds, numbered++, what, rule, run);
        standing.put(what, later);
        due.add(later);
    }

    // --- events

    /** Something happens now; all that follows at once is carried out. */
    public void happen(HouseEvent event) {
        note(Happening.Kind.EVENT, event, null, -1, null, event.device(), event.reading());
        switch (event.kind()) {
            case READING -> {
                if (event.device() != null && event.reading() != null && !warmsUp(event.device())) {
                    take(event.device(), event.reading());
                }
            }
            case SEES -> {
                if (event.device() != null && event.reading() != null) {
                    sees(event.device(), event.reading());
                }
            }
            case PHONE -> {
                if (event.value() != null && event.reading() != null) {
                    speaks(Integer.parseInt(event.value()), event.reading() == Reading.ACTIVE);
                }
            }
            case NUMBER -> {
                if (event.device() != null && event.number() != null) {
                    measure(event.device(), event.number());
                }
            }
            case PRESS -> press(event);
            case CODE -> code(event);
            case FALLS_SILENT -> silence(event.device());
            case MODE -> {
                if (event.mode() != null && event.value() != null) {
                    setMode(event.mode(), event.value());
                }
            }
            case POWER_RETURNS -> {
                poweredAt = now;
                following.add(() -> fireAll(live.of(Trigger.Kind.POWER_RETURNS)));
            }
            case ARRIVES -> home(true);
            case LEAVES -> home(false);
        }
        settle();
    }

    private void home(boolean somebody) {
        if (home != somebody) {
            home = somebody;
            following.add(() -> fireAll(live.of(somebody ? Trigger.Kind.ARRIVES : Trigger.Kind.LEAVES)));
        }
    }

    /** Whether somebody is at home, as far as the house knows. */
    public boolean home() {
        return home;
    }

    // --- sensors as they are built, and the vote on who is at home

    /** Whether what a sensor says means nothing yet, because its power came back only just now. */
    private boolean warmsUp(String device) {
        Device d = plan.devices().get(device);
        Double warm = d == null ? null : d.known().warmUpS();
        return warm != null && poweredAt != Long.MIN_VALUE && now - poweredAt < warm;
    }

    private void sees(String device, Reading reading) {
        if (warmsUp(device)) {
            return;
        }
        Device d = plan.devices().get(device);
        Double hold = d == null ? null : d.known().holdS();
        if (reading == Reading.IDLE && hold != null && hold > 0) {
            later((int) Math.ceil(hold), new Lingers(device), "", () -> take(device, Reading.IDLE));
        } else {
            standing.remove(new Lingers(device));
            take(device, reading);
        }
        Presence presence = plan.state().presence();
        for (int i = 0; presence != null && i < presence.sources().size(); i++) {
            PresenceSource source = presence.sources().get(i);
            if (device.equals(source.device())) {
                speaks(i, reading == Reading.ACTIVE || source.kind() == PresenceSource.Kind.LOCK_WORKED);
            }
        }
    }

    /** A source counts while it speaks and for its hold time after that; with enough of them somebody is at home. */
    private void speaks(int source, boolean now) {
        Presence presence = plan.state().presence();
        if (presence == null || source < 0 || source >= presence.sources().size()) {
            return;
        }
        boolean once = presence.sources().get(source).kind() == PresenceSource.Kind.LOCK_WORKED;
        standing.remove(new Counts(source));
        if (now) {
            spoke.put(source, this.now);
        }
        if ((!now || once) && spoke.containsKey(source)) {
            int hold = MINUTE_S * (presence.holdMin() == null ? HOLD_MIN : presence.holdMin());
            later(hold, new Counts(source), "", () -> {
                spoke.remove(source);
                vote(presence);
            });
        }
        vote(presence);
    }

    private void vote(Presence presence) {
        home(spoke.size() >= (presence.votes() == null ? 1 : presence.votes()));
    }

    private void settle() {
        int steps = 0;
        while (!following.isEmpty()) {
            if (steps++ > CHAIN) {
                following.clear();
                note(Happening.Kind.ENDLESS, null, null, -1, null, null, null);
                return;
            }
            following.poll().run();
        }
    }

    private void take(String device, Reading reading) {
        if (reading(device) == reading) {
            return;
        }
        readings.put(device, reading);
        List<Ref> met = new ArrayList<>();
        for (Ref ref : live.about(device)) {
            Trigger t = live.trigger(ref);
            if (t.kind() == Trigger.Kind.SILENT) {
                standing.remove(ref);
            } else if (t.kind() == Trigger.Kind.BECOMES) {
                if (t.reading() == null || t.reading() == reading) {
                    lastsThenFires(ref, t, met);
                } else {
                    standing.remove(ref);
                }
            }
        }
        following.add(() -> fireAll(met));
    }

    private void lastsThenFires(Ref ref, Trigger t, List<Ref> met) {
        if (t.forS() == null || t.forS() == 0) {
            met.add(ref);
        } else {
            later(t.forS(), ref, ref.rule(), () -> fireAll(List.of(ref)));
        }
    }

    private void measure(String device, double number) {
        numbers.put(device, number);
        List<Ref> met = new ArrayList<>();
        for (Ref ref : live.about(device)) {
            Trigger t = live.trigger(ref);
            if (t.kind() == Trigger.Kind.SILENT) {
                standing.remove(ref);
            }
            if (t.kind() != Trigger.Kind.VALUE) {
                continue;
            }
            if (beyond(t, number)) {
                if (crossed.add(ref)) {
                    lastsThenFires(ref, t, met);
                }
            } else {
                standing.remove(ref);
                double back = t.hysteresis() == null ? 0 : t.hysteresis();
                boolean wellBack = (t.above() == null || number <= t.above() - back)
                        && (t.below() == null || number >= t.below() + back);
                if (wellBack) {
                    crossed.remove(ref);
                }
            }
        }
        following.add(() -> fireAll(met));
    }

    private static boolean beyond(Trigger t, double number) {
        return t.above() != null && number > t.above() || t.below() != null && number < t.below();
    }

    private void press(HouseEvent event) {
        Press press = event.press() == null ? Press.SHORT : event.press();
        if (event.device() == null) {
            return;
        }
        List<Ref> met = new ArrayList<>();
        for (Ref ref : live.about(event.device())) {
            Trigger t = live.trigger(ref);
            if (t.kind() == Trigger.Kind.PRESSED && (t.press() == null || t.press() == press)) {
                met.add(ref);
            }
        }
        following.add(() -> fireAll(met));
    }

    private void code(HouseEvent event) {
        if (event.device() == null) {
            return;
        }
        List<Ref> met = new ArrayList<>();
        for (Ref ref : live.about(event.device())) {
            Trigger t = live.trigger(ref);
            if (t.kind() == Trigger.Kind.CODE && (t.value() == null || t.value().equals(event.value()))) {
                met.add(ref);
            }
        }
        following.add(() -> fireAll(met));
    }

    private void silence(@Nullable String device) {
        if (device == null) {
            return;
        }
        for (Ref ref : live.about(device)) {
            Trigger t = live.trigger(ref);
            if (t.kind() == Trigger.Kind.SILENT && t.forS() != null) {
                later(t.forS(), ref, ref.rule(), () -> fireAll(List.of(ref)));
            }
        }
    }

    private void setMode(String mode, String value) {
        Mode known = plan.state().modes().get(mode);
        if (known == null || !known.values().contains(value) || value.equals(modes.put(mode, value))) {
            return;
        }
        List<Ref> met = new ArrayList<>();
        for (Ref ref : live.of(Trigger.Kind.MODE)) {
            Trigger t = live.trigger(ref);
            if (mode.equals(t.mode()) && (t.value() == null || t.value().equals(value))) {
                met.add(ref);
            }
        }
        following.add(() -> fireAll(met));
    }

    // --- rules

    /** Rules that one event sets off: each asks its conditions before any of them acts. */
    private void fireAll(List<Ref> refs) {
        List<Ref> allowed = new ArrayList<>();
        for (Ref ref : refs) {
            Rule rule = live.rules().get(ref.rule());
            if (rule == null || allowed.stream().anyMatch(r -> r.rule().equals(ref.rule()))) {
                continue;
            }
            Long last = fired.get(ref.rule());
            boolean rests = last != null && rule.restS() != null && now < last + rule.restS();
            if (rests || !allowed(rule)) {
                note(Happening.Kind.KEPT_BACK, null, ref.rule(), ref.trigger(), null, null, null);
            } else {
                allowed.add(ref);
            }
        }
        for (Ref ref : allowed) {
            Rule rule = Objects.requireNonNull(live.rules().get(ref.rule()));
            fired.put(ref.rule(), now);
            note(Happening.Kind.FIRED, null, ref.rule(), ref.trigger(), null, null, null);
            standing.remove(new Waiting(ref.rule()));
            again(ref, rule);
            act(ref.rule(), rule, 0);
        }
    }

    private void again(Ref ref, Rule rule) {
        if (rule.repeatS() != null && ref.trigger() >= 0 && lasts(ref)) {
            later(rule.repeatS(), new Again(ref), ref.rule(), () -> {
                if (lasts(ref)) {
                    again(ref, rule);
                    fireAll(List.of(ref));
                }
            });
        }
    }

    /** Whether the reading or the value that set a rule off is still so. */
    private boolean lasts(Ref ref) {
        Trigger t = live.trigger(ref);
        return t.kind() == Trigger.Kind.VALUE && crossed.contains(ref)
                || t.kind() == Trigger.Kind.BECOMES
                        && t.device() != null
                        && t.reading() != null
                        && reading(t.device()) == t.reading();
    }

    private boolean allowed(Rule rule) {
        boolean conditions = rule.onlyIf().isEmpty()
                || (rule.any()
                        ? rule.onlyIf().stream().anyMatch(this::holds)
                        : rule.onlyIf().stream().allMatch(this::holds));
        return conditions && rule.unless().stream().noneMatch(this::holds);
    }

    private void act(String id, Rule rule, int from) {
        for (int i = from; i < rule.then().size(); i++) {
            Action action = rule.then().get(i);
            if (i > 0 && rule.unless().stream().anyMatch(this::holds)) {
                note(Happening.Kind.KEPT_BACK, null, id, -1, action, null, null);
                return;
            }
            if (action.kind() == Action.Kind.WAIT) {
                int next = i + 1;
                later(action.forS() == null ? 0 : action.forS(), new Waiting(id), id, () -> act(id, rule, next));
                return;
            }
            carryOut(id, action);
        }
    }

    private void carryOut(String id, Action action) {
        switch (action.kind()) {
            case SET -> {
                if (action.reading() != null) {
                    RuleTargets.of(plan, action).forEach(d -> set(id, action, d, action.reading()));
                }
            }
            case LEVEL -> {
                Reading reading = action.percent() == null || action.percent() == 0 ? Reading.IDLE : Reading.ACTIVE;
                RuleTargets.of(plan, action).forEach(d -> set(id, action, d, reading));
            }
            case PULSE ->
                RuleTargets.of(plan, action)
                        .forEach(d -> note(Happening.Kind.ACTED, null, id, -1, action, d, reading(d)));
            case MODE -> {
                note(Happening.Kind.ACTED, null, id, -1, action, null, null);
                if (action.mode() != null && action.value() != null) {
                    setMode(action.mode(), action.value());
                }
            }
            case RULE -> {
                String other = action.rule();
                if (other != null) {
                    following.add(() -> fireAll(List.of(new Ref(other, -1))));
                }
            }
            case TELL -> note(Happening.Kind.ACTED, null, id, -1, action, null, null);
            case WAIT -> throw new IllegalArgumentException("a pause is no action of its own");
        }
    }

    private void set(String id, Action action, String device, Reading reading) {
        Back back = new Back(device);
        standing.remove(back);
        note(Happening.Kind.ACTED, null, id, -1, action, device, reading);
        take(device, reading);
        int holds = holds(action);
        if (holds > 0) {
            later(holds, back, id, () -> {
                Reading opposite = reading == Reading.ACTIVE ? Reading.IDLE : Reading.ACTIVE;
                note(Happening.Kind.WENT_BACK, null, id, -1, action, device, opposite);
                take(device, opposite);
            });
        }
    }

    /** Seconds after which an action goes back; none where it stays. */
    private int holds(Action action) {
        if (action.until() == null) {
            return action.forS() == null ? 0 : action.forS();
        }
        ZonedDateTime local = now();
        ZonedDateTime end =
                local.toLocalDate().atTime(LocalTime.parse(action.until())).atZone(sky.zone());
        if (!end.isAfter(local)) {
            end = local.toLocalDate()
                    .plusDays(1)
                    .atTime(LocalTime.parse(action.until()))
                    .atZone(sky.zone());
        }
        return (int) (end.toEpochSecond() - now);
    }

    private boolean holds(Term t) {
        return t.not() != is(t);
    }

    private boolean is(Term t) {
        return switch (t.kind()) {
            case IS -> t.device() != null && (t.reading() == null || reading(t.device()) == t.reading());
            case VALUE -> {
                Double number = t.device() == null ? null : numbers.get(t.device());
                yield number != null
                        && (t.above() == null || number > t.above())
                        && (t.below() == null || number < t.below());
            }
            case BETWEEN -> {
                ZonedDateTime local = now();
                yield within(t.from(), t.to(), t.days(), local.getDayOfWeek(), minute(local));
            }
            case DARK -> {
                ZonedDateTime local = now();
                yield sky.day(local.toLocalDate()).dark(minute(local));
            }
            case MODE -> t.mode() != null && t.value() != null && t.value().equals(modes.get(t.mode()));
            case HOME -> home;
            case HOLDS ->
                standing.values().stream()
                        .anyMatch(d -> !(d.what() instanceof Ref)
                                && !(d.what() instanceof Again)
                                && d.rule().equals(t.rule()));
        };
    }

    private static int minute(ZonedDateTime local) {
        return local.getHour() * MINUTE_S + local.getMinute();
    }

    /**
     * Whether a minute of a day of the week lies in hours that may pass midnight.
     *
     * @param days on which they begin; empty means every day
     */
    static boolean within(
            @Nullable String from, @Nullable String to, SortedSet<DayOfWeek> days, DayOfWeek day, int minute) {
        boolean today = days.isEmpty() || days.contains(day);
        if (from == null || to == null) {
            return today;
        }
        int begins = clockMinute(from);
        int ends = clockMinute(to);
        if (begins < ends) {
            return today && minute >= begins && minute < ends;
        }
        boolean yesterday = days.isEmpty() || days.contains(day.minus(1));
        return minute >= begins ? today : minute < ends && yesterday;
    }

    /** Minute of the day of a clock such as 21:40. */
    static int clockMinute(String clock) {
        return Integer.parseInt(clock.substring(0, 2)) * MINUTE_S + Integer.parseInt(clock.substring(3, 5));
    }

    private void note(
            Happening.Kind kind,
            @Nullable HouseEvent event,
            @Nullable String rule,
            int trigger,
            @Nullable Action action,
            @Nullable String device,
            @Nullable Reading reading) {
        happened.add(HappeningBuilder.builder()
                .kind(kind)
                .at(Instant.ofEpochSecond(now))
                .event(event)
                .rule(rule)
                .trigger(trigger)
                .action(action)
                .device(device)
                .reading(reading)
                .build());
    }
}
