package org.skelto.core.house;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.Modelled;
import org.skelto.core.Workshop;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.DeviceState.WayState;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.Medium;

/** A way that is opened says what the states say, its legs join, and what it hangs on alone is all that breaks it alone. */
class WhyTest {
    static Stream<Plan> houses() {
        return Stream.of(Demos.flat(), Demos.mill(), Workshop.plan());
    }

    @ParameterizedTest
    @MethodSource("houses")
    void everyWayOfEveryDeviceAgreesWithItsStateUnderEveryFailure(Plan plan) {
        Outages outages = new Facts(plan).outages();
        Map<String, Map<String, DeviceState>> without = new TreeMap<>();
        outages.components().keySet().forEach(c -> without.put(c, outages.without(Set.of(c))));
        Set<String> seconds = new TreeSet<>();
        outages.now().forEach((device, state) -> {
            List<WayRoute> routes = outages.why(device, Outage.of(Set.of()));
            List<WayState> ways =
                    state.jobs().stream().flatMap(j -> j.ways().stream()).toList();
            assertEquals(ways.size(), routes.size());
            for (int i = 0; i < ways.size(); i++) {
                WayRoute route = routes.get(i);
                int at = i;
                assertEquals(ways.get(i).works(), route.works(), device);
                Set<String> alone = new HashSet<>();
                route.alone().forEach(a -> alone.add(a.component()));
                without.forEach((component, states) -> {
                    boolean works = states.get(device).jobs().stream()
                            .flatMap(j -> j.ways().stream())
                            .toList()
                            .get(at)
                            .works();
                    assertEquals(
                            route.works() && !works,
                            alone.contains(component),
                            () -> route.way() + " of " + device + " without " + component);
                });
                if (route.second() != null) {
                    String gone = route.second().without().component();
                    WayRoute left = outages.why(device, Outage.of(Set.of(gone))).get(at);
                    assertTrue(left.works() && !alone.contains(gone), device);
                    assertEquals(left.steps(), route.second().steps(), () -> route.way() + " of " + device);
                    assertNotEquals(route.steps(), route.second().steps());
                    seconds.add(device);
                }
                assertTrue(inOrder(route.steps()), () -> route.way() + " of " + device + ": " + route.steps());
                double sum = 0;
                for (WayRoute.RouteStep step : route.steps()) {
                    sum += step.typicalMs();
                    assertTrue(step.typicalMs() <= step.worstMs());
                }
                assertEquals(sum, route.typicalMs(), 1e-9);
            }
        });
        assertEquals(plan.name().equals(Demos.mill().name()), !seconds.isEmpty(), "only the mill has routes to spare");
    }

    /** Nothing is passed on from a unit before it has come there. */
    private static boolean inOrder(List<WayRoute.RouteStep> steps) {
        Set<String> started = new HashSet<>();
        String at = null;
        for (WayRoute.RouteStep step : steps) {
            if (step.from() == null) {
                // decided or passed on: from there it may lead back
                started.clear();
                at = null;
                continue;
            }
            if (!step.from().equals(at)) {
                started.add(step.from());
            }
            if (started.contains(step.to())) {
                return false;
            }
            at = step.to();
        }
        return true;
    }

    @Test
    void aWayOverAWeakLinkIsReducedAndTold() {
        Plan plan = org.skelto.core.Plans.sound();
        Outages weak = Modelled.outages(plan, (link, sender) -> link.equals("board-ap") ? 0.515 : 1, List.of(), null);
        DeviceState lamp = weak.now().get("lamp");
        assertEquals(State.REDUCED, lamp.state());
        assertTrue(lamp.sentence().endsWith("works over a weak link, 51 %"), lamp.sentence());
        Outages strong = Modelled.outages(plan, (link, sender) -> link.equals("board-ap") ? 0.9 : 1, List.of(), null);
        assertEquals(State.HOLDS, strong.now().get("lamp").state(), "comfort asks for 90 %");
    }

    @Test
    void aStationRoamsToTheOtherPointOfItsNetwork() {
        Plan plan = Changed.with(
                org.skelto.core.Plans.sound(), "/units/ap/wireless", "{\"name\":\"house\",\"segment\":null}");
        Plan two = org.skelto.core.Plans.put(plan, "ap2", plan.units().get("ap"));
        two = org.skelto.core.Plans.link(
                two, "ap2-switch", org.skelto.core.Plans.link("ap2", "switch", Medium.ETHERNET));
        Outages outages = new Facts(two).outages();
        assertTrue(outages.without(Set.of("unit:ap")).get("lamp").jobs().get(0).ways().stream()
                .filter(w -> w.way().equals("home app"))
                .allMatch(WayState::works));
        Plan other = Changed.with(two, "/units/ap2/wireless/name", "\"guests\"");
        assertTrue(new Facts(other)
                .outages().without(Set.of("unit:ap")).get("lamp").jobs().get(0).ways().stream()
                        .filter(w -> w.way().equals("home app"))
                        .noneMatch(WayState::works));
    }

    @Test
    void whatRunsOutIsToldWithTheHoursAndAfterThatItIsDark() {
        Plan plan = Changed.with(Workshop.plan(), "/units/hub/power/backupH", "2", "/units/switch/power/backupH", "4");
        Outages outages = Modelled.outages(plan, (link, sender) -> true);
        Outage dark = new Outage(Set.of(Component.MAINS), 8.0, null, 8);
        List<Moment> moments = outages.moments(dark);
        assertEquals(List.of(2.0, 4.0), moments.stream().map(Moment::atH).toList());
        assertTrue(moments.get(1).units().contains("switch")
                && moments.get(1).units().contains("ap"));
        String why = outages.units(dark).get("ap").why();
        assertTrue(why.contains("its backup ran out after 4 h"), why);
        assertFalse(outages.units(dark.at(4)).containsKey("switch"), "what runs out at a moment still works at it");
    }

    @Test
    void aSleepingReceiverHearsAGatewaysCommandInItsWindowAndOneThatNeverListensHearsNone() {
        Plan plan = Changed.with(
                org.skelto.core.Outpost.plan(),
                "/units/outpost/duty/pulses",
                "[{\"name\":\"listen\",\"currentMa\":12,\"durationMs\":5000,\"kind\":\"LISTEN\"}]");
        assertFalse(new Facts(plan).outages().route("hub", "outpost").isEmpty());
        Plan deaf = Changed.with(
                plan,
                "/units/outpost/duty/pulses",
                "[{\"name\":\"sense\",\"currentMa\":12,\"durationMs\":5000,\"kind\":\"SENSE\"}]");
        assertTrue(new Facts(deaf).outages().route("hub", "outpost").isEmpty());
        assertFalse(new Facts(deaf).outages().route("outpost", "hub").isEmpty(), "it still reports");
        Plan unsaid = Changed.with(
                plan, "/units/outpost/duty/pulses", "[{\"name\":\"awake\",\"currentMa\":12,\"durationMs\":5000}]");
        assertFalse(new Facts(unsaid).outages().route("hub", "outpost").isEmpty());
    }
}
