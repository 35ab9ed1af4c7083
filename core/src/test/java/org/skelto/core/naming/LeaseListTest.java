package org.skelto.core.naming;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.naming.LeaseList.Leased;
import org.skelto.core.naming.LeaseList.Verdict;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;

class LeaseListTest {
    private final Plan plan = NameAssigner.assign(Demos.flat());

    private String table(Plan from) {
        StringBuilder table = new StringBuilder("IP;MAC;Hostname\n");
        from.units().forEach((id, u) -> {
            if (u.ipv4() != null) {
                table.append(u.ipv4())
                        .append(';')
                        .append(u.mac().toUpperCase().replace(':', '-'))
                        .append(';')
                        .append(id)
                        .append('\n');
            }
        });
        return table.toString();
    }

    private static List<Verdict> verdicts(LeaseList list) {
        return list.found().stream().map(Leased::verdict).distinct().toList();
    }

    @Test
    void thePlansOwnListIsTheSameHoweverHardwareAddressesAreWritten() throws LeaseList.Unreadable {
        LeaseList list = LeaseList.of(plan, table(plan));
        assertEquals(List.of(Verdict.SAME), verdicts(list));
        assertTrue(list.troubles().isEmpty() && list.gone().isEmpty());
        assertEquals("02:5b:1e:00:00:01", LeaseList.hardware("025b.1e00.0001"));
        assertNull(LeaseList.hardware("02:5b:1e:00:00"));
        assertNull(LeaseList.hardware("02:5b:1e:00:00:0g"));
    }

    /** The list of a house whose units have other numbers: adopted, the plan is that house. */
    @Test
    void whatIsAdoptedIsTheSameAfterwards() throws LeaseList.Unreadable {
        Map<String, Unit> units = new TreeMap<>(plan.units());
        int[] host = {90};
        units.replaceAll((id, u) -> u.ipv4() == null ? u : u.withIpv4("192.168.40." + host[0]++));
        String first = units.entrySet().stream()
                .filter(e -> e.getValue().ipv4() != null)
                .findFirst()
                .orElseThrow()
                .getKey();
        units.computeIfPresent(first, (id, u) -> u.withMac("02:00:00:00:00:77"));
        String table = table(plan.withUnits(units));
        LeaseList list = LeaseList.of(plan, table);
        assertEquals(List.of(Verdict.DIFFERENT), verdicts(list));
        List<Edit> all = list.found().stream().flatMap(f -> f.adopt().stream()).toList();
        Plan then = Changed.after(plan, all);
        assertEquals(List.of(Verdict.SAME), verdicts(LeaseList.of(then, table)));
        assertEquals("02:00:00:00:00:77", then.units().get(first).mac(), "found by its name alone");
    }

    @Test
    void whatIsNewGoneTwiceOrUnreadableIsToldByItsLine() throws LeaseList.Unreadable {
        String router = plan.units().values().stream()
                .filter(u -> u.ipv4() != null)
                .findFirst()
                .orElseThrow()
                .ipv4();
        LeaseList list = LeaseList.of(
                plan,
                "address,mac\n" + router + ",\n10.0.0.9,\n" + router + ",\n=1+1,\n,\n192.168.40.77,zz:zz\n"
                        + "192.168.40.78,02:aa:bb:cc:dd:ee,more,than,the,header\n");
        assertEquals(
                List.of(2L, 3L),
                list.found().stream().map(Leased::line).limit(2).toList());
        assertEquals(
                "nothing in the plan has it, and it lies outside the subnet",
                list.found().get(1).words());
        assertEquals(
                List.of(4L, 5L, 6L, 7L),
                list.troubles().stream()
                        .map(LeaseList.UnreadLine::line)
                        .limit(4)
                        .toList());
        assertTrue(list.troubles().get(0).message().contains("line 2 already"));
        assertTrue(list.troubles().get(1).message().contains("\"=1+1\" is no IPv4 address"));
        assertTrue(!list.gone().isEmpty());
    }

    @Test
    void whatIsNoListOrTooLongIsRefusedWhole() {
        assertThrows(LeaseList.Unreadable.class, () -> LeaseList.of(plan, ""));
        assertThrows(LeaseList.Unreadable.class, () -> LeaseList.of(plan, "a,b\n1,2\n"));
        assertThrows(LeaseList.Unreadable.class, () -> LeaseList.of(plan, "ip\n\"192.168.40.1"));
        String many = "ip\n" + "192.168.40.1\n".repeat(100_000);
        String why = assertThrows(LeaseList.Unreadable.class, () -> LeaseList.of(plan, many))
                .getMessage();
        assertTrue(why.contains("20000 lines"), why);
    }
}
