package org.skelto.core.house;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.skelto.core.house.State.BY_HAND;
import static org.skelto.core.house.State.HOLDS;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.Plans;
import org.skelto.core.facts.Facts;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Direction;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.power.Circuit;
import org.skelto.core.plan.power.Circuit.Phase;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.radio.Medium;

/** Media without a radio: the mains wires, a bus, light within a room, contacts; and roles, relays, loans of addresses. */
class MediaTest {
    /** The lamp's board hangs on the hub by some medium instead of Wi-Fi. */
    private static Plan by(Medium medium) {
        Plan plan = Plans.sound();
        Map<String, Link> links = new TreeMap<>(plan.links());
        links.remove("board-ap");
        links.put("hub-board", Link.of("hub", "board", medium, null, null, null));
        // without its Wi-Fi it is not on the house network, and needs no broker
        return Plans.put(plan, "board", plan.units().get("board").withRadios(Map.of()))
                .withLinks(links);
    }

    private static Plan circuits(Plan plan, Phase hub, Phase board, boolean filtered) {
        Map<String, Circuit> circuits = new TreeMap<>(plan.circuits());
        circuits.put("one", new Circuit("One", null, null, null, hub, null));
        circuits.put("two", new Circuit("Two", null, null, null, board, filtered));
        Plan changed = plan.withCircuits(circuits);
        changed = Plans.put(changed, "hub", changed.units().get("hub").withPower(Power.mains("one")));
        return Plans.put(changed, "board", changed.units().get("board").withPower(Power.mains("two")));
    }

    private static DeviceState lamp(Plan plan, String... without) {
        return new Facts(plan).outages().without(Set.of(without)).get("lamp");
    }

    @ParameterizedTest
    @CsvSource({
        "L1, L1, false, HOLDS",
        "L1, , false, HOLDS",
        "L1, L2, false, BY_HAND",
        "L1, L1, true, BY_HAND",
    })
    void theCarrierKeepsToItsPhaseAndStopsAtAFilter(Phase hub, Phase board, boolean filtered, State expected) {
        assertEquals(
                expected,
                lamp(circuits(by(Medium.POWER_LINE), hub, board, filtered)).state());
    }

    @Test
    void aCouplerJoinsPhasesWhileItLives() {
        Plan apart = circuits(by(Medium.POWER_LINE), Phase.L1, Phase.L3, false);
        Plan joined = Plans.put(apart, "coupler", Plans.unit("coupler", UnitKind.COUPLER, 1.2));
        assertEquals(HOLDS, lamp(joined).state());
        assertEquals(BY_HAND, lamp(joined, "unit:coupler").state());
        Outages outages = new Facts(joined).outages();
        WayRoute rule = outages.why("lamp", Outage.of(Set.of())).stream()
                .filter(w -> w.way().equals("rule"))
                .findFirst()
                .orElseThrow();
        assertTrue(rule.alone().stream().anyMatch(a -> a.component().equals("unit:coupler")), rule::toString);
        DeviceState without = lamp(joined, "unit:coupler");
        assertTrue(without.sentence().contains("coupler is out"), without::sentence);
        assertTrue(
                lamp(apart).sentence().contains("nothing gets from hub to board over their link"),
                lamp(apart)::sentence);
    }

    @Test
    void whoeverSpeaksOnTheMainsIsHeardByAllThatDo() {
        // the board's link leads to another speaker, not to the hub
        Plan plan = by(Medium.POWER_LINE);
        plan = Plans.put(plan, "meter", Plans.unit("meter", UnitKind.CONTROLLER, 1.2));
        plan = plan.withLinks(Map.of(
                "a", Link.of("board", "meter", Medium.POWER_LINE, null, null, null),
                "b", Link.of("meter", "hub", Medium.POWER_LINE, null, null, null)));
        assertEquals(
                HOLDS,
                lamp(plan.withDevices(Map.of("lamp", ruled(plan))), "unit:meter")
                        .state());
    }

    private static org.skelto.core.plan.equipment.Device ruled(Plan plan) {
        return plan.devices().get("lamp").withWays(new TreeSet<>(Set.of(org.skelto.core.plan.equipment.Way.RULE)));
    }

    @Test
    void thePairOfABusRunsPastADeadUnitButNotPastACut() {
        Plan plan = by(Medium.RS485);
        plan = Plans.put(plan, "between", Plans.unit("between", UnitKind.CONTROLLER, 3.5));
        plan = plan.withDevices(Map.of("lamp", ruled(plan)))
                .withLinks(Map.of(
                        "a", Link.of("board", "between", Medium.RS485, null, null, null),
                        "b", Link.of("between", "hub", Medium.RS485, null, null, null)));
        assertEquals(HOLDS, lamp(plan).state());
        assertEquals(HOLDS, lamp(plan, "unit:between").state());
        assertEquals(BY_HAND, lamp(plan, "link:a").state());
        assertEquals(BY_HAND, lamp(plan, "link:b").state());
        WayRoute rule =
                new Facts(plan).outages().why("lamp", Outage.of(Set.of())).get(1);
        List<String> alone =
                rule.alone().stream().map(WayRoute.HangsOn::component).toList();
        assertTrue(alone.contains("link:a") && alone.contains("link:b"), alone::toString);
        assertTrue(!alone.contains("unit:between"), alone::toString);
    }

    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void lightStaysInItsRoom(boolean sameRoom) {
        Plan plan = by(Medium.INFRARED);
        plan = Plans.put(plan, "eye", Plans.unit("eye", UnitKind.INFRARED_SENDER, sameRoom ? 7 : 3, Medium.WIFI_2G4));
        plan = plan.withDevices(Map.of("lamp", ruled(plan)));
        Map<String, Link> links = new TreeMap<>(Plans.sound().links());
        links.remove("board-ap");
        links.put("eye-ap", Link.of("eye", "ap", Medium.WIFI_2G4, null, null, null));
        links.put("eye-board", Link.of("eye", "board", Medium.INFRARED, null, null, null));
        plan = plan.withLinks(links);
        assertEquals(sameRoom ? HOLDS : BY_HAND, lamp(plan).state());
        // nothing comes back over light
        assertEquals(Direction.ONE_WAY, plan.links().get("eye-board").direction());
        assertEquals(BY_HAND, lamp(plan, "unit:eye").state());
    }

    @ParameterizedTest
    @EnumSource(names = {"RS485", "CONTACT", "ETHERNET"})
    void aCableMayBeTooLong(Medium medium) {
        Plan plan = by(medium);
        double most = medium == Medium.ETHERNET ? 100 : medium == Medium.RS485 ? 1200 : 750;
        for (double length : List.of(most, most + 0.1)) {
            Plan laid = plan.withLinks(Map.of("hub-board", Link.of("hub", "board", medium, null, length, null)));
            assertEquals(
                    length == most ? HOLDS : BY_HAND,
                    lamp(laid.withDevices(Map.of("lamp", ruled(laid)))).state());
        }
    }

    @Test
    void rolesAddUp() {
        // one box is router, access point and hub
        Plan plan = Plans.sound();
        var box = plan.units()
                .get("router")
                .with(u -> u.roles(new TreeSet<>(Set.of(UnitKind.HUB, UnitKind.ACCESS_POINT)))
                        .broker(true)
                        .radios(plan.units().get("ap").radios()));
        Plan all = plan.withUnits(
                        Map.of("box", box, "board", plan.units().get("board").withHub("box")))
                .withDevices(Map.of("lamp", plan.devices().get("lamp")))
                .withLinks(Map.of("l", Link.of("board", "box", Medium.WIFI_2G4, null, null, null)));
        assertEquals(HOLDS, lamp(all).state());
        assertEquals(BY_HAND, lamp(all, "unit:box").state());
        assertEquals(State.REDUCED, lamp(all, "rules:box").state());
    }

    @Test
    void anAddressOnLoanIsLostWhenTheRouterStaysAway() {
        Plan plan = Plans.sound();
        Plan lent = Plans.put(plan, "board", plan.units().get("board").withLeaseH(12.0));
        Outages outages = new Facts(lent).outages();
        Outage away = new Outage(Set.of("unit:router"), 24.0, null, 12.0);
        assertEquals(HOLDS, outages.at(away).get("lamp").state());
        DeviceState later = outages.at(away.at(12.01)).get("lamp");
        assertEquals(BY_HAND, later.state());
        assertTrue(later.sentence().contains("board has no address: its lease ended after 12 h"), later::sentence);
        assertEquals(
                List.of("board loses its address"),
                outages.moments(away).stream().map(Moment::words).toList());
        // fixed on the unit it stays
        assertEquals(
                HOLDS, new Facts(plan).outages().at(away.at(24)).get("lamp").state());
    }

    @Test
    void aRelayOfLongRangePassesOnWhereItIsPlannedAsOne() {
        Plan plan = Plans.sound();
        plan = Plans.put(plan, "board", Plans.unit("board", UnitKind.CONTROLLER, 6, Medium.CHIRP));
        plan = Plans.put(plan, "hub", Plans.unit("hub", UnitKind.HUB, 2, Medium.CHIRP));
        Plan far = Plans.put(plan, "mid", Plans.unit("mid", UnitKind.CONTROLLER, 3, Medium.CHIRP));
        far = far.withDevices(Map.of("lamp", ruled(far)))
                .withLinks(Map.of(
                        "a", Link.of("board", "mid", Medium.CHIRP, null, null, null),
                        "b", Link.of("mid", "hub", Medium.CHIRP, null, null, null)));
        assertEquals(BY_HAND, lamp(far).state());
        assertEquals(
                HOLDS,
                lamp(Plans.put(far, "mid", far.units().get("mid").withRelays(true)))
                        .state());
    }

    @Test
    void twoMeshesOfDifferentNetworksDoNotMix() {
        Plan plan = Plans.sound();
        assertEquals(HOLDS, new Facts(plan).outages().now().get("probe").state());
        Plan other = Plans.put(
                plan,
                "probe",
                plan.units()
                        .get("probe")
                        .withRadios(Map.of(
                                "mesh",
                                plan.units()
                                        .get("probe")
                                        .radios()
                                        .get("mesh")
                                        .withAir(org.skelto.core.plan.radio.AirSettings.NONE.network(77, null)))));
        Plan both = Plans.put(
                other,
                "gateway",
                other.units()
                        .get("gateway")
                        .withRadios(Map.of(
                                "mesh",
                                other.units()
                                        .get("gateway")
                                        .radios()
                                        .get("mesh")
                                        .withAir(org.skelto.core.plan.radio.AirSettings.NONE.network(78, null)))));
        assertEquals(State.LOST, new Facts(both).outages().now().get("probe").state());
    }

    @Test
    void aHubSendsNoLight() {
        assertEquals(BY_HAND, lamp(by(Medium.INFRARED)).state());
    }
}
