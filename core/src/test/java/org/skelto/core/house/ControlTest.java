package org.skelto.core.house;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Plans;
import org.skelto.core.facts.Facts;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.ContactRest;
import org.skelto.core.plan.equipment.ControlScheme;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.network.Service;
import org.skelto.core.plan.network.ServiceKind;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.wiring.Wired;

/** What each control scheme survives, boards that hang and contacts that weld, and the units that ways lean on. */
class ControlTest {
    /** The lamp with its button on another board, a panel, a tunnel, and services for everything. */
    private static Plan house(ControlScheme scheme, Way... ways) {
        Plan plan = Plans.sound();
        plan = Plans.put(plan, "panel", Plans.unit("panel", UnitKind.PANEL, 1.2));
        plan = Plans.put(plan, "other", Plans.unit("other", UnitKind.CONTROLLER, 5, Medium.WIFI_2G4));
        plan = Plans.put(plan, "router", plan.units().get("router").withTunnel(true));
        Map<String, Link> links = new TreeMap<>(plan.links());
        links.put("panel-switch", Plans.link("panel", "switch", Medium.ETHERNET));
        links.put("other-ap", Plans.link("other", "ap", Medium.WIFI_2G4));
        Device button = Plans.device("button", DeviceKind.PUSH_BUTTON, Hand.NONE, RestState.STAYS, Set.of())
                .withUnit("other");
        Device lamp = plan.devices()
                .get("lamp")
                .with(d -> d.hand(Hand.NONE)
                        .ways(new TreeSet<>(List.of(ways)))
                        .wallControls(new TreeSet<>(Set.of("button")))
                        .control(scheme == null ? null : new TreeSet<>(Set.of(scheme))));
        return Plans.put(Plans.put(plan, "button", button), "lamp", lamp)
                .withLinks(links)
                .withServices(Map.of(
                        "remote", new Service("remote access", ServiceKind.REMOTE_ACCESS, 3.0),
                        "push", new Service("messages", ServiceKind.PUSH)));
    }

    private static boolean works(Plan plan, String... without) {
        return new Facts(plan)
                .outages().without(Set.of(without)).get("lamp").jobs().stream()
                        .flatMap(j -> j.ways().stream())
                        .anyMatch(DeviceState.WayState::works);
    }

    @ParameterizedTest
    @CsvSource({
        // scheme, way, what ends it alone, what does not
        "HUB, HOME_APP, unit:hub unit:ap unit:switch broker:hub, internet unit:router unit:panel rules:hub",
        "HUB, RULE, unit:hub rules:hub broker:hub, internet unit:panel",
        "HUB, AWAY_APP, unit:hub internet unit:router, unit:panel rules:hub",
        "PANEL, RULE, unit:panel unit:switch unit:ap, unit:hub broker:hub internet",
        "PANEL, WALL_CONTROL, unit:panel unit:other unit:ap, unit:hub broker:hub internet",
        "REQUEST, HOME_APP, unit:ap unit:board, unit:hub unit:switch broker:hub internet",
        "REQUEST, AWAY_APP, unit:router internet unit:ap, unit:hub broker:hub service:remote",
        "REQUEST, WALL_CONTROL, unit:ap unit:other, unit:hub unit:switch",
        "SERVICE, HOME_APP, internet unit:router service:remote unit:ap, unit:hub broker:hub unit:panel",
        "SERVICE, AWAY_APP, internet service:remote, unit:hub broker:hub",
        "SERVICE, WALL_CONTROL, internet service:remote unit:other, unit:hub",
        "OWN, RULE, unit:board circuit:mains, unit:hub unit:ap internet",
    })
    void eachSchemeLeansOnItsOwn(ControlScheme scheme, Way way, String ends, String survives) {
        Plan plan = house(scheme, way);
        assertTrue(works(plan));
        for (String component : ends.split(" ")) {
            assertFalse(works(plan, component), component);
        }
        for (String component : survives.split(" ")) {
            assertTrue(works(plan, component), component);
        }
        Plan both = Plans.put(
                plan,
                "lamp",
                plan.devices().get("lamp").withControl(new TreeSet<>(List.of(scheme, ControlScheme.OWN))));
        // several schemes: any that works will do
        if (way == Way.RULE) {
            assertTrue(works(both, "unit:hub", "unit:panel", "internet"));
        }
    }

    @Test
    void aSchemeThatGivesNothingSaysSo() {
        Plan plan = house(ControlScheme.BOUND, Way.HOME_APP);
        assertFalse(works(plan));
        assertTrue(new Facts(plan)
                .outages()
                .now()
                .get("lamp")
                .sentence()
                .contains("none of the control schemes chosen for it gives that"));
    }

    @Test
    void schemesAreComparedByWhatTheySurviveTakeAndCost() {
        Plan plan = house(null, Way.HOME_APP, Way.AWAY_APP, Way.RULE, Way.WALL_CONTROL);
        Map<ControlScheme, SchemeChoice> all = new Facts(plan)
                .outages().schemes("lamp").stream().collect(Collectors.toMap(SchemeChoice::scheme, c -> c));
        assertEquals(ControlScheme.values().length, all.size());
        assertFalse(all.get(ControlScheme.BOUND).works());
        assertEquals(
                "a wall control whose unit has a link to board",
                all.get(ControlScheme.BOUND).needs());
        assertTrue(all.get(ControlScheme.HUB).lostWithout().contains("hub"));
        assertFalse(all.get(ControlScheme.REQUEST).lostWithout().contains("hub"));
        assertEquals(3, all.get(ControlScheme.SERVICE).feePerMonth());
        assertEquals(0, all.get(ControlScheme.REQUEST).feePerMonth());
        assertTrue(
                all.get(ControlScheme.SERVICE).typicalMs()
                        > all.get(ControlScheme.HUB).typicalMs(),
                () -> all.toString());
        assertTrue(all.get(ControlScheme.HUB).chosen()
                && !all.get(ControlScheme.SERVICE).chosen());
        // what it says is what comes of it
        all.forEach((scheme, choice) -> {
            Plan alone = Plans.put(plan, "lamp", plan.devices().get("lamp").withControl(new TreeSet<>(Set.of(scheme))));
            assertEquals(choice.works(), works(alone), scheme::name);
            Outages outages = new Facts(alone).outages();
            Set<String> lost = new TreeSet<>();
            outages.components().forEach((id, c) -> {
                if (choice.works() && !works(alone, id)) {
                    lost.add(c.name());
                }
            });
            assertEquals(lost, new TreeSet<>(choice.lostWithout()), scheme::name);
            assertEquals(0, choice.moreLost());
        });
    }

    @ParameterizedTest
    @CsvSource({
        // nature, contact, what fails, shut or open for certain
        "OPEN, NORMALLY_CLOSED, unit:board, shut",
        "OPEN, NORMALLY_CLOSED, hangs:board, unknown",
        "OPEN, NORMALLY_OPEN, unit:board, open",
        "OPEN, NORMALLY_OPEN, hangs:board, unknown",
        "OPEN, NORMALLY_OPEN, welded:lock, shut",
        "CLOSED, NORMALLY_OPEN, welded:lock, open",
        "CLOSED, NORMALLY_OPEN, hangs:board, unknown",
        "CLOSED, NORMALLY_OPEN, unit:board, shut",
        "CLOSED, NORMALLY_CLOSED, unit:board, open",
        "CLOSED, NORMALLY_OPEN, circuit:mains, shut",
        "OPEN, NORMALLY_OPEN, circuit:mains, open",
    })
    void aBoardThatHangsIsNoDeadBoardAndAWeldedContactStaysClosed(
            RestState nature, ContactRest contact, String failed, String position) {
        Device lock = Plans.barrier(DeviceKind.LOCK, Hand.NONE, nature, false, true, false)
                .with(d -> d.works(org.skelto.core.plan.equipment.ActuationSpec.UNKNOWN.withContact(contact))
                        .ways(new TreeSet<>(Set.of(Way.HOME_APP))));
        Plan plan = Plans.put(Plans.sound(), "lock", lock);
        DeviceState.JobState keepOut = new Facts(plan)
                .outages()
                .without(Set.of(failed))
                .get("lock")
                .jobs()
                .get(0);
        String seen = keepOut.state() == State.UNSAFE ? "open" : keepOut.rests() ? "shut" : "unknown";
        assertEquals(position, seen, keepOut::sentence);
        assertFalse(keepOut.ways().get(0).works(), "nobody works it then");
    }

    @Test
    void aBoardThatHangsGoesOnFeeding() {
        Plan plan = Plans.sound();
        plan = Plans.put(
                plan,
                "ap",
                Plans.with(
                        plan.units().get("ap"),
                        org.skelto.core.plan.power.Power.of(
                                org.skelto.core.plan.power.PowerSource.ETHERNET, null, "switch", 0)));
        DeviceState state =
                new Facts(plan).outages().without(Set.of("hangs:switch")).get("lamp");
        assertTrue(state.sentence().contains("switch hangs"), state::sentence);
    }

    @Test
    void whatIsKeptDependsOnTheRecorder() {
        Plan plan = Plans.put(Plans.sound(), "camera", Plans.unit("camera", UnitKind.CAMERA, 3, Medium.WIFI_2G4));
        Device eye = Plans.device("eye", DeviceKind.CAMERA, Hand.NONE, RestState.STAYS, Set.of(Way.RULE))
                .with(d -> d.unit("camera").channel(null).place(null).circuit(null));
        Map<String, Link> links = new TreeMap<>(plan.links());
        links.put("camera-ap", Plans.link("camera", "ap", Medium.WIFI_2G4));
        links.put("recorder-switch", Plans.link("recorder", "switch", Medium.ETHERNET));
        plan = Plans.put(Plans.put(plan, "recorder", Plans.unit("recorder", UnitKind.RECORDER, 1.1)), "eye", eye)
                .withLinks(links);
        Outages outages = new Facts(plan).outages();
        assertEquals(State.HOLDS, outages.without(Set.of("unit:hub")).get("eye").state());
        assertEquals(
                State.LOST, outages.without(Set.of("unit:recorder")).get("eye").state());
    }

    @Test
    void behindAGatewayItIsTheGatewayThatNeedsTheBroker() {
        Plan plan = Plans.sound();
        // the broker runs on the router; the hub and the gateway must reach it
        plan = Plans.put(plan, "hub", plan.units().get("hub").withBroker(false));
        plan = Plans.put(plan, "router", plan.units().get("router").withBroker(true));
        Outages outages = new Facts(plan).outages();
        assertEquals(State.HOLDS, outages.now().get("probe").state());
        assertEquals(
                State.LOST,
                outages.without(Set.of("broker:router")).get("probe").state());
        assertEquals(
                State.LOST,
                outages.without(Set.of("link:switch-router")).get("probe").state());
        // where the hub's own radio hears it no broker stands between
        Plan heard = Plans.put(
                plan,
                "hub",
                plan.units().get("hub").withRadios(plan.units().get("gateway").radios()));
        assertEquals(
                State.HOLDS,
                new Facts(heard)
                        .outages()
                        .without(Set.of("broker:router", "unit:gateway"))
                        .get("probe")
                        .jobs()
                        .get(0)
                        .state());
    }

    @Test
    void onAPanelThatNoHubServesThePanelIsTheRule() {
        Plan plan = house(null, Way.RULE);
        plan = Plans.put(plan, "panel", plan.units().get("panel").withHub(null));
        Device lamp = plan.devices().get("lamp").withUnit("panel");
        assertTrue(works(Plans.put(plan, "lamp", lamp), "unit:hub"));
        Plan served = Plans.put(plan, "panel", plan.units().get("panel").withHub("hub"));
        assertFalse(works(Plans.put(served, "lamp", lamp), "unit:hub"));
    }

    @Test
    void aHubWithPinsDrivesDevicesLikeAnyBoardAndKeepsToItsPins() {
        Plan plan = Plans.sound();
        Unit hub = plan.units()
                .get("hub")
                .with(u -> u.roles(new TreeSet<>(Set.of(UnitKind.CONTROLLER)))
                        .channels(8)
                        .hub("hub")
                        .boards(new BoardSet("hub-pins", Map.of("relays", new Attached("relay-4-high", null)))));
        Device lamp =
                plan.devices().get("lamp").with(d -> d.unit("hub").channel(null).hand(Hand.NONE));
        Plan made = Plans.put(Plans.put(plan, "hub", hub), "lamp", lamp);
        Facts facts = new Facts(made);
        Wired wired = facts.wired().get("hub");
        assertEquals(1, wired.needs().size());
        assertTrue(String.valueOf(wired.needs().get(0).best()).contains("relays/1"), wired::toString);
        assertTrue(facts.wiring().containsKey("hub"));
        // it serves itself: only its own life and power matter
        assertTrue(works(made));
        assertTrue(works(made, "unit:switch", "unit:gateway", "internet"));
        assertFalse(works(made, "unit:hub"));
    }
}
