package org.skelto.core.rules;

import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.Mode;
import org.skelto.core.plan.rules.QuietHours;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.plan.site.Place;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/**
 * What is wrong with rules before they are built: a solver is asked whether two of them can meet, and what it answers is
 * carried out by the interpreter before it is told as a story.
 *
 * <p>What the solver is told is wider than what can be: sensors may say anything at any moment, one thing happens at a time,
 * and what only rules can change is bounded by what rules that can fire make of it. So what it calls impossible is proven;
 * what it calls possible is told as reachable only with a story that the interpreter agrees with.
 */
public final class RuleAnalysis {
    private static final Set<DeviceKind.Family> LOADS = Set.of(
            DeviceKind.Family.LOAD, DeviceKind.Family.BARRIER, DeviceKind.Family.VALVE, DeviceKind.Family.SOUNDER);
    private static final Set<Way> OTHER_WAYS = EnumSet.complementOf(EnumSet.of(Way.RULE));
    private static final int DAY_S = 86_400;
    private static final String FIRES = "fires";
    private static final String BOTH = "both fire";
    private final Plan plan;
    private final LiveRules live;
    private final Sky sky;
    private final RuleSolver solver;
    private final RuleStories stories;
    private final List<RuleFinding> found = new ArrayList<>();
    private final List<RuleSolver.Bound> bounds = new ArrayList<>();
    private final Set<String> never = new TreeSet<>();
    private final Map<String, List<RuleEffect>> effects = new TreeMap<>();
    private final Map<String, List<RuleEffect>> byDevice = new LinkedHashMap<>();

    private RuleAnalysis(Plan plan, Sky sky, RuleSolver.Memory memory) {
        this.plan = plan;
        this.sky = sky;
        this.live = LiveRules.of(plan);
        this.solver = new RuleSolver(plan, live, sky, memory);
        this.stories = new RuleStories(plan, live, sky);
        live.rules().forEach((id, rule) -> effects.put(id, RuleEffect.of(plan, id, rule)));
        effects.values()
                .forEach(of -> of.forEach(e -> byDevice.computeIfAbsent(e.device(), d -> new ArrayList<>())
                        .add(e)));
    }

    /** Everything that is found about the rules of a plan. */
    public static List<RuleFinding> of(Plan plan, Sky sky) {
        return after(null, plan, sky).found();
    }

    /**
     * Everything that is found, with what need not be asked again.
     *
     * @param before what was found about an earlier plan, or null
     */
    public static Judged after(@Nullable Judged before, Plan plan, Sky sky) {
        RuleSolver.Memory memory = new RuleSolver.Memory(before == null ? null : before.memory);
        return new Judged(new RuleAnalysis(plan, sky, memory).all(), memory);
    }

    /**
     * The first thing that would be found about rules that are not in the plan yet, or null.
     *
     * @param before what was found about the plan
     * @param made by ids that the plan does not use
     */
    static @Nullable RuleFinding against(Judged before, Plan plan, Sky sky, Map<String, Rule> made) {
        Map<String, Rule> both = new TreeMap<>(plan.rules());
        both.putAll(made);
        return after(before, plan.withRules(both), sky).found().stream()
                .filter(f -> f.rules().stream().anyMatch(made::containsKey))
                .findFirst()
                .orElse(null);
    }

    /** What was found about the rules of a plan, and what was asked for it. */
    public static final class Judged {
        private final List<RuleFinding> found;
        private final RuleSolver.Memory memory;

        private Judged(List<RuleFinding> found, RuleSolver.Memory memory) {
            this.found = found;
            this.memory = memory;
        }

        public List<RuleFinding> found() {
            return found;
        }
    }

    private List<RuleFinding> all() {
        if (live.rules().isEmpty()) {
            return List.of();
        }
        bound();
        never.forEach(id -> found.add(RuleFindingBuilder.builder()
                .kind(RuleFinding.Kind.NEVER)
                .proof(RuleFinding.Proof.PROVEN)
                .rules(List.of(id))
                .action(-1)
                .says("It can never fire.")
                .build()));
        always();
        clashes();
        cuts();
        shadowed();
        loops();
        avoided();
        sounds();
        twice();
        return List.copyOf(found);
    }

    // --- what only rules change

    /** Values of what only rules change: those that rules which can fire give it, found from nothing upwards. */
    private void bound() {
        Map<String, Set<Boolean>> readings = new TreeMap<>();
        plan.devices().forEach((id, d) -> {
            if (onlyRules(d)) {
                readings.put(id, new HashSet<>(Set.of(false)));
            }
        });
        Map<String, Set<String>> values = new TreeMap<>();
        plan.state().modes().forEach((id, mode) -> {
            if (!mode.byHand() && !mode.values().isEmpty()) {
                values.put(id, new HashSet<>(Set.of(mode.values().get(0))));
            }
        });
        Set<String> holding = new HashSet<>();
        Set<String> waiting = new TreeSet<>(live.rules().keySet());
        boolean more = true;
        while (more) {
            more = false;
            List<RuleSolver.Bound> known = known(readings, values, holding);
            for (String id : List.copyOf(waiting)) {
                if (solver.ask(FIRES, List.of(id), known, f -> List.of(f.fired(id))) == null) {
                    continue;
                }
                waiting.remove(id);
                more = true;
                holding.add(id);
                for (RuleEffect e : effects(id)) {
                    Set<Boolean> of = readings.get(e.device());
                    if (of != null) {
                        of.add(e.reading() == Reading.ACTIVE);
                        if (e.holdS() != null) {
                            of.add(e.reading() != Reading.ACTIVE);
                        }
                    }
                }
                rule(id).then().stream()
                        .filter(a -> a.kind() == Action.Kind.MODE)
                        .forEach(a -> values.getOrDefault(String.valueOf(a.mode()), new HashSet<>())
                                .add(String.valueOf(a.value())));
            }
        }
        bounds.addAll(known(readings, values, holding));
        never.addAll(waiting);
    }

    private Rule rule(String id) {
        return Objects.requireNonNull(live.rules().get(id));
    }

    private List<RuleEffect> effects(String rule) {
        return effects.getOrDefault(rule, List.of());
    }

    private Device device(String id) {
        return Objects.requireNonNull(plan.devices().get(id));
    }

    private boolean onlyRules(Device d) {
        return LOADS.contains(d.kind().family())
                && d.hand() == Hand.NONE
                && d.ways().stream().noneMatch(OTHER_WAYS::contains);
    }

    private List<RuleSolver.Bound> known(
            Map<String, Set<Boolean>> readings, Map<String, Set<String>> values, Set<String> holding) {
        List<RuleSolver.Bound> known = new ArrayList<>();
        readings.forEach((id, of) -> {
            if (of.size() == 1) {
                known.add(new RuleSolver.Bound("d:" + id, of.contains(true)));
            }
        });
        values.forEach((id, of) -> {
            Mode mode = Objects.requireNonNull(plan.state().modes().get(id));
            for (int i = 0; i < mode.values().size(); i++) {
                if (!of.contains(mode.values().get(i))) {
                    known.add(new RuleSolver.Bound("m:" + id + ":" + i, false));
                }
            }
        });
        plan.rules().keySet().stream()
                .filter(id -> !holding.contains(id))
                .forEach(id -> known.add(new RuleSolver.Bound("h:" + id, false)));
        return known;
    }

    private @Nullable RuleTruth both(String one, String other) {
        return solver.ask(BOTH, List.of(one, other), bounds, f -> List.of(f.fired(one), f.fired(other)));
    }

    private @Nullable RuleTruth fires(String id) {
        return solver.ask(FIRES, List.of(id), bounds, f -> List.of(f.fired(id)));
    }

    private Stream<String> firing() {
        return live.rules().keySet().stream().filter(id -> !never.contains(id));
    }

    // --- two rules, one output

    private interface Against {
        void meet(RuleEffect one, RuleEffect other);
    }

    /** Calls back with all pairs of effects of two rules that are against each other, both ways round. */
    private void against(Against each) {
        byDevice.values()
                .forEach(of -> of.forEach(one -> of.forEach(other -> {
                    if (!one.rule().equals(other.rule()) && one.against(other)) {
                        each.meet(one, other);
                    }
                })));
    }

    private void clashes() {
        Set<List<String>> told = new HashSet<>();
        against((one, other) -> {
            boolean first = one.rule().compareTo(other.rule()) < 0;
            if (!first || one.afterS() != other.afterS() || gone(one) || gone(other)) {
                return;
            }
            RuleTruth answer = both(one.rule(), other.rule());
            if (answer == null || !told.add(List.of(one.rule(), other.rule(), one.device()))) {
                return;
            }
            RuleStories.Setting setting = stories.setting(answer, one.rule(), other.rule());
            RuleStory story = stories.of(
                    setting,
                    one.afterS(),
                    Set.of(one.rule(), other.rule()),
                    since -> acted(since, one, -1) >= 0 && acted(since, other, -1) >= 0);
            found.add(RuleFindingBuilder.builder()
                    .kind(RuleFinding.Kind.CLASH)
                    .proof(story == null ? RuleFinding.Proof.POSSIBLE : RuleFinding.Proof.REACHABLE)
                    .rules(List.of(other.rule(), one.rule()))
                    .device(one.device())
                    .action(other.action())
                    .says("One event sets off both, and " + wants(one, other))
                    .story(story)
                    .build());
        });
    }

    private boolean gone(RuleEffect e) {
        return never.contains(e.rule());
    }

    /** Where in a story a rule did what an effect says, from a place on, or −1. */
    private static int acted(List<Happening> since, RuleEffect e, int after) {
        return IntStream.range(after + 1, since.size())
                .filter(i -> {
                    Happening h = since.get(i);
                    return h.kind() == Happening.Kind.ACTED
                            && e.rule().equals(h.rule())
                            && e.device().equals(h.device())
                            && e.reading() == h.reading();
                })
                .findFirst()
                .orElse(-1);
    }

    private String wants(RuleEffect one, RuleEffect other) {
        Device d = device(one.device());
        return "\"" + rule(one.rule()).name() + "\" wants " + d.name() + " " + said(d, one) + ", \""
                + rule(other.rule()).name() + "\" " + said(d, other) + ".";
    }

    private static String said(Device d, RuleEffect e) {
        if (e.percent() != null) {
            return "at " + Math.round(e.percent()) + " %";
        }
        return ReadingWords.is(d.kind(), e.reading()).replaceFirst("^is ", "");
    }

    /** Whether the clock or the sun sets a rule off: then it was not meant to undo what is on just then. */
    private boolean byItself(String id) {
        return rule(id).when().stream().anyMatch(t -> t.kind() == Trigger.Kind.CLOCK || t.kind() == Trigger.Kind.SUN);
    }

    /** The second effect falls into the time of the first when its rule is set off so long after the first rule. */
    private static int from(RuleEffect timed, RuleEffect other) {
        return Math.max(1, timed.afterS() - other.afterS() + 1);
    }

    private static int to(RuleEffect timed, RuleEffect other) {
        return Math.max(
                from(timed, other), timed.afterS() + Objects.requireNonNull(timed.holdS()) - other.afterS() - 1);
    }

    private void cuts() {
        against((timed, other) -> {
            if (timed.holdS() != null && other.holdS() == null && byItself(other.rule())) {
                cut(timed, other);
            }
        });
    }

    private void cut(RuleEffect timed, RuleEffect other) {
        boolean told = found.stream()
                .anyMatch(f -> f.kind() != RuleFinding.Kind.NEVER
                        && other.device().equals(f.device())
                        && f.rules().contains(timed.rule())
                        && f.rules().contains(other.rule()));
        if (told || gone(timed) || gone(other)) {
            return;
        }
        int from = from(timed, other);
        int to = to(timed, other);
        // within the time of the first, the first holds
        List<RuleSolver.Bound> then = new ArrayList<>(bounds);
        then.add(new RuleSolver.Bound("h:" + timed.rule(), true));
        RuleTruth second = solver.askHeld(
                timed.rule(),
                from,
                to,
                List.of(timed.rule(), other.rule()),
                then,
                f -> List.of(f.fired(other.rule()), f.heldLiteral(timed.rule(), from, to)));
        RuleTruth first = second == null ? null : fires(timed.rule());
        if (first == null || second == null) {
            return;
        }
        RuleStories.Setting one = stories.setting(first, timed.rule());
        RuleStories.Setting two = stories.setting(second, other.rule());
        List<Integer> gaps = new ArrayList<>(List.of(Math.min(to, Math.max(from, 20)), from, (from + to) / 2, to));
        if (one.event() == null && two.event() == null) {
            long gap = LocalTime.from(one.at()).until(LocalTime.from(two.at()), ChronoUnit.SECONDS);
            gaps.add(0, (int) Math.floorMod(gap, (long) DAY_S));
        }
        Predicate<List<Happening>> shown = since -> {
            int began = acted(since, timed, -1);
            int ended = began < 0 ? -1 : acted(since, other, began);
            return ended >= 0
                    && since.subList(began, ended).stream()
                            .noneMatch(h -> h.kind() == Happening.Kind.WENT_BACK
                                    && timed.device().equals(h.device()));
        };
        RuleStory story = stories.of(one, two, gaps, other.afterS(), Set.of(timed.rule(), other.rule()), shown);
        found.add(RuleFindingBuilder.builder()
                .kind(RuleFinding.Kind.CUT_SHORT)
                .proof(story == null ? RuleFinding.Proof.POSSIBLE : RuleFinding.Proof.REACHABLE)
                .rules(List.of(other.rule(), timed.rule()))
                .device(timed.device())
                .action(other.action())
                .says("Both can act within " + RuleWords.time(Objects.requireNonNull(timed.holdS())) + ", and "
                        + wants(timed, other))
                .story(story)
                .build());
    }

    // --- rules of no use

    private void always() {
        firing().forEach(id -> {
            if (!rule(id).onlyIf().isEmpty()
                    && solver.ask(
                                    "kept back",
                                    List.of(id),
                                    bounds,
                                    f -> List.of(
                                            f.named("open:" + id, f.factory().not(f.guards(id)))))
                            == null) {
                found.add(RuleFindingBuilder.builder()
                        .kind(RuleFinding.Kind.ALWAYS)
                        .proof(RuleFinding.Proof.PROVEN)
                        .rules(List.of(id))
                        .action(-1)
                        .says("Its conditions are always met: they keep nothing back.")
                        .build());
            }
        });
    }

    private void shadowed() {
        List<String> all = firing().toList();
        for (String id : all) {
            if (effects(id).isEmpty() || tells(rule(id))) {
                continue;
            }
            for (String other : working(effects(id).get(0).device())) {
                if (!other.equals(id)
                        && covers(other, id)
                        && implied(id, other)
                        && !(covers(id, other) && implied(other, id) && id.compareTo(other) < 0)) {
                    found.add(RuleFindingBuilder.builder()
                            .kind(RuleFinding.Kind.SHADOWED)
                            .proof(RuleFinding.Proof.PROVEN)
                            .rules(List.of(id, other))
                            .action(-1)
                            .says("Whenever it fires, \"" + rule(other).name() + "\" fires and does the same.")
                            .build());
                    break;
                }
            }
        }
    }

    /** Ids of the rules that can fire and work a device, each once. */
    private Set<String> working(String device) {
        Set<String> all = new TreeSet<>();
        byDevice.getOrDefault(device, List.of()).forEach(e -> all.add(e.rule()));
        all.removeAll(never);
        return all;
    }

    private static boolean tells(Rule rule) {
        return rule.then().stream()
                .anyMatch(a ->
                        a.kind() != Action.Kind.SET && a.kind() != Action.Kind.LEVEL && a.kind() != Action.Kind.WAIT);
    }

    /** Whether a rule does all that another does. */
    private boolean covers(String rule, String other) {
        return effects(other).stream()
                .allMatch(e -> effects(rule).stream()
                        .anyMatch(o -> o.device().equals(e.device())
                                && o.reading() == e.reading()
                                && Objects.equals(o.percent(), e.percent())
                                && o.afterS() == e.afterS()
                                && Objects.equals(o.holdS(), e.holdS())));
    }

    private boolean implied(String rule, String by) {
        return (rule(by).restS() == null
                        || Objects.equals(rule(by).restS(), rule(rule).restS()))
                && solver.ask(
                                "fires without " + by,
                                List.of(rule, by),
                                bounds,
                                f -> List.of(f.fired(rule), f.fired(by).negate()))
                        == null;
    }

    // --- circles

    /** Rules that set one another off: what one does is what another one waits for, round to the first. */
    private void loops() {
        Map<String, Set<String>> next = new TreeMap<>();
        firing().forEach(id -> next.put(id, setOff(id)));
        Set<Set<String>> told = new HashSet<>();
        for (String start : next.keySet()) {
            List<String> circle = circle(start, next);
            if (circle.isEmpty() || !told.add(new TreeSet<>(circle))) {
                continue;
            }
            RuleStory story = null;
            for (String id : circle) {
                RuleTruth answer = fires(id);
                if (answer != null && story == null) {
                    story = stories.of(
                            stories.setting(answer, id),
                            longest(circle),
                            Set.copyOf(circle),
                            since -> since.stream().anyMatch(h -> h.kind() == Happening.Kind.ENDLESS)
                                    || since.stream()
                                                    .filter(h ->
                                                            h.kind() == Happening.Kind.FIRED && id.equals(h.rule()))
                                                    .count()
                                            > 1);
                }
            }
            found.add(RuleFindingBuilder.builder()
                    .kind(RuleFinding.Kind.LOOP)
                    .proof(story == null ? RuleFinding.Proof.POSSIBLE : RuleFinding.Proof.REACHABLE)
                    .rules(circle)
                    .action(-1)
                    .says(
                            circle.size() == 1
                                    ? "It sets itself off."
                                    : "They set one another off in a circle: "
                                            + String.join(
                                                    ", ",
                                                    circle.stream()
                                                            .map(id -> rule(id).name())
                                                            .toList()) + ".")
                    .story(story)
                    .build());
        }
    }

    /** Seconds in which all that rules do once is over. */
    private int longest(List<String> rules) {
        return rules.stream()
                .flatMap(id -> effects(id).stream())
                .mapToInt(e -> e.afterS() + (e.holdS() == null ? 0 : e.holdS()) + 1)
                .map(s -> Math.min(s, DAY_S))
                .sum();
    }

    private static List<String> circle(String start, Map<String, Set<String>> next) {
        Map<String, String> from = new LinkedHashMap<>();
        List<String> todo = new ArrayList<>(List.of(start));
        for (int i = 0; i < todo.size(); i++) {
            ComputingBudget.step();
            for (String to : next.getOrDefault(todo.get(i), Set.of())) {
                if (to.equals(start)) {
                    List<String> circle = new ArrayList<>();
                    for (String at = todo.get(i); at != null; at = from.get(at)) {
                        circle.add(0, at);
                    }
                    return circle;
                }
                if (!from.containsKey(to)) {
                    from.put(to, todo.get(i));
                    todo.add(to);
                }
            }
        }
        return List.of();
    }

    /** Rules that what a rule does can set off: not those whose conditions it makes impossible. */
    private Set<String> setOff(String id) {
        Set<String> all = new TreeSet<>();
        for (RuleEffect e : effects(id)) {
            for (Interpreter.Ref ref : live.about(e.device())) {
                Trigger t = live.trigger(ref);
                if (t.kind() == Trigger.Kind.BECOMES
                        && (t.reading() == null || t.reading() == e.reading() || e.holdS() != null)
                        && !never.contains(ref.rule())) {
                    all.add(ref.rule());
                }
            }
        }
        for (Action a : rule(id).then()) {
            if (a.kind() == Action.Kind.MODE) {
                live.of(Trigger.Kind.MODE).stream()
                        .filter(ref -> Objects.equals(live.trigger(ref).mode(), a.mode())
                                && (live.trigger(ref).value() == null
                                        || Objects.equals(live.trigger(ref).value(), a.value()))
                                && !never.contains(ref.rule()))
                        .forEach(ref -> all.add(ref.rule()));
            } else if (a.kind() == Action.Kind.RULE
                    && a.rule() != null
                    && live.rules().containsKey(a.rule())) {
                all.add(a.rule());
            }
        }
        // a rule that only confirms what is so sets nothing off
        all.removeIf(to -> to.equals(id)
                && effects(id).stream().allMatch(e -> e.holdS() == null)
                && rule(id).then().stream().noneMatch(a -> a.kind() == Action.Kind.RULE));
        return all;
    }

    // --- interlocks

    /** A rule that does what another is kept from doing, while that is kept from it. */
    private void avoided() {
        Set<List<String>> told = new HashSet<>();
        firing().forEach(id -> {
            for (int i = 0; i < rule(id).unless().size(); i++) {
                Term lock = rule(id).unless().get(i);
                if (lock.kind() == Term.Kind.HOLDS) {
                    continue;
                }
                for (RuleEffect e : effects(id)) {
                    if (lights(e.device())) {
                        continue;
                    }
                    avoidedBy(id, i, e, told);
                }
            }
        });
    }

    /** Whether a device does no harm when it is on. */
    private boolean lights(String id) {
        return switch (device(id).kind()) {
            case LAMP, DIMMED_LAMP, LIGHT_STRIP, DISPLAY -> true;
            default -> false;
        };
    }

    private void avoidedBy(String id, int lock, RuleEffect e, Set<List<String>> told) {
        Term locked = rule(id).unless().get(lock);
        working(e.device()).stream().filter(other -> !other.equals(id)).forEach(other -> {
            boolean same =
                    effects(other).stream().anyMatch(o -> o.device().equals(e.device()) && o.reading() == e.reading());
            if (!same || told.contains(List.of(other, id, e.device()))) {
                return;
            }
            RuleTruth answer = solver.ask(
                    "lock " + lock + " of " + id,
                    List.of(other, id),
                    bounds,
                    f -> List.of(f.fired(other), f.named("lock:" + id + ":" + lock, f.term(locked))));
            if (answer == null) {
                return;
            }
            told.add(List.of(other, id, e.device()));
            RuleEffect doing = effects(other).stream()
                    .filter(o -> o.device().equals(e.device()) && o.reading() == e.reading())
                    .findFirst()
                    .orElseThrow();
            RuleStory story = stories.of(
                    stories.setting(answer, other, id),
                    doing.afterS(),
                    Set.of(other, id),
                    since -> acted(since, doing, -1) >= 0);
            Device d = device(e.device());
            found.add(RuleFindingBuilder.builder()
                    .kind(RuleFinding.Kind.AVOIDED)
                    .proof(story == null ? RuleFinding.Proof.POSSIBLE : RuleFinding.Proof.REACHABLE)
                    .rules(List.of(other, id))
                    .device(e.device())
                    .action(lock)
                    .says("\"" + rule(id).name() + "\" is kept from it, \""
                            + rule(other).name() + "\" is not: " + d.name() + " "
                            + ReadingWords.becomes(d.kind(), e.reading()) + " all the same.")
                    .story(story)
                    .build());
        });
    }

    // --- people

    /** The quiet hours that sounders disturb: those of the whole house, and of rooms in which one hangs or must be heard. */
    private SortedMap<String, QuietHours> disturbed(List<String> sounders) {
        Set<String> rooms = new HashSet<>();
        sounders.forEach(id -> {
            Place place = SiteModel.placeOf(plan, device(id));
            if (place != null && place.room() != null) {
                rooms.add(place.room());
            }
            rooms.addAll(device(id).heardIn());
        });
        SortedMap<String, QuietHours> hours = new TreeMap<>(plan.state().quiet());
        hours.values().removeIf(q -> !q.rooms().isEmpty() && q.rooms().stream().noneMatch(rooms::contains));
        return hours;
    }

    /** A rule that sounds in quiet hours for something that is not vital, and tells nobody silently. */
    private void sounds() {
        if (plan.state().quiet().isEmpty()) {
            return;
        }
        firing().forEach(id -> {
            Rule rule = rule(id);
            boolean silent = rule.then().stream().anyMatch(a -> a.kind() == Action.Kind.TELL);
            List<String> sounders = rule.then().stream()
                    .filter(a -> a.kind() == Action.Kind.PULSE || a.reading() == Reading.ACTIVE)
                    .flatMap(a -> RuleTargets.of(plan, a).stream())
                    .filter(d -> device(d).kind().family() == DeviceKind.Family.SOUNDER
                            && device(d).criticality() != Criticality.VITAL)
                    .toList();
            if (silent || sounders.isEmpty()) {
                return;
            }
            SortedMap<String, QuietHours> hours = disturbed(sounders);
            RuleTruth answer = hours.isEmpty()
                    ? null
                    : solver.ask(
                            RuleSolver.QUIET + " " + hours.keySet(),
                            List.of(id),
                            bounds,
                            f -> List.of(f.fired(id), f.named("quiet", f.quiet(hours.values()))));
            if (answer == null) {
                return;
            }
            RuleStories.Setting setting = stories.setting(answer, id);
            RuleStory story = stories.of(
                    setting,
                    DAY_S / 24,
                    Set.of(id),
                    since -> since.stream()
                            .anyMatch(h -> h.kind() == Happening.Kind.ACTED
                                    && id.equals(h.rule())
                                    && sounders.contains(String.valueOf(h.device()))));
            found.add(RuleFindingBuilder.builder()
                    .kind(RuleFinding.Kind.SOUNDS)
                    .proof(story == null ? RuleFinding.Proof.POSSIBLE : RuleFinding.Proof.REACHABLE)
                    .rules(List.of(id))
                    .device(sounders.get(0))
                    .action(-1)
                    .says(device(sounders.get(0)).name() + " sounds, and nobody is told otherwise.")
                    .story(story)
                    .build());
        });
    }

    private static boolean byHand(Trigger t) {
        return t.kind() == Trigger.Kind.PRESSED || t.kind() == Trigger.Kind.CODE;
    }

    /** Names of the events by which a gesture or a code at a device sets a rule off. */
    private Set<String> gestures(String rule, String device) {
        return rule(rule).when().stream()
                .filter(t -> byHand(t) && device.equals(t.device()))
                .flatMap(t -> RuleFormulas.events(t).stream())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** Two rules that one gesture or code sets off at once. */
    private void twice() {
        Map<String, List<String>> byButton = new TreeMap<>();
        firing().forEach(id -> rule(id).when().stream()
                .filter(RuleAnalysis::byHand)
                .map(t -> String.valueOf(t.device()))
                .distinct()
                .forEach(
                        d -> byButton.computeIfAbsent(d, k -> new ArrayList<>()).add(id)));
        byButton.forEach((button, rules) -> {
            for (int i = 0; i < rules.size(); i++) {
                for (int j = 0; j < i; j++) {
                    pressed(button, rules.get(i), rules.get(j));
                }
            }
        });
    }

    private void pressed(String button, String one, String other) {
        boolean told = found.stream()
                .anyMatch(f -> f.kind() == RuleFinding.Kind.CLASH && f.rules().containsAll(List.of(one, other)));
        Set<String> both = gestures(one, button);
        both.retainAll(gestures(other, button));
        for (String gesture : both) {
            RuleTruth answer = told
                    ? null
                    : solver.ask(
                            "pressed " + gesture,
                            List.of(one, other),
                            bounds,
                            f -> List.of(
                                    f.fired(one), f.fired(other), f.factory().variable("e:" + gesture)));
            if (answer == null) {
                continue;
            }
            RuleStory story = stories.of(
                    stories.setting(answer, one, other),
                    1,
                    Set.of(one, other),
                    since -> Stream.of(one, other)
                            .allMatch(id -> since.stream()
                                    .anyMatch(h -> h.kind() == Happening.Kind.FIRED && id.equals(h.rule()))));
            found.add(RuleFindingBuilder.builder()
                    .kind(RuleFinding.Kind.TWICE)
                    .proof(story == null ? RuleFinding.Proof.POSSIBLE : RuleFinding.Proof.REACHABLE)
                    .rules(List.of(one, other))
                    .device(button)
                    .action(-1)
                    .says(gesture.startsWith("c:") ? "Both wait for the same code." : "Both wait for the same gesture.")
                    .story(story)
                    .build());
            return;
        }
    }
}
