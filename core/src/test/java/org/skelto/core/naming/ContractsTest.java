package org.skelto.core.naming;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.skelto.core.Demos;
import org.skelto.core.naming.Contract.Aspect;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.ControlScheme;
import org.skelto.core.plan.equipment.Criticality;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.MessageAspect;
import org.skelto.core.sample.ThornfellLodge;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What every device says and is told: what people who set up message buses find out the hard way. */
class ContractsTest {
    private static final JsonMapper MAPPER = new JsonMapper();
    private static final List<Plan> DEMOS = List.of(
            NameAssigner.assign(Demos.mill()),
            NameAssigner.assign(Demos.flat()),
            NameAssigner.assign(ThornfellLodge.plan()));

    @Test
    void noAddressIsGivenTwiceAndEachLiesUnderItsDevicesTopic() {
        for (Plan plan : DEMOS) {
            Map<String, Contract> all = Contracts.of(plan);
            assertEquals(plan.devices().keySet(), all.keySet());
            Set<String> addresses = new HashSet<>();
            all.forEach((id, contract) -> contract.aspects().forEach(a -> {
                assertTrue(addresses.add(a.address()), a.address());
                assertTrue(a.address().startsWith(plan.devices().get(id).topic() + "/"));
                assertFalse(a.address().matches(".*[+#\\u0000].*"), a.address());
            }));
        }
    }

    @Test
    void commandsAreNeverKeptStatesAreAndNothingThatGuardsIsLost() {
        for (Plan plan : DEMOS) {
            Contracts.of(plan).forEach((id, contract) -> {
                Device device = plan.devices().get(id);
                boolean guards = device.criticality().compareTo(Criticality.PROTECTIVE) >= 0;
                assertTrue(contract.aspects().stream().anyMatch(a -> a.kind() == MessageAspect.AVAILABILITY));
                for (Aspect a : contract.aspects()) {
                    if (a.kind() == MessageAspect.COMMAND) {
                        assertFalse(a.retained() || a.spoken(), "a kept command opens the lock again after a restart");
                        assertEquals(1, a.delivery());
                    }
                    if (a.kind() == MessageAspect.STATE && device.kind() != DeviceKind.PUSH_BUTTON) {
                        assertTrue(a.retained(), "who comes later knows nothing");
                    }
                    if (device.kind() == DeviceKind.PUSH_BUTTON && a.kind() == MessageAspect.STATE) {
                        assertFalse(a.retained(), "a kept press is pressed again");
                    }
                    assertTrue(!guards || !a.spoken() || a.delivery() >= 1, device.name() + " " + a.kind());
                    assertTrue(a.intervalS() == null || a.watchdogS() > a.intervalS(), "noticed only after it is late");
                }
            });
        }
    }

    /** Bytes by hand: fixed header 2, length of the topic 2, topic, number of the message 2 where it is acknowledged, payload. */
    @Test
    void examplesAreWhatTheirPartsSayAndTheirBytesAreCounted() {
        for (Plan plan : DEMOS) {
            Contracts.of(plan)
                    .values()
                    .forEach(contract -> contract.aspects().forEach(a -> {
                        JsonNode example = MAPPER.readTree(a.example());
                        int payload = a.example().getBytes(StandardCharsets.UTF_8).length;
                        int topic = a.address().getBytes(StandardCharsets.UTF_8).length;
                        assertEquals(4 + topic + (a.kind() == MessageAspect.TELEMETRY ? 0 : 2) + payload, a.bytes());
                        for (Contract.PayloadPart part : a.payload()) {
                            JsonNode value = part.name().isEmpty() ? example : example.get(part.name());
                            assertNotNull(value, contract.name() + " " + part.name());
                            switch (part.type()) {
                                case BOOLEAN -> assertTrue(value.isBoolean());
                                case NUMBER ->
                                    assertTrue(value.asDouble() >= part.least() && value.asDouble() <= part.most());
                                case TEXT ->
                                    assertTrue(part.values().isEmpty()
                                            || part.values().contains(value.asString()));
                            }
                        }
                    }));
        }
    }

    @Test
    void whoSpeaksHasAnAddressOfItsOwn() {
        for (Plan plan : DEMOS) {
            Contracts.of(plan).values().forEach(c -> {
                if (c.speaker() != null) {
                    assertTrue(Needs.of(plan).addresses().contains(c.speaker()), c.name() + " by " + c.speaker());
                } else {
                    assertNotNull(c.trouble(), c.name());
                }
                assertTrue(c.listeners().stream().allMatch(plan.units()::containsKey));
            });
        }
        Contract cistern = Contracts.of(DEMOS.get(0)).get("cistern-level");
        assertNotNull(cistern);
        assertTrue(
                DEMOS.get(0).units().get(cistern.speaker()).collects(), "a sensor far off speaks through its gateway");
    }

    @ParameterizedTest
    @EnumSource(DeviceKind.class)
    void everyKindSaysSomethingAndOnlyWhatCanActIsTold(DeviceKind kind) {
        Plan plan = DEMOS.get(1);
        String id = plan.devices().keySet().iterator().next();
        Device device = plan.devices().get(id).with(d -> d.kind(kind).criticality(kind.criticality()));
        Contract contract = Contracts.of(plan.withDevices(Map.of(id, device))).get(id);
        assertTrue(contract.aspects().stream()
                .anyMatch(a -> a.kind() == MessageAspect.STATE || a.kind() == MessageAspect.TELEMETRY));
        boolean acts = kind.family() != DeviceKind.Family.SENSOR && kind != DeviceKind.CAMERA;
        assertEquals(acts, contract.aspects().stream().anyMatch(a -> a.kind() == MessageAspect.COMMAND), kind.name());
        boolean proven = acts && kind.criticality().compareTo(Criticality.PROTECTIVE) >= 0;
        assertEquals(
                proven,
                contract.aspects().stream().anyMatch(a -> a.kind() == MessageAspect.ACKNOWLEDGEMENT),
                kind.name());
    }

    @Test
    void theWayOfMessagesFollowsWhatThePlanSays() {
        Plan plan = DEMOS.get(1);
        String id = plan.devices().keySet().iterator().next();
        Device outside = plan.devices().get(id).withControl(new java.util.TreeSet<>(Set.of(ControlScheme.SERVICE)));
        assertEquals(
                Contract.Transport.SERVICE,
                Contracts.of(plan.withDevices(Map.of(id, outside))).get(id).transport());
        Device alone = plan.devices().get(id).with(d -> d.unit(null).channel(null));
        assertEquals(
                "it sits on no controller yet",
                Contracts.of(plan.withDevices(Map.of(id, alone))).get(id).trouble());
    }
}
