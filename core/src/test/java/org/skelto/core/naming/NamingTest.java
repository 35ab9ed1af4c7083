package org.skelto.core.naming;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.Plans;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Network;
import org.skelto.core.plan.radio.Medium;

class NamingTest {
    @Test
    void givesEachKindItsBlockAndSkipsThePool() {
        Plan named = NameAssigner.assign(Plans.sound());
        assertEquals("192.168.40.1", named.units().get("router").ipv4());
        assertEquals("192.168.40.2", named.units().get("switch").ipv4());
        assertEquals("192.168.40.16", named.units().get("hub").ipv4());
        assertEquals("192.168.40.32", named.units().get("board").ipv4());
        assertNull(named.units().get("probe").ipv4(), "a mesh device speaks no IP");
        assertEquals(
                "testhouse/house/east-room/lamp", named.devices().get("lamp").topic());
    }

    @Test
    void hardwareAddressesAreLocallyAdministeredAndForOneUnit() {
        NameAssigner.assign(Plans.sound()).units().values().stream()
                .filter(u -> u.mac() != null)
                .forEach(u -> assertEquals(2, Integer.parseInt(u.mac().substring(0, 2), 16) & 3, u.mac()));
    }

    /** Whatever is added or removed, in whatever order: nothing assigned changes, nothing is assigned twice. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void stableAndWithoutDuplicatesUnderAddingAndRemoving(long seed) {
        Random random = new Random(seed);
        Plan plan = NameAssigner.assign(Plans.sound());
        for (int step = 0; step < 120; step++) {
            Plan before = plan;
            String id = "u" + random.nextInt(40);
            if (plan.units().containsKey(id)) {
                plan = Plans.units(
                        Plans.links(plan, m -> {
                            m.remove("l" + id);
                            return m;
                        }),
                        m -> {
                            m.remove(id);
                            return m;
                        });
            } else {
                plan = Plans.put(plan, id, Plans.unit(id, UnitKind.CONTROLLER, 6, Medium.WIFI_2G4, Medium.CHIRP));
                Medium medium = random.nextBoolean() ? Medium.WIFI_2G4 : Medium.CHIRP;
                plan = Plans.link(plan, "l" + id, Plans.link(id, "ap", medium));
                plan = Plans.put(plan, id, Plans.lamp());
            }
            plan = NameAssigner.assign(plan);
            assertEquals(plan, NameAssigner.assign(plan), "assigning twice is assigning once");
            Plan after = plan;
            before.units().forEach((key, unit) -> {
                Unit now = after.units().get(key);
                if (now != null && unit.ipv4() != null) {
                    assertEquals(List.of(unit.ipv4(), unit.mac()), List.of(now.ipv4(), now.mac()));
                }
            });
            unique(plan);
        }
    }

    private static void unique(Plan plan) {
        Set<Object> seen = new HashSet<>();
        plan.units().values().forEach(u -> {
            assertTrue(u.ipv4() == null || seen.add(u.ipv4()), u.ipv4());
            assertTrue(u.mac() == null || seen.add(u.mac()), u.mac());
            assertTrue(u.nodeId() == null || seen.add(u.nodeId()), "node " + u.nodeId());
        });
        plan.devices().values().forEach(d -> assertTrue(seen.add(d.topic()), d.topic()));
    }

    @Test
    void keepsWhatWasTypedEvenTwiceAndLeavesAFullSubnetUnassigned() {
        Plan plan = Plans.put(
                Plans.sound(),
                "board",
                Plans.sound()
                        .units()
                        .get("board")
                        .with(u -> u.ipv4("192.168.40.1").mac(null).nodeId(null)));
        Plan named = NameAssigner.assign(plan);
        assertEquals("192.168.40.1", named.units().get("board").ipv4());
        assertFalse("192.168.40.1".equals(named.units().get("router").ipv4()));

        Network tiny = new Network("10.0.0.0/29", "10.0.0.2", "10.0.0.6", "x");
        Plan full = NameAssigner.assign(Plans.head(Plans.sound(), Plans.sound().region(), 230.0, null, tiny, true));
        assertNull(full.units().get("board").ipv4());
    }
}
