package org.skelto.core.house;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.RandomEdits;
import org.skelto.core.Workshop;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.DeviceState.WayState;
import org.skelto.core.links.LinkReport;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Job;

/** What holds of every house: names do not matter, nor does what has nothing to do with it; every screen says the same. */
class HouseLawsTest {
    static Stream<Plan> houses() {
        return Stream.of(Demos.flat(), Demos.mill(), Workshop.plan());
    }

    private static Map<String, Map<Job, State>> states(Plan plan, Outage outage) {
        Map<String, Map<Job, State>> all = new TreeMap<>();
        new Facts(plan).outages().at(outage).forEach((id, state) -> {
            Map<Job, State> jobs = new EnumMap<>(Job.class);
            state.jobs().forEach(j -> jobs.put(j.job(), j.state()));
            all.put(id, jobs);
        });
        return all;
    }

    @ParameterizedTest
    @MethodSource("houses")
    void renamingChangesNothingAndNeitherDoesWhatHasNothingToDoWithIt(Plan house) {
        RandomEdits edits = new RandomEdits(8);
        Plan plan = house;
        for (int i = 0; i < 12; i++) {
            plan = edits.next(edits.next(plan));
            Plan other = plan.withUnits(
                            renamed(plan.units(), u -> u.withName("u" + u.name().hashCode())))
                    .withDevices(renamed(
                            plan.devices(), d -> d.withName("d" + d.name().hashCode())));
            Plan more = Changed.with(
                    plan,
                    "/units/unrelated",
                    "{\"name\":\"unrelated\",\"kind\":\"CONTROLLER\",\"power\":{\"source\":\"BATTERY\",\"backupH\":0},"
                            + "\"channels\":4,\"maxClients\":0,\"internetEntry\":false,\"broker\":false,\"radios\":{}}");
            for (Outage outage : new Outage[] {
                Outage.of(Set.of()), Outage.of(Set.of("internet")), new Outage(Set.of("mains"), 30.0, null, 5)
            }) {
                Map<String, Map<Job, State>> before = states(plan, outage);
                assertEquals(before, states(other, outage));
                assertEquals(before, states(more, outage));
            }
        }
    }

    private static <T> Map<String, T> renamed(Map<String, T> all, java.util.function.UnaryOperator<T> rename) {
        Map<String, T> other = new TreeMap<>();
        all.forEach((id, thing) -> other.put(id, rename.apply(thing)));
        return other;
    }

    /** Hours at Power, moments and troubles at Outages; chances at Links, weak ways at Outages. */
    @ParameterizedTest
    @MethodSource("houses")
    void everyScreenSaysTheSame(Plan plan) {
        Facts facts = new Facts(plan);
        Outages outages = facts.outages();
        Outage dark = new Outage(Set.of(Component.MAINS), Outage.LONGEST_H, null, 0);
        Map<String, Double> goes = new HashMap<>();
        outages.moments(dark).forEach(m -> m.units().forEach(u -> goes.put(u, m.atH())));
        facts.backups()
                .forEach(path -> path.boxes().forEach(box -> {
                    boolean now = outages.units(dark).containsKey(box.unit())
                            && outages.units(dark).get(box.unit()).dark();
                    assertEquals(
                            now ? 0 : goes.getOrDefault(box.unit(), Outage.LONGEST_H), box.hours(), 1e-9, box.unit());
                    if (facts.power().get(box.unit()).store() != null
                            && box.hours() > 0
                            && goes.containsKey(box.unit())) {
                        assertTrue(box.hours()
                                >= facts.power().get(box.unit()).store().hours() - 1e-9);
                    }
                }));
        outages.now()
                .forEach((device, state) -> outages.why(device, Outage.of(Set.of()))
                        .forEach(route -> route.steps().stream()
                                .filter(s -> s.link() != null)
                                .forEach(step -> {
                                    LinkReport link = facts.links().get(step.link());
                                    assertTrue(step.chance() <= link.chance(step.from()) + 1e-9);
                                })));
        outages.now().values().stream()
                .flatMap(s -> s.jobs().stream())
                .flatMap(j -> j.ways().stream())
                .map(WayState::weakPercent)
                .forEach(percent -> assertTrue(percent == null || percent > 0 && percent < 99));
    }
}
