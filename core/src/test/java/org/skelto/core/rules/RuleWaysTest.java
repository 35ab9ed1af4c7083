package org.skelto.core.rules;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.skelto.core.Demos;
import org.skelto.core.Modelled;
import org.skelto.core.house.DeviceState.WayState;
import org.skelto.core.house.Outages;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.rules.Rule;

/** A rule is a way only while its host and all that it asks are there. */
class RuleWaysTest {
    private static WayState rule(Plan plan, String device, String... failed) {
        Outages outages = Modelled.outages(plan, (link, sender) -> true);
        return outages.without(Set.of(failed)).get(device).jobs().stream()
                .flatMap(j -> j.ways().stream())
                .filter(w -> w.way().equals("rule"))
                .findFirst()
                .orElseThrow();
    }

    private static Plan only(String... rules) {
        Map<String, Rule> kept = new TreeMap<>(Demos.mill().rules());
        kept.keySet().retainAll(Set.of(rules));
        return Demos.mill().withRules(kept);
    }

    @Test
    void aRuleOfTheOwnBoardNeedsNoHub() {
        Plan own = only("pit-pump");
        assertTrue(rule(own, "pit-pump", "unit:hub").works());
        assertFalse(rule(own, "pit-pump", "unit:pit-sender").works());
        // without a rule the tick stands for one on the hub
        assertFalse(rule(only(), "pit-pump", "unit:hub").works());
    }

    @Test
    void aRuleOfTheHubNeedsItsRulesAndWhatItHears() {
        Plan hub = only("leak-shuts-the-water");
        assertTrue(rule(hub, "water-stop").works());
        assertFalse(rule(hub, "water-stop", "rules:hub").works());
        // one probe is enough, none is not
        assertTrue(rule(hub, "water-stop", "unit:bath-leak").works());
        assertFalse(rule(hub, "water-stop", "unit:bath-leak", "unit:leak-strip").works());
    }

    @Test
    void whatItAsksIsNeededAndTheClockIsAlwaysThere() {
        Plan asks = only("hopper-on");
        assertTrue(rule(asks, "hopper-lamps", "unit:hub").works());
        Plan clock = only("study-late");
        assertTrue(rule(clock, "study-lamp").works());
        Plan locked = only("high-water");
        Plan elsewhere = locked.withRules(
                Map.of("high-water", locked.rules().get("high-water").withHost("hub")));
        assertTrue(rule(elsewhere, "sluice-valve").works());
        // its interlock asks the turbine's valve
        assertFalse(rule(elsewhere, "sluice-valve", "unit:turbine-board").works());
    }

    @Test
    void aRuleThatRestsOrNamesWhatIsGoneIsNone() {
        Plan own = only("pit-pump");
        Rule rule = own.rules().get("pit-pump");
        for (Rule other : new Rule[] {rule.withOff(true), rule.withHost("gone"), rule.withHost(null)}) {
            assertEquals(
                    rule(only(), "pit-pump", "unit:hub"),
                    rule(own.withRules(Map.of("pit-pump", other)), "pit-pump", "unit:hub"));
        }
    }
}
