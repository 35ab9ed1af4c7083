package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Plans;
import org.skelto.core.facts.Facts;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.Credential;
import org.skelto.core.plan.network.OpenedPort;

/** O7 and N10: what may stay deaf after a power cut, and what the internet may knock at. */
class ReturnChecksTest {
    private static List<Snag> of(Plan plan, String code) {
        return ChecksTest.snags(new Facts(plan)).stream()
                .filter(s -> s.code().equals(code))
                .toList();
    }

    private static Plan board(Boolean asks, Integer startS) {
        Unit board = Plans.sound().units().get("board");
        return Plans.put(Plans.sound(), "board", board.withAsksAgain(asks).withStartS(startS));
    }

    @ParameterizedTest
    @CsvSource({"true, , ", "false, , FIX", ", , LOOK", "false, 300, ", "false, 88, "})
    void aBoardThatIsThereBeforeItsHubStaysDeafUnlessItAsksAgainOrStartsLater(
            Boolean asks, Integer startS, Severity severity) {
        List<Snag> found = of(board(asks, startS), "O7");
        assertEquals(
                severity == null ? List.of() : List.of(severity),
                found.stream().map(Snag::severity).toList());
    }

    @Test
    void aHubThatIsThereBeforeTheBrokerOfAnotherBoxIsDeafToo() {
        Plan plan = Plans.sound();
        Plan apart =
                Plans.put(plan, "hub", plan.units().get("hub").withBroker(false).withAsksAgain(false));
        apart = Plans.put(
                apart, "broker", plan.units().get("hub").withName("broker box").withStartS(200));
        apart = Plans.link(
                apart, "broker-switch", plan.links().get("hub-switch").withFrom("broker"));
        List<Snag> found = of(apart, "O7");
        assertTrue(
                found.stream().anyMatch(s -> s.title().equals("hub starts before broker box and does not ask again")),
                found::toString);
    }

    @ParameterizedTest
    @CsvSource({
        ", CHANGED, FIX",
        "for the neighbours, CHANGED, ",
        "for the neighbours, , LOOK",
        "for the neighbours, FACTORY, STOP",
        ", FACTORY, STOP"
    })
    void aPortOpenToTheInternetIsJudgedByItsNeedAndByThePasswordBehindIt(
            String need, Credential.State state, Severity severity) {
        Plan plan = Plans.sound();
        Plan open = plan.with(p -> {
            p.network(plan.network().withOpened(Map.of("page", new OpenedPort("hub", 443, need))));
            Map<String, Credential> said = new java.util.TreeMap<>(plan.credentials());
            said.put("admin.hub", new Credential(state, null, null, null));
            p.credentials(said);
        });
        List<Snag> found = of(open, "N10");
        assertEquals(
                severity == null ? List.of() : List.of(severity),
                found.stream().map(Snag::severity).toList());
    }
}
