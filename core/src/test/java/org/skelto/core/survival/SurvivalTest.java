package org.skelto.core.survival;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.skelto.core.Demos;
import org.skelto.core.Modelled;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.house.State;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.survival.Promise;
import org.skelto.core.plan.survival.PromiseBuilder;
import org.skelto.core.survival.OutageMatrix.Grouping;
import org.skelto.core.survival.OutageMatrix.MatrixColumn;

/** What is shown of outages says what the model says of each. */
class SurvivalTest {
    private final Plan mill = Demos.mill();
    private final Outages outages = outages(mill);

    private static Outages outages(Plan plan) {
        return Modelled.outages(plan, (link, sender) -> true);
    }

    @Test
    void everyCellIsWhatTheModelSaysAndEveryDeviceStandsOnce() {
        for (Grouping by : Grouping.values()) {
            OutageMatrix matrix = OutageMatrix.of(mill, outages, by, null);
            Set<String> seen = new HashSet<>();
            for (int c = 0; c < matrix.columns().size(); c++) {
                MatrixColumn column = matrix.columns().get(c);
                Map<String, DeviceState> plain = outages.at(
                        column.lastsH() > 0
                                ? new Outage(column.without(), column.lastsH(), null, column.lastsH())
                                : Outage.of(column.without()));
                for (OutageMatrix.MatrixRow row : matrix.rows()) {
                    for (String device : row.devices()) {
                        assertEquals(
                                plain.get(device).state().ordinal(),
                                row.states().charAt(c) - '0',
                                device + " without " + column);
                        seen.add(device);
                    }
                }
            }
            assertEquals(mill.devices().keySet(), seen);
            assertEquals(
                    mill.devices().size(),
                    matrix.rows().stream().mapToInt(r -> r.devices().size()).sum());
        }
    }

    @Test
    void aPairStandsThereBecauseNeitherOfItDoesThatAlone() {
        List<Set<String>> pairs = outages.many().worsePairs(20);
        assertFalse(pairs.isEmpty());
        for (Set<String> pair : pairs) {
            Map<String, DeviceState> together = outages.without(pair);
            boolean worse = together.entrySet().stream()
                    .anyMatch(e -> e.getValue().jobs().stream()
                            .anyMatch(job -> lost(job)
                                    && pair.stream()
                                            .noneMatch(
                                                    one -> outages.without(Set.of(one)).get(e.getKey()).jobs().stream()
                                                            .anyMatch(alone ->
                                                                    alone.job() == job.job() && lost(alone)))));
            assertTrue(worse, pair::toString);
        }
    }

    private static boolean lost(DeviceState.JobState job) {
        return job.state().compareTo(State.LOST) >= 0;
    }

    @Test
    void whatChangedSinceAnEarlierRevisionStandsBeside() {
        Plan before = mill.withLinks(new TreeMap<>(Map.of()));
        OutageMatrix matrix = OutageMatrix.of(mill, outages, Grouping.NONE, outages(before));
        assertTrue(matrix.rows().stream()
                .anyMatch(r -> r.before() != null && !r.before().equals(r.states())));
        OutageMatrix same = OutageMatrix.of(mill, outages, Grouping.NONE, outages(mill));
        same.rows().forEach(r -> assertEquals(r.states(), r.before()));
    }

    private static Promise promise(Set<DeviceKind> kinds, Set<String> without, Double hours, boolean one) {
        return PromiseBuilder.builder()
                .name("p")
                .kinds(new TreeSet<>(kinds))
                .without(new TreeSet<>(without))
                .hours(hours)
                .anyOne(one)
                .build();
    }

    /** Straight from the words: every moment of the outage, every component alone, each by the plain model. */
    @Test
    void aPromiseIsKeptWhenNothingOfItIsLostAtAnyMoment() {
        for (DeviceKind kind : DeviceKind.values()) {
            for (double hours : new double[] {0, 5, 30}) {
                Promise promise = promise(Set.of(kind), Set.of("mains"), hours, false);
                Plan plan = mill.withPromises(Map.of("p", promise));
                Promises.JudgedPromise judged = Promises.of(plan, outages(plan)).get(0);
                Set<String> fallen = new TreeSet<>();
                for (double at = 0; at <= hours; at += 0.25) {
                    Outage outage = hours == 0
                            ? Outage.of(Supposed.mains(outages))
                            : new Outage(Supposed.mains(outages), hours, null, at);
                    outages.at(outage).forEach((id, state) -> {
                        if (mill.devices().get(id).kind() == kind
                                && state.state().compareTo(State.BY_HAND) > 0) {
                            fallen.add(id);
                        }
                    });
                }
                assertEquals(fallen.isEmpty(), judged.kept(), kind + " " + hours);
                assertEquals(fallen.size(), judged.count(), kind + " " + hours);
            }
        }
    }

    @Test
    void anyOneIsEveryBoxByItself() {
        Plan plan = mill.withPromises(Map.of("p", promise(Set.of(DeviceKind.LAMP), Set.of(), null, true)));
        Promises.JudgedPromise judged = Promises.of(plan, outages(plan)).get(0);
        Set<String> fallen = new TreeSet<>();
        outages.components().values().forEach(c -> {
            switch (c.kind()) {
                case MAINS, WIRE, FEED, LINK -> {}
                default ->
                    outages.without(Set.of(c.id())).forEach((id, state) -> {
                        if (mill.devices().get(id).kind() == DeviceKind.LAMP
                                && state.state().compareTo(State.BY_HAND) > 0) {
                            fallen.add(id);
                        }
                    });
            }
        });
        assertEquals(fallen.size(), judged.count());
        assertTrue(judged.outages() > 20, "held against " + judged.outages());
    }

    @Test
    void noDeviceIsHeldAgainstTheLossOfItselfUnlessThatIsNamed() {
        Promise any = promise(Set.of(DeviceKind.LEAK), Set.of(), null, true);
        Plan plan = mill.withPromises(
                Map.of("p", any, "q", any.withAnyOne(false).withWithout(new TreeSet<>(Set.of("unit:bath-leak")))));
        Map<String, Promises.BrokenPromise> broken = Promises.everything(plan, outages(plan));
        assertTrue(broken.values().stream().anyMatch(b -> b.device().equals("bath-leak")), broken::toString);
        assertEquals(
                List.of("q bath-leak bath leak probe"),
                broken.keySet().stream()
                        .filter(k -> k.endsWith("bath-leak bath leak probe"))
                        .toList());
    }

    @Test
    void doorsSayWhoGetsThroughAndWhatStandsOpen() {
        Outage dark = new Outage(Supposed.mains(outages), 24.0, null, 24);
        List<WaysOut> doors = WaysOut.of(mill, outages, dark);
        Map<String, DeviceState> states = outages.at(dark);
        assertFalse(doors.isEmpty());
        for (WaysOut door : doors) {
            assertEquals(states.get(door.device()).state(), door.state());
            Set<Job> jobs = new HashSet<>();
            states.get(door.device()).jobs().forEach(j -> jobs.add(j.job()));
            assertEquals(jobs.contains(Job.LET_OUT), door.out() != null, door::toString);
            assertEquals(jobs.contains(Job.KEEP_OUT), door.keepsOut() != null, door::toString);
            boolean gone = states.get(door.device()).jobs().stream()
                    .anyMatch(j -> j.sentence().startsWith("the outside door stands open"));
            assertTrue(door.open() || !gone, door::toString);
        }
    }

    @Test
    void whatComesBackIsOfUseWhenAllThatItNeedsHasStarted() {
        Outage dark = new Outage(Supposed.mains(outages), 24.0, null, 24);
        StartOrder order = StartOrder.of(mill, outages, dark);
        Set<String> starting = new TreeSet<>();
        outages.units(dark).forEach((id, t) -> {
            if (t.dark()) {
                starting.add(id);
            }
        });
        Map<String, StartOrder.Start> byUnit = new TreeMap<>();
        order.starts().forEach(s -> byUnit.put(s.unit(), s));
        assertEquals(starting, byUnit.keySet());
        int last = 0;
        for (StartOrder.Start start : order.starts()) {
            assertTrue(start.usableS() >= last && start.usableS() >= start.readyS(), start::toString);
            last = start.usableS();
            String hub = mill.units().get(start.unit()).hub();
            if (hub != null && byUnit.containsKey(hub)) {
                assertTrue(start.usableS() > byUnit.get(hub).readyS(), start::toString);
            }
            assertEquals(start.usableS() > start.readyS(), start.waitsFor() != null, start::toString);
        }
        // a board on a relay is there long before the hub that serves it: it must ask again
        assertTrue(byUnit.get("meal-relays").early());
        assertEquals("hub", byUnit.get("meal-relays").waitsFor());
        order.outputs()
                .forEach(o -> assertTrue(
                        starting.contains(mill.devices().get(o.device()).unit()), o.name()));
        assertEquals(
                List.of(), StartOrder.of(mill, outages, Outage.of(Set.of())).starts());
    }

    @Test
    void peopleAreToldUntilTheLastWayGoes() {
        Outage dark = new Outage(Supposed.mains(outages), 24.0, null, 24);
        List<PeopleTold> told = PeopleTold.of(mill, outages, dark);
        assertFalse(told.isEmpty());
        int silent = 0;
        for (PeopleTold one : told) {
            assertEquals(one.left().isEmpty(), one.silentFromH() != null, one::toString);
            if (one.silentFromH() == null) {
                assertNull(one.silent());
                continue;
            }
            assertNotNull(one.silent());
            silent++;
            // a minute before somebody was told
            if (one.silentFromH() > 0.1) {
                assertTrue(
                        outages.at(dark.at(one.silentFromH() - 0.01)).get(one.device()).jobs().stream()
                                .filter(j -> j.job() == one.job())
                                .flatMap(j -> j.ways().stream())
                                .anyMatch(DeviceState.WayState::works),
                        one::toString);
            }
        }
        assertTrue(silent > 0, "some fall silent");
    }
}
