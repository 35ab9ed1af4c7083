package org.skelto.bench;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.rules.Action;
import org.skelto.core.plan.rules.ActionBuilder;
import org.skelto.core.plan.rules.Reading;
import org.skelto.core.plan.rules.Rule;
import org.skelto.core.plan.rules.RuleBuilder;
import org.skelto.core.plan.rules.Sun;
import org.skelto.core.plan.rules.Term;
import org.skelto.core.plan.rules.TermBuilder;
import org.skelto.core.plan.rules.Trigger;
import org.skelto.core.plan.rules.TriggerBuilder;
import org.skelto.core.plan.site.GeoPoint;
import org.skelto.core.rules.RuleAnalysis;
import org.skelto.core.rules.RuleFinding;
import org.skelto.core.rules.RuleWeek;
import org.skelto.core.rules.Sky;
import org.skelto.core.sample.ThornfellLodge;

/** 300 rules by chance in a house of 500 devices: judged from nothing, after one edit, and their week. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(
        value = 1,
        jvmArgs = {"-XX:+UseParallelGC", "-Xms384m", "-Xmn256m", "-Xmx1g"})
@Warmup(iterations = 4, time = 2)
@Measurement(iterations = 5, time = 2)
public class RulesBenchmark {
    private static final int RULES = 300;
    private static final List<String> CLOCKS =
            List.of("05:45", "06:30", "07:10", "09:00", "12:00", "16:20", "18:00", "20:40", "22:15", "23:30");
    private Plan plan;
    private Plan edited;
    private Sky sky;
    private RuleAnalysis.Judged before;
    private List<String> loads;
    private List<String> sensors;

    @Setup
    public void build() {
        Plan lodge = ThornfellLodge.plan().withPlace(new GeoPoint(56.8, -4.1));
        loads = those(lodge, Set.of(DeviceKind.LAMP, DeviceKind.DIMMED_LAMP, DeviceKind.HEATER, DeviceKind.BLIND));
        sensors = those(lodge, Set.of(DeviceKind.MOTION, DeviceKind.CONTACT, DeviceKind.LEAK));
        Random random = new Random(300);
        Map<String, Rule> rules = new TreeMap<>();
        for (int i = 0; i < RULES; i++) {
            rules.put("rule-" + i, rule(i, random));
        }
        plan = lodge.withRules(rules);
        Map<String, Rule> other = new TreeMap<>(rules);
        other.computeIfPresent("rule-7", (id, r) -> r.withUnless(List.of(dark())));
        edited = lodge.withRules(other);
        sky = Sky.of(plan);
        before = RuleAnalysis.after(null, plan, sky);
        if (!RuleAnalysis.after(before, edited, sky).found().equals(RuleAnalysis.of(edited, sky))) {
            throw new IllegalStateException("both must find the same");
        }
    }

    private static List<String> those(Plan plan, Set<DeviceKind> kinds) {
        return plan.devices().entrySet().stream()
                .filter(e -> kinds.contains(e.getValue().kind()))
                .map(Map.Entry::getKey)
                .toList();
    }

    private static Term dark() {
        return TermBuilder.builder().kind(Term.Kind.DARK).build();
    }

    private Rule rule(int i, Random random) {
        Trigger when = switch (random.nextInt(4)) {
            case 0 ->
                TriggerBuilder.builder()
                        .kind(Trigger.Kind.CLOCK)
                        .clock(CLOCKS.get(random.nextInt(CLOCKS.size())))
                        .build();
            case 1 ->
                TriggerBuilder.builder()
                        .kind(Trigger.Kind.SUN)
                        .sun(Sun.SETS)
                        .offsetMin(10 * random.nextInt(4))
                        .build();
            default ->
                TriggerBuilder.builder()
                        .kind(Trigger.Kind.BECOMES)
                        .device(sensors.get(random.nextInt(sensors.size())))
                        .reading(Reading.ACTIVE)
                        .build();
        };
        List<Term> onlyIf = new ArrayList<>();
        if (random.nextBoolean()) {
            onlyIf.add(dark());
        }
        if (random.nextInt(3) == 0) {
            onlyIf.add(TermBuilder.builder()
                    .kind(Term.Kind.BETWEEN)
                    .from(CLOCKS.get(random.nextInt(CLOCKS.size())))
                    .to(CLOCKS.get(random.nextInt(CLOCKS.size())))
                    .days(new TreeSet<>(random.nextBoolean() ? List.of() : List.of(DayOfWeek.SATURDAY)))
                    .build());
        }
        Action then = ActionBuilder.builder()
                .kind(Action.Kind.SET)
                .device(loads.get(random.nextInt(loads.size())))
                .reading(random.nextInt(3) == 0 ? Reading.IDLE : Reading.ACTIVE)
                .forS(random.nextBoolean() ? 600 : null)
                .build();
        return RuleBuilder.builder()
                .name("rule " + i)
                .host("hub")
                .when(List.of(when))
                .onlyIf(onlyIf)
                .then(List.of(then))
                .unless(List.of())
                .build();
    }

    /** All of it, with the sun of a year. */
    @Benchmark
    public List<RuleFinding> judgedFromNothing() {
        return RuleAnalysis.of(plan, Sky.of(plan));
    }

    /** As after an edit of one rule: the sun is known, and what was asked about the others. */
    @Benchmark
    public List<RuleFinding> judgedAfterAnEdit() {
        return RuleAnalysis.after(before, edited, sky).found();
    }

    /** The plain way beside it, for pairs only and without what was answered before: each two rules that work one device. */
    @Benchmark
    public int pairByPair() {
        int found = 0;
        Map<String, List<String>> byLoad = new TreeMap<>();
        plan.rules()
                .forEach((id, r) -> byLoad.computeIfAbsent(r.then().get(0).device(), d -> new ArrayList<>())
                        .add(id));
        for (List<String> rules : byLoad.values()) {
            for (int i = 0; i < rules.size(); i++) {
                for (int j = 0; j < i; j++) {
                    Map<String, Rule> two = Map.of(
                            rules.get(i), plan.rules().get(rules.get(i)),
                            rules.get(j), plan.rules().get(rules.get(j)));
                    found += RuleAnalysis.of(plan.withRules(two), sky).size();
                }
            }
        }
        return found;
    }

    /** The week of all devices. */
    @Benchmark
    public RuleWeek week() {
        return RuleWeek.of(plan, sky, LocalDate.of(2026, 11, 25));
    }
}
