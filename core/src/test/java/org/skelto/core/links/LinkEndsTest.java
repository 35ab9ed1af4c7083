package org.skelto.core.links;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.skelto.core.Demos;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.validation.PlanValidator;
import org.skelto.core.sample.ThornfellLodge;

class LinkEndsTest {
    @Test
    void everyOtherEndIsOneThatHearsAndThatThePlanTakes() {
        for (Plan plan : List.of(Demos.mill(), Demos.flat(), ThornfellLodge.plan())) {
            Map<String, List<String>> ends = LinkEnds.of(plan);
            assertEquals(plan.links().keySet(), ends.keySet());
            plan.links().forEach((id, link) -> {
                assertFalse(ends.get(id).contains(link.from()), id);
                if (link.medium() == Medium.ETHERNET) {
                    ends.get(id)
                            .forEach(e -> assertTrue(
                                    plan.units().get(e).is(UnitKind.SWITCH)
                                            || plan.units().get(e).is(UnitKind.ROUTER),
                                    e));
                }
            });
        }
        Plan flat = Demos.flat();
        LinkEnds.of(flat)
                .forEach((id, ends) -> ends.forEach(end -> {
                    Map<String, Link> links = new java.util.TreeMap<>(flat.links());
                    links.put(id, links.get(id).with(l -> l.to(end)));
                    assertEquals(List.of(), PlanValidator.problems(flat.withLinks(links)), id + " to " + end);
                }));
    }
}
