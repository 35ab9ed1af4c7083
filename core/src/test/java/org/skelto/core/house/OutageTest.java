package org.skelto.core.house;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;
import static org.skelto.core.house.State.BY_HAND;
import static org.skelto.core.house.State.HOLDS;
import static org.skelto.core.house.State.LOST;
import static org.skelto.core.house.State.REDUCED;
import static org.skelto.core.house.State.UNSAFE;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.Changed;
import org.skelto.core.Modelled;
import org.skelto.core.Plans;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceBuilder;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.Job;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.power.PowerSource;

class OutageTest {
    private static Outages outages(Plan plan) {
        return Modelled.outages(plan, (link, sender) -> true);
    }

    private static State state(Plan plan, String device, String... failed) {
        return outages(plan).without(Set.of(failed)).get(device).state();
    }

    @ParameterizedTest
    @CsvSource({
        "'', HOLDS, HOLDS",
        // the board hangs on the access point; the probe is known, but no phone can show it
        "unit:ap, BY_HAND, LOST",
        // the apps and the reports go on: only the rules are out
        "rules:hub, REDUCED, HOLDS",
        // as it was spelled once
        "hub:hub, REDUCED, HOLDS",
        "broker:hub, BY_HAND, LOST",
        "unit:switch, BY_HAND, LOST",
        "unit:gateway, HOLDS, LOST",
        // nothing asked for needs the internet or the router
        "internet, HOLDS, HOLDS",
        "unit:router, HOLDS, HOLDS",
        "mains:mains, LOST, LOST",
    })
    void aLampAndAProbeUnderEachOutage(String failed, State lamp, State probe) {
        Set<String> out = failed.isEmpty() ? Set.of() : Set.of(failed);
        Map<String, DeviceState> states = outages(Plans.sound()).without(out);
        assertEquals(lamp, states.get("lamp").state());
        assertEquals(probe, states.get("probe").state());
    }

    /** Smoke alarms on mains keep themselves by rated standby: hours typed or a part, charged with the house whole. */
    @ParameterizedTest
    @CsvSource({
        "'{\"source\":\"MAINS\",\"circuit\":\"mains\",\"backupH\":0}',UNSAFE",
        "'{\"source\":\"MAINS\",\"circuit\":\"mains\",\"backupH\":72}',HOLDS",
        "'{\"source\":\"MAINS\",\"circuit\":\"mains\",\"backupH\":0,\"part\":\"backup-12\"}',HOLDS",
        "'{\"source\":\"MAINS\",\"backupH\":0,\"more\":[{\"source\":\"BATTERY\"}]}',HOLDS",
        "'{\"source\":\"BATTERY\",\"backupH\":0}',HOLDS"
    })
    void smokeAlarmsOnMainsNeedStandby(String power, State whole) {
        Plan plan = Changed.with(
                Plans.sound(),
                "/units/probe/power",
                power,
                "/devices/probe/kind",
                "\"SMOKE\"",
                "/devices/probe/criticality",
                "\"VITAL\"",
                "/devices/probe/circuit",
                "\"mains\"",
                "/devices/probe/ways",
                "[\"ALONE\"]");
        Outages outages = Modelled.outages(plan, (link, sender) -> true);
        assertEquals(whole, outages.now().get("probe").state());
        assertEquals(
                whole, outages.without(Set.of(Component.MAINS)).get("probe").state());
    }

    @Test
    void saysWhatBreaksItFirst() {
        Plan plan = Plans.put(
                Plans.sound(),
                "ap",
                Plans.with(Plans.sound().units().get("ap"), Power.of(PowerSource.ETHERNET, null, "switch", 0)));
        DeviceState lamp = outages(plan).without(Set.of("unit:switch")).get("lamp");
        assertEquals("by hand, by a switch still works; rule: ap has no power: switch is out", lamp.sentence());
        DeviceState probe = outages(plan).without(Set.of("unit:gateway")).get("probe");
        assertEquals("to the hub: gateway is out", probe.jobs().get(0).sentence());
    }

    @Test
    void aBackupCarriesTheHubButNotItsSwitch() {
        Plan plan = Plans.put(
                Plans.sound(),
                "hub",
                Plans.with(Plans.sound().units().get("hub"), Power.of(PowerSource.MAINS, "mains", null, 6)));
        DeviceState probe = outages(plan).without(Set.of("mains:mains")).get("probe");
        assertEquals(LOST, probe.state());
        assertTrue(probe.jobs().get(0).sentence().contains("has no power: Mains is dead"), probe.sentence());
    }

    @Test
    void aUnitOnNoCircuitInParticularIsDeadWhenAllAre() {
        Plan plan =
                Plans.put(Plans.sound(), "hub", Plans.with(Plans.sound().units().get("hub"), Power.mains(null)));
        assertEquals(LOST, state(plan, "probe", "mains:mains"));
        assertEquals(HOLDS, state(plan, "probe"));
    }

    @Test
    void aPushButtonOnTheSameControllerWorksWithoutTheHub() {
        Device lamp = DeviceBuilder.builder()
                .name("lamp")
                .kind(DeviceKind.LAMP)
                .hand(Hand.NONE)
                .unit("board")
                .channel(1)
                .circuit("mains")
                .ways(new java.util.TreeSet<>(Set.of(Way.WALL_CONTROL, Way.RULE)))
                .wallControls(new java.util.TreeSet<>(Set.of("button")))
                .exitRoute(false)
                .outsideDoor(false)
                .obstacleDetection(false)
                .build();
        Device button = Plans.device("button", DeviceKind.PUSH_BUTTON, Hand.NONE, RestState.STAYS, Set.of());
        Plan plan = Plans.put(Plans.put(Plans.sound(), "lamp", lamp), "button", button);
        assertEquals(REDUCED, state(plan, "lamp", "hub:hub"));
        assertEquals(HOLDS, state(plan, "button", "hub:hub"));
        assertEquals(LOST, state(plan, "button", "mains:mains"));
    }

    @Test
    void aFailSafeLockLetsOutAndStopsKeepingOutWhenPowerGoes() {
        Device lock = Plans.barrier(DeviceKind.LOCK, Hand.NONE, RestState.OPEN, true, true, false);
        Plan plan = Plans.put(Plans.sound(), "lock", lock);
        DeviceState dark = outages(plan).without(Set.of("mains:mains")).get("lock");
        assertEquals(UNSAFE, dark.state());
        assertEquals(Job.KEEP_OUT, dark.job());
        assertEquals(
                REDUCED,
                dark.jobs().stream()
                        .filter(j -> j.job() == Job.LET_OUT)
                        .findFirst()
                        .orElseThrow()
                        .state());
    }

    @Test
    void aFailSecureLockOnTheWayOutWithoutHandleIsUnsafeWithoutPower() {
        Device lock = Plans.barrier(DeviceKind.LOCK, Hand.NONE, RestState.CLOSED, true, true, false);
        Plan plan = Plans.put(Plans.sound(), "lock", lock);
        assertEquals(UNSAFE, state(plan, "lock", "mains:mains"));
        Device withHandle = Plans.barrier(DeviceKind.LOCK, Hand.MECHANICAL, RestState.CLOSED, true, true, false);
        assertEquals(BY_HAND, state(Plans.put(plan, "lock", withHandle), "lock", "mains:mains"));
    }

    @Test
    void aGateThatStopsInMidTravelWithoutReleaseIsUnsafe() {
        Device gate = Plans.barrier(DeviceKind.GATE, Hand.NONE, RestState.STAYS, false, true, true);
        assertEquals(UNSAFE, state(Plans.put(Plans.sound(), "gate", gate), "gate", "mains:mains"));
    }

    @Test
    void aSprungValveClosesItselfWhenPowerGoes() {
        Device valve = Plans.device("valve", DeviceKind.VALVE, Hand.NONE, RestState.CLOSED, Set.of(Way.RULE));
        DeviceState dark = outages(Plans.put(Plans.sound(), "valve", valve))
                .without(Set.of("mains:mains"))
                .get("valve");
        assertEquals(REDUCED, dark.jobs().get(0).state());
        assertEquals(1, dark.jobs().size(), "nobody asks a valve that guards to open");
    }

    private static Device vital(DeviceKind kind, String unit, String circuit, Way... ways) {
        return DeviceBuilder.builder()
                .name("guard")
                .kind(kind)
                .criticality(Criticality.VITAL)
                .hand(Hand.NONE)
                .unit(unit)
                .circuit(circuit)
                .ways(new java.util.TreeSet<>(Set.of(ways)))
                .exitRoute(false)
                .outsideDoor(false)
                .obstacleDetection(false)
                .build();
    }

    @ParameterizedTest
    @CsvSource({
        // on its own battery and acting alone: what else is lost makes it worse, never unsafe
        "SIREN, probe, , RULE|ALONE, '', HOLDS",
        "SIREN, probe, , RULE|ALONE, hub:hub, REDUCED",
        "LEAK, probe, , RULE|ALONE, '', HOLDS",
        // what it reports needs the hub's box
        "LEAK, probe, , RULE|ALONE, rules:hub, HOLDS",
        "LEAK, probe, , RULE|ALONE, unit:hub, REDUCED",
        "LEAK, probe, , RULE|ALONE, unit:probe, UNSAFE",
        // it needs a hub, a controller, a circuit: unsafe even on a good day
        "SIREN, probe, , RULE, '', UNSAFE",
        "SIREN, board, , RULE|ALONE, '', UNSAFE",
        "SIREN, probe, mains, RULE|ALONE, '', UNSAFE",
        "LEAK, , , ALONE, '', UNSAFE",
    })
    void aLifeSafetyDeviceMayNeedNothingButItselfAndItsBattery(
            DeviceKind kind, String unit, String circuit, String ways, String failed, State expected) {
        Way[] planned =
                java.util.Arrays.stream(ways.split("\\|")).map(Way::valueOf).toArray(Way[]::new);
        Plan plan = Plans.put(Plans.sound(), "guard", vital(kind, unit, circuit, planned));
        assertEquals(expected, state(plan, "guard", failed.isEmpty() ? new String[0] : new String[] {failed}));
    }

    @Test
    void aLinkThatCarriesNothingBreaksTheWayAndIsNamed() {
        Outages outages = Modelled.outages(Plans.sound(), (link, sender) -> !link.equals("probe-gateway"));
        DeviceState probe = outages.without(Set.of()).get("probe");
        assertEquals(LOST, probe.state());
        assertEquals("to the hub: nothing gets from probe to gateway over their link", probe.sentence());
        assertEquals(HOLDS, outages.without(Set.of()).get("lamp").state());
    }

    @Test
    void aLinkThatCarriesOneWayOnlyStillReportsButTakesNoCommand() {
        Outages reportsOnly =
                Modelled.outages(Plans.sound(), (link, sender) -> !sender.equals("ap") || !link.equals("board-ap"));
        assertEquals(BY_HAND, reportsOnly.without(Set.of()).get("lamp").state());
        Outages heardOnly = Modelled.outages(Plans.sound(), (link, sender) -> !sender.equals("gateway"));
        // the gateway does not even answer its switch, yet the probe's reports must pass it
        assertEquals(LOST, heardOnly.without(Set.of()).get("probe").state());
    }

    @Test
    void unitsThatAreDarkOrCutOffSayWhy() {
        var troubles = outages(Plans.sound()).units(Outage.of(Set.of("unit:gateway")));
        assertEquals(
                Map.of(
                        "gateway", new Outages.UnitTrouble(true, "gateway is out"),
                        "probe", new Outages.UnitTrouble(false, "gateway is out")),
                troubles);
        assertTrue(outages(Plans.sound()).units(Outage.of(Set.of())).isEmpty());
    }

    @Test
    void theStripHoldsWhatTwoOrMoreDependOn() {
        Map<Component, Integer> shared = outages(Plans.sound()).shared();
        List<String> ids = shared.keySet().stream().map(Component::id).toList();
        assertTrue(ids.containsAll(List.of("circuit:mains", "unit:switch", "unit:hub", "broker:hub", "unit:ap")));
        assertFalse(ids.contains("unit:board"), "only the lamp is on the board");
        assertFalse(ids.contains("internet"), "nothing asks for the internet");
    }

    /** Ways never get better when something more fails. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void noWayEverGetsBetterWhenSomethingMoreFails(long seed) {
        Random random = new Random(seed);
        Device lock = Plans.barrier(DeviceKind.LOCK, Hand.NONE, RestState.OPEN, true, true, false);
        Device valve = Plans.device("valve", DeviceKind.VALVE, Hand.SWITCH, RestState.CLOSED, Set.of(Way.values()));
        Outages outages = outages(Plans.put(Plans.put(Plans.sound(), "lock", lock), "valve", valve));
        List<String> all = new ArrayList<>(outages.components().keySet());
        for (int round = 0; round < 60; round++) {
            Set<String> failed = new HashSet<>();
            Map<String, DeviceState> before = new java.util.TreeMap<>(outages.without(failed));
            java.util.Collections.shuffle(all, random);
            for (String next : all) {
                failed.add(next);
                Map<String, DeviceState> after = outages.without(failed);
                after.forEach((id, state) -> {
                    for (int j = 0; j < state.jobs().size(); j++) {
                        var was = before.get(id).jobs().get(j).ways();
                        var is = state.jobs().get(j).ways();
                        for (int w = 0; w < is.size(); w++) {
                            assertFalse(is.get(w).works() && !was.get(w).works(), id + " " + is.get(w) + " " + failed);
                        }
                    }
                });
                before.clear();
                before.putAll(after);
            }
        }
    }

    /** The strip's counts against the plain way: every device judged anew without each component. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void whatFeelsAComponentFailAloneIsWhatHasFewerWaysWithoutIt(long seed) {
        Random random = new Random(seed);
        Plan plan = Plans.sound();
        for (int i = 0; i < 12; i++) {
            DeviceKind[] kinds = {DeviceKind.LAMP, DeviceKind.LEAK, DeviceKind.VALVE, DeviceKind.LOCK};
            Set<Way> ways = new HashSet<>(List.of(Way.values()));
            ways.removeIf(way -> random.nextBoolean());
            Device made = Plans.device("d" + i, kinds[i % 4], Hand.values()[i % 3], RestState.STAYS, ways);
            plan = Plans.put(plan, "d" + i, made);
        }
        Plan second =
                Plans.link(plan, "ap-router", Plans.link("ap", "router", org.skelto.core.plan.radio.Medium.ETHERNET));
        Set<String> dead = new HashSet<>(second.links().keySet());
        dead.removeIf(link -> random.nextInt(4) > 0);
        Outages outages = Modelled.outages(second, (link, sender) -> !dead.contains(link));

        Map<String, DeviceState> before = outages.without(Set.of());
        Map<Component, Integer> shared = outages.shared();
        outages.components().values().forEach(component -> {
            Map<String, DeviceState> after = outages.without(Set.of(component.id()));
            int fewer = (int) after.keySet().stream()
                    .filter(id -> working(after.get(id)) < working(before.get(id)))
                    .count();
            if (fewer >= 2) {
                assertTrue(shared.containsKey(component), component.id() + " is felt by " + fewer);
            }
            assertEquals(fewer, shared.getOrDefault(component, fewer), component.id());
        });
        assertTrue(shared.size() > 2, "several are shared");
    }

    private static long working(DeviceState state) {
        return state.jobs().stream()
                .flatMap(job -> job.ways().stream())
                .filter(DeviceState.WayState::works)
                .count();
    }
}
