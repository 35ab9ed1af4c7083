package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelto.core.Changed;
import org.skelto.core.Workshop;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.State;
import org.skelto.core.plan.Plan;

/** O9: a job that is lost though nothing has failed is told once for all devices that miss the same. */
class LostTest {
    private static List<Snag> lost(Plan plan) {
        return new Watched("O9").snags(plan);
    }

    @Test
    void unitsThatNoHubServesAreServedByOneEdit() {
        assertEquals(List.of(), lost(Workshop.plan()));
        Plan plan = Changed.with(Workshop.plan(), "/units/board/hub", "null", "/units/probe/hub", "null");
        List<Snag> all = lost(plan);
        assertEquals(1, all.size(), all.toString());
        assertTrue(all.get(0).figures().endsWith("no hub serves it"), all.get(0).figures());
        assertEquals("Let hub serve them", all.get(0).fixes().get(0).label());
        Plan served = Changed.after(plan, all.get(0).fixes().get(0).edits());
        assertEquals(List.of(), lost(served));
        assertTrue(new Facts(served)
                .outages().now().values().stream().allMatch(s -> s.state().compareTo(State.LOST) < 0));
    }

    @Test
    void aBatteryUnitThatNothingHearsIsHeardByTheHubAfterOneEdit() {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/links/probe-gateway",
                "-",
                "/links/gateway-switch",
                "-",
                "/units/gateway",
                "-",
                "/units/probe/radios",
                "{}");
        Watched watched = new Watched("R1|O9");
        Snag alone = watched.snags(plan).stream()
                .filter(s -> s.code().equals("R1"))
                .findFirst()
                .orElseThrow();
        assertEquals(
                "hub gets a radio for it: 802.15.4 mesh", alone.fixes().get(0).label());
        Plan heard = Changed.after(plan, alone.fixes().get(0).edits());
        watched.noneIn(heard);
        assertTrue(
                pressing(plan).containsAll(pressing(heard)),
                () -> pressing(heard).toString());
    }

    private static List<String> pressing(Plan plan) {
        return ChecksTest.snags(new Facts(plan)).stream()
                .filter(s -> s.severity() != Severity.LOOK)
                .map(Snag::title)
                .toList();
    }

    @Test
    void whatNoHubCanReachIsToldWithoutAnOffer() {
        Plan plan = Changed.with(
                Workshop.plan(), "/units/probe/hub", "null", "/links/probe-gateway", "-", "/units/probe/radios", "{}");
        assertTrue(lost(plan).stream()
                .anyMatch(s -> s.title().contains("probe") && s.fixes().isEmpty()));
    }
}
