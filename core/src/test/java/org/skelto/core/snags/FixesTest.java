package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.TestFactory;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.Outpost;
import org.skelto.core.RandomEdits;
import org.skelto.core.Workshop;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.State;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Plan;
import org.skelto.core.sample.ThornfellLodge;

/** The law of proposals: a fix that is applied clears its snag and leaves no stop and no fix behind that was not there. */
class FixesTest {
    private static final Facts BASE = new Facts(NameAssigner.assign(Demos.mill()));
    private static final int PLANS = 500;
    private static final int FIXES_OF_A_PLAN = 4;

    private record Offered(Snag snag, Snag.Fix fix) {}

    @TestFactory
    Stream<DynamicTest> everyFixOnEveryDemo() {
        Map<String, Plan> demos = Map.of(
                "Marrowby Leat", Demos.mill(),
                "Sorrel Steps", Demos.flat(),
                "Thornfell Lodge", ThornfellLodge.plan(),
                "a workshop", Workshop.plan(),
                "an outpost", Outpost.plan());
        return demos.entrySet().stream()
                .map(demo -> DynamicTest.dynamicTest(
                        demo.getKey(),
                        () -> assertEquals(List.of(), broken(demo.getValue(), new Random(1), Integer.MAX_VALUE))));
    }

    @TestFactory
    Stream<DynamicTest> fixesOfPlansChangedByChance() {
        List<Plan> houses = List.of(Demos.flat(), Workshop.plan(), Outpost.plan());
        return houses.stream()
                .map(house -> DynamicTest.dynamicTest(house.name(), () -> {
                    for (int seed = 0; seed < PLANS / houses.size() + 1; seed++) {
                        Random random = new Random(seed);
                        Plan plan = RandomEdits.changed(house, seed);
                        int at = seed;
                        assertEquals(List.of(), broken(plan, random, FIXES_OF_A_PLAN), () -> "seed " + at);
                    }
                }));
    }

    private static List<String> broken(Plan drawn, Random random, int most) {
        // as the server leaves a plan after every edit
        Facts facts = BASE.after(NameAssigner.assign(drawn));
        List<Snag> snags = Checks.snags(facts);
        Map<String, Snag> before = pressing(snags);
        List<Offered> offered = new ArrayList<>();
        snags.forEach(snag -> snag.fixes().forEach(fix -> offered.add(new Offered(snag, fix))));
        Collections.shuffle(offered, random);
        List<String> broken = new ArrayList<>();
        for (Offered o : offered.subList(0, Math.min(most, offered.size()))) {
            Plan fixed = NameAssigner.assign(Changed.after(facts.plan(), o.fix().edits()));
            List<Snag> found = Checks.snags(facts.after(fixed));
            pressing(found).forEach((key, snag) -> {
                if (!before.containsKey(key) && !lostBefore(snag, facts)) {
                    broken.add(told(o) + " leaves " + snag.code() + " " + snag.title() + ", " + snag.figures());
                }
            });
            if (found.stream().anyMatch(s -> s.key().equals(o.snag().key()))) {
                broken.add(told(o) + " does not clear it");
            }
        }
        return broken;
    }

    /** What was lost or unsafe altogether may be lost without the hub or another box now, and those that are left be told anew. */
    private static boolean lostBefore(Snag snag, Facts before) {
        return snag.code().matches("O[12349]")
                && before.outages().now().entrySet().stream()
                        .anyMatch(e -> e.getValue().state().compareTo(State.LOST) >= 0
                                && (snag.subjects().contains("/devices/" + e.getKey())
                                        || snag.figures()
                                                .contains(before.plan()
                                                        .devices()
                                                        .get(e.getKey())
                                                        .name())));
    }

    private static String told(Offered o) {
        return o.snag().code() + " " + o.snag().title() + ": " + o.fix().label();
    }

    private static Map<String, Snag> pressing(List<Snag> snags) {
        return snags.stream()
                .filter(s -> s.severity() != Severity.LOOK)
                .collect(Collectors.toMap(Snag::key, s -> s, (one, other) -> one, TreeMap::new));
    }
}
