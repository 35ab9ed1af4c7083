package org.skelto.core.sample;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.DeviceState;
import org.skelto.core.house.Moment;
import org.skelto.core.house.Outage;
import org.skelto.core.house.Outages;
import org.skelto.core.house.State;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.validation.PlanValidator;
import org.skelto.core.snags.Severity;
import org.skelto.core.snags.Snag;

class ThornfellLodgeTest {
    private final Plan plan = NameAssigner.assign(ThornfellLodge.plan());
    private final Facts figures = new Facts(plan);

    @Test
    void theLargeHouseHasItsSizeAndIsAValidPlan() {
        assertEquals(List.of(), PlanValidator.problems(plan));
        assertEquals(60, plan.rooms().size());
        assertEquals(500, plan.devices().size());
        assertEquals(60, units(u -> u.kind() == UnitKind.CONTROLLER && u.boards() != null));
        assertEquals(
                60,
                units(u -> u.kind() == UnitKind.SELF_CONTAINED
                        && u.radio(Medium.MESH_802154).isPresent()));
        assertEquals(2, units(u -> u.is(UnitKind.HUB)));
        assertEquals(2, units(Unit::internetEntry));
        assertEquals(2, units(u -> u.is(UnitKind.PANEL)));
        assertTrue(plan.links().values().stream()
                .map(Link::medium)
                .toList()
                .containsAll(List.of(Medium.MESH_G9959, Medium.RS485, Medium.CONTACT)));
    }

    @Test
    void itIsWiredWithoutStopsAndEveryLinkReaches() {
        Assessment assessment = Assessment.of(figures, Set.of());
        assertEquals(
                Map.of(),
                assessment.snags().stream()
                        .filter(s -> s.severity() == Severity.STOP)
                        .collect(Collectors.groupingBy(Snag::code, Collectors.counting())),
                () -> assessment.wired().get("first-3-board").toString());
        assertTrue(
                assessment.links().values().stream().allMatch(l -> l.meets()),
                () -> assessment.links().entrySet().stream()
                        .filter(e -> !e.getValue().meets())
                        .map(Map.Entry::getKey)
                        .toList()
                        .toString());
    }

    @Test
    void stationsRoamSoThatNoAccessPointIsMissedAlone() {
        Assessment before = Assessment.of(figures, Set.of());
        Set<String> points = plan.units().keySet().stream()
                .filter(u -> u.contains("-ap-"))
                .map(u -> "unit:" + u)
                .collect(Collectors.toSet());
        points.forEach(point -> assertEquals(Set.of(), changed(before, Set.of(point)), point));
        Set<String> silent = changed(before, points);
        assertEquals(
                plan.devices().entrySet().stream()
                        .filter(e -> e.getValue().unit().endsWith("-board"))
                        .map(Map.Entry::getKey)
                        .filter(id -> !id.endsWith("-d6"))
                        .collect(Collectors.toSet()),
                silent.stream()
                        .filter(id -> !id.endsWith("-d6"))
                        .filter(id -> id.matches(".*-d[0-5]"))
                        .collect(Collectors.toSet()));
    }

    private Set<String> changed(Assessment before, Set<String> gone) {
        Assessment after = Assessment.of(figures, gone);
        return plan.devices().keySet().stream()
                .filter(d ->
                        before.states().get(d).state() != after.states().get(d).state())
                .collect(Collectors.toSet());
    }

    @Test
    void theCorridorsAreLitWithoutTheHubsByButtonsBoundOverTheBus() {
        Outages outages = figures.outages();
        Set<String> hubs = Set.of("unit:hub", "unit:guest-hub");
        for (String floor : List.of("ground", "first", "second")) {
            List<DeviceState.WayState> ways =
                    outages.without(hubs).get(floor + "-0-d0").jobs().get(0).ways();
            assertTrue(ways.stream().anyMatch(w -> w.way().contains("at the stairs") && w.works()), ways::toString);
        }
    }

    @Test
    void withoutTheMainsTheStairsOpenOnlyWhenTheirBackupHasRunOut() {
        Outage night = new Outage(Set.of("mains"), 48.0, null, 1.0);
        Outages outages = figures.outages();
        DeviceState stairs = outages.at(night).get("stair-lock-first");
        assertTrue(stairs.jobs().stream().noneMatch(j -> j.state() == State.UNSAFE), stairs::sentence);
        List<Moment> moments = outages.moments(night);
        assertTrue(moments.stream().anyMatch(m -> m.words().contains("First floor rail")), moments::toString);
        State out = outages.at(night.at(48)).get("front-lock").jobs().stream()
                .filter(j -> j.job() == Job.LET_OUT)
                .findFirst()
                .orElseThrow()
                .state();
        assertTrue(out.compareTo(State.LOST) < 0, "the handle inside always opens");
    }

    @Test
    void theWaterMeshKeepsToItsHops() {
        // without its gateways on the first floor and the western repeaters the eastern ones are out of reach of
        // nobody's five hops
        Outages outages = figures.outages();
        outages.without(Set.of("unit:water-gateway")).forEach((id, state) -> {
            if (id.endsWith("-leak")) {
                assertEquals(State.HOLDS, state.state(), id);
            }
        });
        outages.without(Set.of("unit:water-gateway", "unit:water-gateway-first"))
                .forEach((id, state) -> {
                    if (id.endsWith("-leak")) {
                        assertEquals(State.LOST, state.state(), id);
                    }
                });
    }

    private long units(Predicate<Unit> test) {
        return plan.units().values().stream().filter(test).count();
    }
}
