package org.skelto.core.naming;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.nio.charset.StandardCharsets;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.zip.CRC32;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.Plans;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitBuilder;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.network.Link;
import org.skelto.core.plan.network.Network;
import org.skelto.core.plan.power.Power;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Region;

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

        Network tiny = Network.of("10.0.0.0/29", "10.0.0.2", "10.0.0.6", "x");
        Plan full = NameAssigner.assign(Plans.head(Plans.sound(), Plans.sound().region(), 230.0, null, tiny, true));
        assertNull(full.units().get("board").ipv4());
    }

    private static Plan routed(String subnet, String from, String to, int hubs) {
        Plan plan = Plan.fresh("Names", Region.EU, 230.0, null).withNetwork(Network.of(subnet, from, to, "names"));
        Map<String, Unit> units = new TreeMap<>();
        units.put("router", unit(UnitKind.ROUTER));
        for (int i = 0; i < hubs; i++) {
            units.put("hub" + (char) ('a' + i), unit(UnitKind.HUB));
        }
        return NameAssigner.assign(plan.withUnits(units));
    }

    private static Unit unit(UnitKind kind) {
        return UnitBuilder.builder()
                .name(kind.name())
                .kind(kind)
                .power(Power.mains(null))
                .build();
    }

    /** By hand: hubs begin at the sixteenth host; in a /29 of six hosts that is host 4, and host 1 is the router's. */
    @Test
    void addressesRunOnFromTheirBlockOverThePoolAndRoundToTheBeginning() {
        Plan wide = routed("10.0.0.0/24", "10.0.0.17", "10.0.0.20", 3);
        assertEquals("10.0.0.1", wide.units().get("router").ipv4());
        assertEquals("10.0.0.16", wide.units().get("huba").ipv4());
        assertEquals("10.0.0.21", wide.units().get("hubb").ipv4(), "the first after the pool");
        assertEquals("10.0.0.22", wide.units().get("hubc").ipv4());
        Plan narrow = routed("10.0.0.8/29", "10.0.0.13", "10.0.0.13", 5);
        assertEquals("10.0.0.9", narrow.units().get("router").ipv4());
        assertEquals("10.0.0.12", narrow.units().get("huba").ipv4());
        assertEquals("10.0.0.14", narrow.units().get("hubb").ipv4(), "13 is the pool's only address");
        assertEquals("10.0.0.10", narrow.units().get("hubc").ipv4(), "round to the beginning, past the router's");
        assertEquals("10.0.0.11", narrow.units().get("hubd").ipv4());
        assertNull(narrow.units().get("hube").ipv4(), "six hosts less the pool are five");
    }

    /** The last three bytes of the CRC-32 of the id follow the prefix. */
    @Test
    void hardwareAddressesAreTheSameForTheSameIdEverywhere() {
        CRC32 hash = new CRC32();
        hash.update("router".getBytes(StandardCharsets.UTF_8));
        String mac = routed("10.0.0.0/24", "10.0.0.17", "10.0.0.20", 0)
                .units()
                .get("router")
                .mac();
        assertEquals(
                String.format("%06x", hash.getValue() & 0xffffff),
                mac.substring(9).replace(":", ""));
    }

    @Test
    void onlyWhatIsMissingIsGivenAndOnlyToWhatNeedsIt() {
        Plan plan = routed("10.0.0.0/24", "10.0.0.17", "10.0.0.20", 1);
        Unit hub = plan.units().get("huba");
        Map<String, Unit> units = new TreeMap<>(plan.units());
        units.put("huba", hub.withMac(null));
        units.put("supply", unit(UnitKind.SUPPLY));
        units.put("probe", unit(UnitKind.SELF_CONTAINED));
        units.put("gate", unit(UnitKind.GATEWAY));
        Plan again = NameAssigner.assign(
                plan.withUnits(units).withLinks(Map.of("l", Link.of("probe", "gate", Medium.CHIRP, null, null, null))));
        assertEquals(hub, again.units().get("huba"), "the same hardware address once more, the address untouched");
        assertNull(again.units().get("supply").ipv4());
        assertNull(again.units().get("probe").ipv4(), "it speaks no IP");
        assertEquals(1, again.units().get("gate").nodeId(), "numbers run in the order of ids");
        assertEquals(2, again.units().get("probe").nodeId());
        assertNull(again.units().get("huba").nodeId());
        var rules = NameAssigner.rules(again);
        assertTrue(rules.get("/units/probe").needsNodeId());
        assertFalse(rules.get("/units/probe").needsAddress());
        assertTrue(rules.get("/units/gate").needsAddress());
        assertFalse(rules.get("/units/huba").needsNodeId());
        assertEquals(again, NameAssigner.assign(again), "assigned twice is assigned once");
    }
}
