package org.skelto.core.sample;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.facts.Facts;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Plan;
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
        assertEquals(
                60,
                plan.devices().values().stream().map(d -> d.unit()).distinct().count());
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
    void withoutTheFirstFloorsAccessPointsOnlyTheDevicesOfThatFloorLoseTheApp() {
        Set<String> gone = plan.units().keySet().stream()
                .filter(u -> u.startsWith("first-ap"))
                .map(u -> "unit:" + u)
                .collect(Collectors.toSet());
        Assessment before = Assessment.of(figures, Set.of());
        Assessment after = Assessment.of(figures, gone);
        Set<String> changed = plan.devices().keySet().stream()
                .filter(d ->
                        before.states().get(d).state() != after.states().get(d).state())
                .collect(Collectors.toSet());
        assertEquals(
                plan.devices().keySet().stream()
                        .filter(d -> d.startsWith("first-"))
                        .collect(Collectors.toSet()),
                changed);
    }
}
