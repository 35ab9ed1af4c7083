package org.skelto.core.facts;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotSame;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.skelto.core.Demos;
import org.skelto.core.RandomEdits;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.format.RecordShape;
import org.skelto.core.plan.site.Place;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.snags.Check;
import org.skelto.core.snags.Checks;
import org.skelto.core.work.ComputingBudget;
import org.skelto.core.work.Fact;

/** Facts are asked for, worked out once, and kept exactly as long as nothing that they read changes. */
class FactsTest {
    private static final int FOLD = Boolean.getBoolean("skelto.long") ? 10 : 1;

    private static void follow(Plan start, int edits, long seed) {
        RandomEdits random = new RandomEdits(seed);
        SlabTables tables = new SlabTables();
        Plan plan = start;
        Facts kept = new Facts(plan, tables);
        for (int i = 0; i < edits; i++) {
            // every twentieth edit begins anew, so that the plan does not fall to pieces
            plan = random.next(i % 20 == 0 ? start : plan);
            kept = kept.after(plan);
            Facts fresh = new Facts(plan, tables);
            String where = "edit " + i + " of seed " + seed;
            for (FactKind<?> kind : HouseFacts.SHOWN) {
                if (kind != HouseFacts.GEOMETRY && kind != HouseFacts.OUTAGES) {
                    assertEquals(fresh.get(kind), kept.get(kind), where + ": " + kind);
                }
            }
            for (Check check : Checks.ALL) {
                assertEquals(fresh.get(check.found()), kept.get(check.found()), where + ": " + check.name());
            }
            assertEquals(Assessment.of(fresh, Set.of("mains")), Assessment.of(kept, Set.of("mains")), where);
        }
    }

    @Test
    void onTheMillKeptFiguresAreThoseFromNothing() {
        follow(Demos.mill(), 40 * FOLD, 12);
    }

    @Test
    void onTheLodgeKeptFiguresAreThoseFromNothing() {
        follow(NameAssigner.assign(ThornfellLodge.plan()), 8 * FOLD, 13);
    }

    @Test
    void theirPartsMakeUpTheWholePlan() {
        Map<String, List<String>> parts = new TreeMap<>();
        for (PlanPart part : PlanPart.values()) {
            parts.computeIfAbsent(part.map() == null ? "" : part.map(), k -> new ArrayList<>())
                    .addAll(part.components());
        }
        Map<String, Class<?>> owners = Map.of("", Plan.class, "units", Unit.class, "devices", Device.class);
        owners.forEach((name, type) -> {
            List<String> all = new ArrayList<>(RecordShape.of(type).components().stream()
                    .map(RecordShape.Component::name)
                    .toList());
            if (name.isEmpty()) {
                all.removeAll(List.of("units", "devices"));
            }
            assertEquals(new TreeSet<>(all), new TreeSet<>(parts.get(name)), type.getSimpleName());
            assertEquals(all.size(), parts.get(name).size(), "each in one part only");
        });
    }

    @Test
    void aMovedUnitLeavesWhatDoesNotHangOnPlaces() {
        Plan plan = Demos.mill();
        Facts before = new Facts(plan);
        Assessment.of(before, Set.of());
        Plan moved = Demos.moved(plan, "meal-ap", 0.01);
        Facts after = before.after(moved);
        Assessment.of(after, Set.of());
        assertSame(before.wired(), after.wired());
        assertSame(before.outages(), after.outages(), "all links still carry");
        assertSame(before.power(), after.power());
        assertSame(
                before.get(HouseFacts.GEOMETRY).walls(),
                after.get(HouseFacts.GEOMETRY).walls());
        assertNotSame(before.links(), after.links());
        String other = plan.links().entrySet().stream()
                .filter(e -> !e.getValue().from().equals("meal-ap")
                        && !e.getValue().to().equals("meal-ap"))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow();
        assertSame(before.links().get(other), after.links().get(other));
        Place now = after.site().plan().units().get("meal-ap").place();
        assertEquals(moved.units().get("meal-ap").place(), now, "the geometry knows where it stands now");
    }

    @Test
    void severalWhoAskAtOnceWaitForOneAnswer() throws Exception {
        AtomicInteger worked = new AtomicInteger();
        CountDownLatch begun = new CountDownLatch(1);
        FactKind<Integer> slow = FactKind.of("slow", PlanPart.ALL, List.of(), f -> {
            begun.countDown();
            pause();
            return worked.incrementAndGet();
        });
        Facts facts = new Facts(Demos.mill());
        ExecutorService people = Executors.newFixedThreadPool(8);
        try {
            List<Future<Integer>> asked = new ArrayList<>();
            for (int i = 0; i < 8; i++) {
                asked.add(people.submit(() -> facts.get(slow)));
            }
            begun.await();
            for (Future<Integer> one : asked) {
                assertEquals(1, one.get());
            }
        } finally {
            people.shutdownNow();
        }
    }

    private static void pause() {
        try {
            Thread.sleep(50);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Test
    void whatCouldNotBeWorkedOutIsNotTakenOver() {
        FactKind<Integer> dear = FactKind.of("dear", List.of(PlanPart.HEAD), List.of(), f -> {
            for (int i = 0; i < 1000; i++) {
                ComputingBudget.step();
            }
            return 7;
        });
        Facts poor = new Facts(Demos.mill());
        ComputingBudget.ofSteps(10).run(() -> assertThrows(Fact.Unavailable.class, () -> poor.get(dear)));
        assertTrue(poor.exhausted());
        assertThrows(Fact.Unavailable.class, () -> poor.get(dear), "nor tried again by these");
        assertEquals(7, poor.after(Demos.mill()).get(dear));
    }

    @Test
    void readingsAndPartsMatterToo() {
        Facts before = new Facts(Demos.mill());
        AtomicInteger worked = new AtomicInteger();
        FactKind<Integer> kind =
                FactKind.of("kind", List.of(PlanPart.READINGS), List.of(), f -> worked.incrementAndGet());
        before.get(kind);
        assertEquals(1, before.after(Demos.mill()).get(kind));
        assertEquals(
                2,
                before.after(Demos.mill(), List.of(), Catalogue.builtIn().with(List.of()))
                        .get(kind));
    }

    @Test
    void mistakesAreTold() {
        List<String> told = new ArrayList<>();
        FactKind<Integer> wrong = FactKind.of("wrong", List.of(), List.of(), f -> {
            throw new IllegalStateException("upside down");
        });
        Facts facts = new Facts(Demos.mill()).telling((name, mistake) -> told.add(name + ": " + mistake.getMessage()));
        assertThrows(Fact.Unavailable.class, () -> facts.get(wrong));
        assertEquals(List.of("wrong: upside down"), told);
    }
}
