package org.skelto.core.rules;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.TextStyle;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.rules.Mode;
import org.skelto.core.plan.rules.Press;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;

/** Turns an answer of the solver into things that happen, and looks whether the interpreter comes to the same. */
final class RuleStories {
    /** How long before the moment what must hold is brought about; the first that works is told. */
    private static final List<Duration> AHEAD =
            List.of(Duration.ofMinutes(2), Duration.ofHours(2), Duration.ofHours(30), Duration.ofSeconds(2));

    private static final int STEPS = 40;
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);
    private final Plan plan;
    private final LiveRules live;
    private final Sky sky;
    private final RuleWords words;

    RuleStories(Plan plan, LiveRules live, Sky sky) {
        this.plan = plan;
        this.live = live;
        this.sky = sky;
        this.words = new RuleWords(plan);
    }

    /** What a rule needs at a moment: what is so before, and what happens then. */
    record Setting(
            LocalDateTime at,
            List<HouseEvent> before,
            @Nullable HouseEvent event,
            int leadS,
            String supposed) {}

    /** What an answer says of the rules concerned. */
    Setting setting(RuleTruth truth, String... rules) {
        Map<String, HouseEvent> before = new LinkedHashMap<>();
        List<String> holds = new ArrayList<>();
        for (String device : terms(rules, Term.Kind.IS, Term::device)) {
            boolean is = truth.is("d:" + device);
            before.put(device, HouseEvent.reading(device, is ? Reading.ACTIVE : Reading.IDLE));
            if (is) {
                holds.add(is(device, Reading.ACTIVE));
            }
        }
        for (String id : terms(rules, Term.Kind.MODE, Term::mode)) {
            Mode mode = mode(id);
            for (int i = 0; i < mode.values().size(); i++) {
                if (truth.is("m:" + id + ":" + i)) {
                    before.put("mode " + id, HouseEvent.mode(id, mode.values().get(i)));
                    holds.add(mode.name() + " " + mode.values().get(i));
                }
            }
        }
        for (String device : terms(rules, Term.Kind.VALUE, Term::device)) {
            if (truth.is("k:" + device)) {
                double number = number(truth, device, rules);
                before.put("number " + device, HouseEvent.number(device, number));
                holds.add(name(device) + " at " + plainNumber(number));
            }
        }
        Trigger met = met(truth, rules);
        HouseEvent event = met == null ? null : event(truth, met, rules);
        if (event != null) {
            unlike(event, before);
        }
        List<HouseEvent> all = new ArrayList<>(before.values());
        boolean arrives = met != null && met.kind() == Trigger.Kind.ARRIVES;
        if (met != null && met.kind() == Trigger.Kind.LEAVES || truth.is("home") && !arrives) {
            all.add(HouseEvent.plain(HouseEvent.Kind.ARRIVES));
            holds.add("somebody home");
        }
        int lead = met == null || met.forS() == null ? 0 : met.forS();
        LocalDateTime at = truth.at();
        String moment = at.getDayOfWeek().getDisplayName(TextStyle.SHORT, Locale.ENGLISH)
                + " " + at.getDayOfMonth() + " " + at.getMonth().getDisplayName(TextStyle.FULL, Locale.ENGLISH) + ", "
                + CLOCK.format(at)
                + (sky.day(at.toLocalDate()).dark(at.getHour() * 60 + at.getMinute()) ? ", dark" : ", light");
        return new Setting(at, all, event, lead, moment + (holds.isEmpty() ? "" : ", " + String.join(", ", holds)));
    }

    /** Before something changes it is otherwise. */
    private void unlike(HouseEvent event, Map<String, HouseEvent> before) {
        String device = String.valueOf(event.device());
        if (event.kind() == HouseEvent.Kind.READING && event.reading() != null) {
            Reading other = event.reading() == Reading.ACTIVE ? Reading.IDLE : Reading.ACTIVE;
            before.put(device, HouseEvent.reading(device, other));
        } else if (event.kind() == HouseEvent.Kind.MODE) {
            String id = String.valueOf(event.mode());
            before.remove("mode " + id);
            mode(id).values().stream()
                    .filter(v -> !v.equals(event.value()))
                    .findFirst()
                    .ifPresent(v -> before.put("mode " + id, HouseEvent.mode(id, v)));
        } else if (event.kind() == HouseEvent.Kind.NUMBER) {
            before.remove("number " + device);
        }
    }

    private List<Rule> of(String... rules) {
        return Arrays.stream(rules)
                .map(id -> live.rules().get(id))
                .filter(Objects::nonNull)
                .toList();
    }

    /** The devices or modes that terms of a kind name, each once. */
    private Set<String> terms(String[] rules, Term.Kind kind, Function<Term, @Nullable String> what) {
        Set<String> all = new TreeSet<>();
        for (Rule rule : of(rules)) {
            for (Term t : Stream.concat(rule.onlyIf().stream(), rule.unless().stream())
                    .toList()) {
                String named = t.kind() == kind ? what.apply(t) : null;
                if (named != null) {
                    all.add(named);
                }
            }
        }
        return all;
    }

    private Mode mode(@Nullable String id) {
        return Objects.requireNonNull(plan.state().modes().get(String.valueOf(id)));
    }

    /** The trigger that the answer's event meets, or null where it is the clock or the sun. */
    private @Nullable Trigger met(RuleTruth truth, String... rules) {
        return of(rules).stream()
                .flatMap(r -> r.when().stream())
                .filter(t -> RuleFormulas.events(t).stream().anyMatch(e -> truth.is("e:" + e)))
                .filter(t ->
                        t.kind() != Trigger.Kind.VALUE || beyond(t, number(truth, String.valueOf(t.device()), rules)))
                .filter(t -> t.kind() != Trigger.Kind.MODE || event(truth, t, rules) != null)
                .findFirst()
                .orElse(null);
    }

    private static boolean beyond(Trigger t, double number) {
        return t.above() != null && number > t.above() || t.below() != null && number < t.below();
    }

    private @Nullable HouseEvent event(RuleTruth truth, Trigger t, String... rules) {
        String device = String.valueOf(t.device());
        return switch (t.kind()) {
            case BECOMES -> HouseEvent.reading(device, truth.is("d:" + device) ? Reading.ACTIVE : Reading.IDLE);
            case VALUE -> HouseEvent.number(device, number(truth, device, rules));
            case PRESSED ->
                HouseEvent.press(
                        device,
                        Arrays.stream(Press.values())
                                .filter(p -> truth.is("e:p:" + device + ":" + p))
                                .findFirst()
                                .orElse(Press.SHORT));
            case CODE -> HouseEvent.code(device, t.value() == null ? "any" : t.value());
            case SILENT -> HouseEvent.silent(device);
            case POWER_RETURNS -> HouseEvent.plain(HouseEvent.Kind.POWER_RETURNS);
            case ARRIVES -> HouseEvent.plain(HouseEvent.Kind.ARRIVES);
            case LEAVES -> HouseEvent.plain(HouseEvent.Kind.LEAVES);
            case MODE -> {
                Mode mode = mode(t.mode());
                yield mode.values().stream()
                        .filter(v ->
                                truth.is("e:m:" + t.mode() + ":" + mode.values().indexOf(v)))
                        .filter(v -> t.value() == null || t.value().equals(v))
                        .findFirst()
                        .map(v -> HouseEvent.mode(String.valueOf(t.mode()), v))
                        .orElse(null);
            }
            case CLOCK, SUN -> null;
        };
    }

    /** A number over all marks that it is to be over, under all others. */
    private double number(RuleTruth truth, String device, String... rules) {
        TreeSet<Double> marks = new TreeSet<>();
        for (Rule rule : of(rules)) {
            rule.when().stream()
                    .filter(t -> device.equals(t.device()))
                    .flatMap(t -> Stream.of(Optional.ofNullable(t.above()), Optional.ofNullable(t.below())))
                    .forEach(m -> m.ifPresent(marks::add));
            Stream.concat(rule.onlyIf().stream(), rule.unless().stream())
                    .filter(t -> device.equals(t.device()))
                    .flatMap(t -> Stream.of(Optional.ofNullable(t.above()), Optional.ofNullable(t.below())))
                    .forEach(m -> m.ifPresent(marks::add));
        }
        Double low = null;
        Double high = null;
        for (Double mark : marks) {
            if (truth.is("gt:" + device + ":" + mark)) {
                low = mark;
            } else if (truth.is("ge:" + device + ":" + mark)) {
                return mark;
            } else if (high == null) {
                high = mark;
            }
        }
        return low == null ? high == null ? 0 : high - 1 : high == null ? low + 1 : (low + high) / 2;
    }

    /**
     * The story of one event that a setting leads to.
     *
     * @param moreS seconds that are watched after it
     * @param rules ids of the rules that are told of
     * @param shown whether what came about from the event on is what was to be shown
     */
    @Nullable
    RuleStory of(Setting setting, int moreS, Set<String> rules, Predicate<List<Happening>> shown) {
        for (Duration ahead : AHEAD) {
            ZonedDateTime at = setting.at().atZone(sky.zone());
            ZonedDateTime begin = at.minusSeconds(setting.leadS()).minus(ahead);
            Interpreter house = new Interpreter(plan, live, sky, begin);
            setting.before().forEach(house::happen);
            int from = happens(house, setting, at);
            house.until(at.plusSeconds(moreS));
            List<Happening> since =
                    house.happened().subList(from, house.happened().size());
            if (shown.test(since)) {
                return told(setting.supposed(), rules, since);
            }
        }
        return null;
    }

    /** Lets the event of a setting happen; the number of what had come about before it. */
    private static int happens(Interpreter house, Setting setting, ZonedDateTime at) {
        ZonedDateTime moment = at.minusSeconds(setting.leadS());
        house.until(moment.minusSeconds(1));
        int from = house.happened().size();
        if (setting.event() == null) {
            house.until(at);
        } else {
            house.until(moment);
            house.happen(setting.event());
            house.until(at);
        }
        return from;
    }

    /**
     * The story of two events, the first so many seconds before the second.
     *
     * @param gaps seconds between them, tried in turn
     * @param moreS seconds that are watched after the second
     * @param rules ids of the rules that are told of
     */
    @Nullable
    RuleStory of(
            Setting first,
            Setting second,
            List<Integer> gaps,
            int moreS,
            Set<String> rules,
            Predicate<List<Happening>> shown) {
        for (int gap : gaps) {
            // one of the two may hang on the clock: the other one moves
            boolean clock = second.event() == null;
            ZonedDateTime two = clock || first.event() != null
                    ? second.at().atZone(sky.zone())
                    : first.at().atZone(sky.zone()).plusSeconds(gap);
            ZonedDateTime one = two.minusSeconds(gap);
            ZonedDateTime begin = one.minusSeconds(first.leadS()).minusMinutes(2);
            Interpreter house = new Interpreter(plan, live, sky, begin);
            first.before().forEach(house::happen);
            int from = happens(house, first, one);
            for (HouseEvent event : second.before()) {
                house.happen(event);
            }
            happens(house, second, two);
            house.until(two.plusSeconds(moreS));
            List<Happening> since =
                    house.happened().subList(from, house.happened().size());
            if (shown.test(since)) {
                return told(second.supposed(), rules, since);
            }
        }
        return null;
    }

    // --- words

    private RuleStory told(String supposed, Set<String> rules, List<Happening> happened) {
        List<RuleStory.StoryStep> steps = new ArrayList<>();
        for (Happening h : happened) {
            if (h.rule() != null && !rules.contains(h.rule())) {
                continue;
            }
            if (steps.size() == STEPS) {
                break;
            }
            LocalDateTime at = h.at().atZone(sky.zone()).toLocalDateTime();
            steps.add(step(h, at));
        }
        return new RuleStory(supposed, List.copyOf(steps));
    }

    private RuleStory.StoryStep step(Happening h, LocalDateTime at) {
        String rule = h.rule() == null ? null : "/rules/" + h.rule();
        String called = h.rule() == null || !plan.rules().containsKey(h.rule())
                ? ""
                : "\"" + plan.rules().get(h.rule()).name() + "\"";
        return switch (h.kind()) {
            case EVENT ->
                new RuleStory.StoryStep(
                        at, event(h.event()), h.device() == null ? null : "/devices/" + h.device(), true);
            case FIRED -> new RuleStory.StoryStep(at, called + " fires", rule, false);
            case KEPT_BACK -> new RuleStory.StoryStep(at, called + " is kept back", rule, false);
            case ACTED ->
                new RuleStory.StoryStep(
                        at,
                        called + ": "
                                + (h.action() == null
                                        ? "acts"
                                        : words.action(h.action()).text()),
                        h.device() == null ? rule : "/devices/" + h.device(),
                        false);
            case WENT_BACK ->
                new RuleStory.StoryStep(
                        at,
                        becomes(h.device(), h.reading()) + ", the time of " + called + " is over",
                        "/devices/" + h.device(),
                        false);
            case ENDLESS -> new RuleStory.StoryStep(at, "and so on without end", null, false);
        };
    }

    private String event(@Nullable HouseEvent e) {
        if (e == null) {
            return "";
        }
        return switch (e.kind()) {
            case READING -> becomes(e.device(), e.reading());
            case NUMBER -> name(e.device()) + " measures " + plainNumber(e.number() == null ? 0 : e.number());
            case PRESS ->
                name(e.device()) + " is pressed "
                        + (e.press() == null ? "" : e.press().name().toLowerCase(Locale.ROOT));
            case CODE -> name(e.device()) + " reads the code \"" + e.value() + "\"";
            case SEES ->
                name(e.device())
                        + (e.reading() == Reading.ACTIVE ? " has somebody before it" : " has nobody before it");
            case PHONE -> e.reading() == Reading.ACTIVE ? "a phone is seen" : "a phone is gone";
            case FALLS_SILENT -> "nothing more is heard of " + name(e.device());
            case POWER_RETURNS -> "the mains is back";
            case MODE -> {
                yield mode(e.mode()).name() + " becomes " + e.value();
            }
            case ARRIVES -> "the first comes home";
            case LEAVES -> "the last one leaves";
        };
    }

    private String becomes(@Nullable String device, @Nullable Reading reading) {
        Device d = device == null ? null : plan.devices().get(device);
        return d == null || reading == null
                ? device + " changes"
                : d.name() + " " + ReadingWords.becomes(d.kind(), reading);
    }

    private String is(String device, Reading reading) {
        Device d = plan.devices().get(device);
        return d == null
                ? device
                : d.name() + " " + ReadingWords.is(d.kind(), reading).replaceFirst("^is ", "");
    }

    private String name(@Nullable String device) {
        Device d = device == null ? null : plan.devices().get(device);
        return d == null ? String.valueOf(device) : d.name();
    }

    private static String plainNumber(double number) {
        return number == Math.rint(number) ? String.valueOf((long) number) : String.valueOf(number);
    }
}
