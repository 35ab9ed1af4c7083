package org.skelto.core.proposals;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.Plans;
import org.skelto.core.facts.Facts;
import org.skelto.core.facts.SurvivalFacts;
import org.skelto.core.house.LostHours;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.survival.Promise;
import org.skelto.core.plan.survival.PromiseBuilder;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.snags.Checks;
import org.skelto.core.snags.Severity;
import org.skelto.core.snags.Snag;
import org.skelto.core.survival.Promises;
import org.skelto.core.work.Progress;

/** The cheapest changes that keep promises, against trying every choice, and under the law of proposals. */
class MakeItSurviveTest {
    private static final long MILLIS = 15_000;
    private static final int MOST_TRIED = 8;

    private static Promise promise(String name, Set<DeviceKind> kinds, Criticality from, boolean one, String... out) {
        return PromiseBuilder.builder()
                .name(name)
                .kinds(new TreeSet<>(kinds))
                .devices(new TreeSet<>())
                .from(from)
                .without(new TreeSet<>(Set.of(out)))
                .hours(out.length > 0 ? 8.0 : null)
                .anyOne(one)
                .build();
    }

    private static Consequences consequences(Facts facts) {
        return new Consequences(facts, (plan, edits) -> NameAssigner.assign(Changed.after(plan, edits)));
    }

    private static MakeItSurvive.SurvivalAnswer answer(Plan plan) {
        Facts facts = new Facts(NameAssigner.assign(plan));
        return MakeItSurvive.of(facts, consequences(facts), Progress.NONE, MILLIS, System::currentTimeMillis);
    }

    private static Plan with(Plan plan, Promise... promises) {
        Map<String, Promise> all = new TreeMap<>();
        for (Promise promise : promises) {
            all.put("p" + all.size(), promise);
        }
        return plan.withPromises(all);
    }

    static Stream<Plan> promised() {
        return Stream.of(Demos.flat(), Demos.mill())
                .flatMap(plan -> Stream.of(
                        with(plan, promise("Guards without mains", Set.of(), Criticality.PROTECTIVE, false, "mains")),
                        with(plan, promise("Locks, any one", Set.of(DeviceKind.LOCK, DeviceKind.VALVE), null, true)),
                        with(
                                plan,
                                promise("Lamps without internet", Set.of(DeviceKind.LAMP), null, false, "internet"),
                                promise("Heaters, any one", Set.of(DeviceKind.HEATER), null, true))));
    }

    @TestFactory
    Stream<DynamicTest> whatIsProposedKeepsWhatWasSaidAndBringsNothing() {
        return promised()
                .map(plan -> DynamicTest.dynamicTest(
                        plan.name() + ", " + plan.promises().get("p0").name(), () -> {
                            Facts facts = new Facts(NameAssigner.assign(plan));
                            MakeItSurvive.SurvivalAnswer answer = MakeItSurvive.of(
                                    facts, consequences(facts), Progress.NONE, MILLIS, System::currentTimeMillis);
                            Map<String, Promises.BrokenPromise> now =
                                    Promises.everything(facts.plan(), facts.outages());
                            assertEquals(
                                    now.isEmpty() || answer.impossible().size() == now.size(),
                                    answer.choices().isEmpty(),
                                    answer::toString);
                            double last = 0;
                            for (MakeItSurvive.SurvivalChoice choice : answer.choices()) {
                                if (choice.brings() != null) {
                                    continue;
                                }
                                Facts then =
                                        facts.after(NameAssigner.assign(Changed.after(facts.plan(), choice.edits())));
                                Set<String> broken = Promises.broken(then.plan(), then.outages());
                                assertEquals(
                                        answer.impossible().size(), broken.size(), () -> broken + " after " + choice);
                                assertTrue(choice.cost() >= answer.bound() - 1e-6, choice::toString);
                                assertTrue(choice.cost() >= last - 1e-6, "cheapest first");
                                last = choice.cost();
                                assertEquals(List.of(), brought(facts, then), choice::toString);
                            }
                        }));
    }

    /** Each change alone, as the page makes it: with the fixes that go along. */
    @TestFactory
    Stream<DynamicTest> noChangeThatMayBeMadeBringsAnything() {
        Set<DeviceKind> some = Set.of(DeviceKind.LOCK, DeviceKind.SIREN, DeviceKind.VALVE);
        return Stream.of(Demos.flat(), Demos.mill(), ThornfellLodge.plan())
                .map(plan -> with(
                        plan,
                        promise("Without mains", plan.devices().size() < 50 ? Set.of() : some, null, false, "mains"),
                        promise("Any one", some, null, true)))
                .map(plan -> DynamicTest.dynamicTest(plan.name(), () -> {
                    Facts facts = new Facts(NameAssigner.assign(plan));
                    Consequences consequences = consequences(facts);
                    int made = 0;
                    for (SurvivalChange change : new SurvivalChanges(facts)
                            .of(Promises.everything(facts.plan(), facts.outages())
                                    .values())) {
                        Consequences.Weighed weighed = consequences.weighed(change.edits());
                        if (weighed.lawful()) {
                            made++;
                            Facts then = facts.after(consequences.after(weighed.edits()));
                            assertEquals(List.of(), brought(facts, then), change::toString);
                        }
                    }
                    assertTrue(made > 0, "some may be made");
                }));
    }

    /** Stops and fixes about things of which nothing of the kind was told before. */
    private static List<String> brought(Facts facts, Facts then) {
        Map<String, Set<String>> told = new TreeMap<>();
        Checks.snags(facts)
                .forEach(s ->
                        told.computeIfAbsent(s.code(), k -> new TreeSet<>()).addAll(s.subjects()));
        return Checks.snags(then).stream()
                .filter(s -> s.severity() != Severity.LOOK)
                .filter(s -> !told.getOrDefault(s.code(), Set.of()).containsAll(s.subjects()))
                .map(Snag::key)
                .toList();
    }

    @Test
    void theFirstChoiceIsTheCheapestOfAll() {
        Plan plan = with(
                Demos.flat(),
                promise("Locks without mains", Set.of(DeviceKind.LOCK, DeviceKind.SIREN), null, false, "mains"));
        Facts facts = new Facts(NameAssigner.assign(plan));
        MakeItSurvive.SurvivalAnswer answer = answer(plan);
        List<SurvivalChange> changes = new ArrayList<>(new SurvivalChanges(facts)
                .of(Promises.everything(facts.plan(), facts.outages()).values()));
        // more than a few would take too long to try every choice of
        changes = changes.subList(0, Math.min(MOST_TRIED, changes.size()));
        double cheapest = Double.POSITIVE_INFINITY;
        for (int bits = 0; bits < 1 << changes.size(); bits++) {
            double cost = 0;
            List<Edit> edits = new ArrayList<>();
            for (int c = 0; c < changes.size(); c++) {
                if ((bits >> c & 1) == 1) {
                    cost += changes.get(c).cost();
                    edits.addAll(changes.get(c).edits());
                }
            }
            if (cost < cheapest) {
                Facts then = facts.after(NameAssigner.assign(Changed.after(facts.plan(), edits)));
                if (Promises.broken(then.plan(), then.outages()).size()
                        == answer.impossible().size()) {
                    cheapest = cost;
                }
            }
        }
        assertTrue(answer.bound() <= cheapest + 0.2, "nothing that was tried costs less");
        if (answer.choices().isEmpty()) {
            assertEquals(0, cheapest, "nothing helps, so nothing is needed");
        } else {
            assertTrue(answer.proven());
            assertEquals(answer.bound(), answer.choices().get(0).cost(), 0.2);
        }
    }

    @Test
    void whatIsKeptNeedsNothingAndWhatNothingKeepsSaysWhy() {
        Plan kept = with(Demos.mill(), promise("Smoke", Set.of(DeviceKind.SMOKE), null, false, "internet"));
        assertEquals(List.of(), answer(kept).choices());
        Plan never = with(Demos.mill(), promise("Everything without any box", Set.of(), Criticality.VITAL, true));
        MakeItSurvive.SurvivalAnswer answer = answer(never);
        answer.impossible().forEach(b -> assertFalse(b.sentence().isBlank()));
        Facts facts = new Facts(NameAssigner.assign(never));
        assertEquals(
                Promises.broken(facts.plan(), facts.outages()).isEmpty(),
                answer.choices().isEmpty() && answer.impossible().isEmpty());
    }

    @Test
    void aSecondLineIsThoughtOfWhereMessagesMustGetOutPastTheRouter() {
        Plan plan = Changed.with(
                Plans.sound(), "/devices/probe/ways", "[\"MESSAGE\"]", "/devices/probe/jobs", "[\"ALERT_AWAY\"]");
        Promise told = promise("Told past the router", Set.of(), null, false, "unit:router", "line:router")
                .withHours(null);
        MakeItSurvive.SurvivalAnswer answer = answer(with(plan, told.withDevices(new TreeSet<>(Set.of("probe")))));
        assertEquals(
                List.of("A second line, over a box of its own, takes over when the first fails"),
                answer.choices().get(0).changes().stream()
                        .map(SurvivalChange::label)
                        .toList());
        assertNull(answer.choices().get(0).brings());
    }

    /** Held against all jobs of the house worked out anew with each change. */
    @Test
    void whatAChangeSavesIsWhatIsLessLostWithIt() {
        Facts facts = new Facts(NameAssigner.assign(Demos.mill()));
        List<HoursSaved> saved = HoursSaved.of(facts, consequences(facts), "hall-siren", Job.SOUND, Progress.NONE);
        assertFalse(saved.isEmpty());
        double last = Double.POSITIVE_INFINITY;
        for (HoursSaved one : saved) {
            Facts then = facts.after(
                    NameAssigner.assign(Changed.after(facts.plan(), one.change().edits())));
            assertEquals(hours(facts), one.beforeH(), 1e-6);
            assertEquals(hours(then), one.afterH(), 1e-6, one::toString);
            assertTrue(one.perTen() <= last, "the most for the money first");
            last = one.perTen();
        }
    }

    private static double hours(Facts facts) {
        return LostHours.of(facts.outages(), Progress.NONE).stream()
                .filter(l -> l.device().equals("hall-siren") && l.job() == Job.SOUND)
                .findFirst()
                .orElseThrow()
                .hours();
    }

    @Test
    void itEndsWhenItIsCancelledAndSaysWhatItHasWhenTimeIsUp() {
        Plan plan = with(Demos.mill(), promise("Guards", Set.of(), Criticality.PROTECTIVE, true, "mains"));
        Facts facts = new Facts(NameAssigner.assign(plan));
        Progress cancelled = new Progress() {
            @Override
            public void at(double share, String doing) {
                // nobody watches
            }

            @Override
            public boolean cancelled() {
                return true;
            }
        };
        assertThrows(
                Progress.Cancelled.class,
                () -> MakeItSurvive.of(facts, consequences(facts), cancelled, MILLIS, System::currentTimeMillis));
        long[] now = {0};
        MakeItSurvive.SurvivalAnswer answer =
                MakeItSurvive.of(facts, consequences(facts), Progress.NONE, 1, () -> now[0] += 10);
        assertTrue(answer.choices().size() <= 1);
        assertFalse(answer.proven());
    }

    @Test
    void aPromiseThatIsNotKeptIsAStopAndOneAboutNothingIsTold() {
        Plan broken = with(
                Demos.mill(),
                promise("Locks", Set.of(DeviceKind.LAMP), null, false, "mains"),
                promise("Nothing", Set.of(DeviceKind.POWERED_DOOR), null, false, "mains"),
                promise("Gone", Set.of(DeviceKind.LOCK), null, false, "unit:sold-last-year"));
        Facts facts = new Facts(NameAssigner.assign(broken));
        Map<String, Severity> told = new TreeMap<>();
        Checks.snags(facts).stream()
                .filter(s -> s.code().equals("O10"))
                .forEach(s -> told.put(s.subjects().get(0), s.severity()));
        assertEquals(
                Map.of("/promises/p0", Severity.STOP, "/promises/p1", Severity.LOOK, "/promises/p2", Severity.LOOK),
                told);
        assertNull(new Facts(NameAssigner.assign(Demos.mill()))
                .get(SurvivalFacts.PROMISES).stream().findFirst().orElse(null));
    }
}
