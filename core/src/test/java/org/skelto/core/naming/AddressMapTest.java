package org.skelto.core.naming;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.skelto.core.Demos;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.network.AddressBlock;
import org.skelto.core.plan.network.Addressing;
import org.skelto.core.plan.network.Network;
import org.skelto.core.sample.ThornfellLodge;

/** The subnet as a sheet of cells, and the rules that fill it. */
class AddressMapTest {
    private static final List<Plan> DEMOS = List.of(
            NameAssigner.assign(Demos.mill()),
            NameAssigner.assign(Demos.flat()),
            NameAssigner.assign(ThornfellLodge.plan()));

    private static Plan ruled(Plan plan, Map<String, AddressBlock> floors, Map<String, String> resting) {
        return plan.withNetwork(plan.network().withAddressing(new Addressing(floors, resting, null, Map.of())));
    }

    private static Plan renamed(Plan plan, String unit, String address) {
        Map<String, Unit> units = new TreeMap<>(plan.units());
        units.computeIfPresent(unit, (id, u) -> u.withIpv4(address));
        return plan.withUnits(units);
    }

    @Test
    void everyReservedAddressIsACellAndTheCellsAddUp() {
        for (Plan plan : DEMOS) {
            AddressMap map = AddressMap.of(plan);
            Set<String> addressed = new HashSet<>();
            plan.units().forEach((id, u) -> {
                if (u.ipv4() != null) {
                    addressed.add(id);
                }
            });
            Set<String> held = new HashSet<>();
            map.held().forEach(h -> held.addAll(h.units()));
            held.addAll(map.outside());
            assertEquals(addressed, held);
            long pool = map.poolTo() - map.poolFrom() + 1;
            long beside = map.held().stream()
                    .filter(h -> h.host() < map.poolFrom() || h.host() > map.poolTo())
                    .count();
            assertEquals(
                    map.hosts(), 2 + pool + beside + map.free(), "own, last, pool, reserved and free are all of it");
            assertNull(map.enough());
            // the mill comes with one mistake to be found
            List<List<String>> clashes = map.held().stream()
                    .filter(h -> h.trouble() != null)
                    .map(AddressMap.Held::units)
                    .toList();
            assertEquals(plan == DEMOS.get(0) ? List.of(List.of("lathe-ap", "meal-ap")) : List.of(), clashes);
        }
    }

    @Test
    void whatIsGivenTwiceOrLiesInThePoolOrOutsideStandsOut() {
        Plan plan = DEMOS.get(1);
        List<String> addressed = plan.units().entrySet().stream()
                .filter(e -> e.getValue().ipv4() != null)
                .map(Map.Entry::getKey)
                .toList();
        String first = addressed.get(0);
        String second = addressed.get(1);
        AddressMap twice =
                AddressMap.of(renamed(plan, second, plan.units().get(first).ipv4()));
        AddressMap.Held cell = twice.held().stream()
                .filter(h -> h.units().size() == 2)
                .findFirst()
                .orElseThrow();
        assertEquals(Set.of(first, second), Set.copyOf(cell.units()));
        assertEquals("given 2 times", cell.trouble());
        AddressMap pooled = AddressMap.of(renamed(plan, first, plan.network().poolFrom()));
        assertEquals(
                List.of(first),
                pooled.held().stream()
                        .filter(h -> h.trouble() != null)
                        .flatMap(h -> h.units().stream())
                        .toList());
        assertEquals(
                List.of(first), AddressMap.of(renamed(plan, first, "10.1.2.3")).outside());
    }

    @Test
    void boardsOfAFloorTakeTheNextFreeOfItsBlockAndNothingMovesByItself() {
        Plan plan = DEMOS.get(0);
        Plan ruled = ruled(plan, Map.of("meal-floor", new AddressBlock(240, 250)), Map.of());
        assertEquals(plan.units(), NameAssigner.assign(ruled).units(), "a new rule moves nothing");
        List<AddressMap.Renumbered> shown = AddressMap.renumbered(ruled);
        assertTrue(shown.size() > 1);
        Set<String> given = new HashSet<>();
        for (AddressMap.Renumbered r : shown) {
            int host = Integer.parseInt(r.to().substring(r.to().lastIndexOf('.') + 1));
            assertTrue(host >= 240 && host <= 250, r.to());
            assertTrue(given.add(r.to()));
            assertEquals(plan.units().get(r.unit()).ipv4(), r.from());
        }
        Plan renumbered = ruled;
        for (AddressMap.Renumbered r : shown) {
            renumbered = renamed(renumbered, r.unit(), r.to());
        }
        assertEquals(List.of(), AddressMap.renumbered(renumbered), "numbering anew twice changes nothing more");
        // a block that is full leaves the rest to the family's
        Plan narrow = ruled(plan, Map.of("meal-floor", new AddressBlock(240, 240)), Map.of());
        long inside = AddressMap.renumbered(narrow).stream()
                .filter(r -> r.to().endsWith(".240"))
                .count();
        assertEquals(1, inside);
    }

    @Test
    void anAddressAtRestIsGivenToNobody() {
        Plan plan = DEMOS.get(1);
        String board = plan.units().entrySet().stream()
                .filter(e -> e.getValue().ipv4() != null && e.getValue().carries())
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow();
        String had = plan.units().get(board).ipv4();
        Plan rests = ruled(plan, Map.of(), Map.of(had, "2027-01-01"));
        assertTrue(
                AddressMap.of(rests).held().stream().noneMatch(h -> h.role() == AddressMap.Role.RESTING),
                "whose it is does not rest");
        Plan anew = NameAssigner.assign(renamed(rests, board, null));
        assertNotEquals(had, anew.units().get(board).ipv4());
        AddressMap.Held cell = AddressMap.of(anew).held().stream()
                .filter(h -> h.address().equals(had))
                .findFirst()
                .orElseThrow();
        assertEquals(AddressMap.Role.RESTING, cell.role());
        assertEquals("2027-01-01", cell.until());
        assertEquals(
                had,
                NameAssigner.assign(renamed(plan, board, null))
                        .units()
                        .get(board)
                        .ipv4());
    }

    @Test
    void aSubnetTooSmallSaysWhichWouldDo() {
        Plan lodge = DEMOS.get(2);
        Map<String, Unit> bare = new TreeMap<>();
        lodge.units().forEach((id, u) -> bare.put(id, u.withIpv4(null)));
        Plan small = NameAssigner.assign(lodge.withUnits(bare)
                .withNetwork(Network.of("192.168.60.0/28", "192.168.60.12", "192.168.60.14", "lodge")));
        String enough = AddressMap.of(small).enough();
        assertTrue(enough != null && enough.endsWith("/25"), enough);
        Plan wide = NameAssigner.assign(small.withNetwork(small.network().withSubnet(enough)));
        assertNull(AddressMap.of(wide).enough());
        assertTrue(wide.units().entrySet().stream()
                .noneMatch(e -> e.getValue().ipv4() == null
                        && Needs.of(wide).addresses().contains(e.getKey())));
    }
}
