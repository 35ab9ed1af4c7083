package org.skelto.core.naming;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Changed;
import org.skelto.core.Plans;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.facts.Facts;
import org.skelto.core.naming.Segments.Crossing;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.ControlScheme;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.SpokenGroup;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.equipment.Way;
import org.skelto.core.plan.network.AddressBlock;
import org.skelto.core.plan.network.AddressFamily;
import org.skelto.core.plan.network.Addressing;
import org.skelto.core.plan.network.Service;
import org.skelto.core.plan.network.ServiceKind;
import org.skelto.core.plan.radio.Wireless;
import org.skelto.core.radio.SlabTables;
import org.skelto.core.snags.Snag;

/** Accounts of services, segments, numbers, and names that were entered elsewhere. */
class AccountsTest {
    private static Plan device(Plan plan, String id, UnaryOperator<Device> change) {
        Map<String, Device> devices = new TreeMap<>(plan.devices());
        devices.computeIfPresent(id, (k, d) -> change.apply(d));
        return plan.withDevices(devices);
    }

    private static Plan unit(Plan plan, String id, UnaryOperator<Unit> change) {
        Map<String, Unit> units = new TreeMap<>(plan.units());
        units.computeIfPresent(id, (k, u) -> change.apply(u));
        return plan.withUnits(units);
    }

    private static Device outside(Device d) {
        return d.withControl(new TreeSet<>(Set.of(ControlScheme.SERVICE)));
    }

    private static List<Snag> of(String code, Plan plan) {
        return Assessment.of(new Facts(plan, new SlabTables(), List.of(), Catalogue.builtIn()), Set.of())
                .snags()
                .stream()
                .filter(s -> s.code().equals(code))
                .toList();
    }

    /** A reading each 5 min is 288 a day, and 24 changes; 30.4 days: 9485. A lamp: hourly, 8 changes, 8 commands: 1216. */
    @Test
    void messagesAMonth() {
        Plan plan = NameAssigner.assign(Plans.sound());
        plan = unit(plan, "probe", u -> u.with(b -> b.duty(null).message(null)));
        Plan warm = device(plan, "probe", d -> d.withKind(DeviceKind.TEMPERATURE));
        Traffic traffic = Traffic.of(warm, Contracts.of(warm), Told.NONE);
        assertEquals(
                List.of("probe", "lamp"),
                traffic.devices().stream().map(Traffic.DeviceTraffic::device).toList());
        assertEquals(30.4 * (288 + 24), traffic.devices().get(0).messages(), 1e-9);
        assertEquals(30.4 * (24 + 8 + 8), traffic.devices().get(1).messages(), 1e-9);
        assertEquals("testhouse/house/east-room/lamp", traffic.devices().get(1).where());
    }

    @Test
    void anAccountThatCarriesLessThanIsSaidIsASnag() {
        Service account = new Service("board account", ServiceKind.REMOTE_ACCESS, 2.0, 1000, 5);
        Plan plan = NameAssigner.assign(
                device(Plans.sound(), "lamp", AccountsTest::outside).withServices(Map.of("account", account)));
        assertEquals(1, plan.devices().get("lamp").accountChannel());
        Traffic.AccountUse use =
                Traffic.of(plan, Contracts.of(plan), Told.NONE).accounts().get(0);
        assertEquals(1.216, use.messageShare(), 1e-9);
        assertEquals(0.2, use.boardShare(), 1e-9);
        assertEquals(
                "1216 expected, 1000 carried; most from lamp 1216",
                of("H2", plan).get(0).figures());
        Plan larger = plan.withServices(
                Map.of("account", new Service("board account", ServiceKind.REMOTE_ACCESS, 2.0, 2000, 1)));
        assertEquals(List.of(), of("H2", larger));
    }

    /** Whatever comes and goes: what has a number keeps it, none is given twice, and a stretch of sixteen is one room's. */
    @Test
    void channelsOfAnAccountAreStableAndTellTheRoom() {
        Random random = new Random(3);
        Plan plan = Plans.sound();
        Device lamp = outside(plan.devices().get("lamp")).withTopic(null);
        for (int step = 0; step < 150; step++) {
            Map<String, Device> devices = new TreeMap<>(plan.devices());
            String id = "d" + random.nextInt(60);
            Map<String, Integer> before = new HashMap<>();
            devices.forEach((k, d) -> before.put(k, d.accountChannel()));
            if (devices.remove(id) == null) {
                String room = random.nextBoolean() ? "east" : "west";
                devices.put(
                        id, lamp.with(d -> d.name(id).place(new org.skelto.core.plan.site.Place(room, null, 1, 1, 1))));
            }
            plan = NameAssigner.assign(plan.withDevices(devices));
            Set<Integer> given = new HashSet<>();
            Map<Integer, String> owners = new HashMap<>();
            plan.devices().forEach((k, d) -> {
                if (d.accountChannel() != null) {
                    assertTrue(given.add(d.accountChannel()));
                    if (before.get(k) != null) {
                        assertEquals(before.get(k), d.accountChannel());
                    }
                    String room = d.place().room();
                    assertEquals(room, owners.computeIfAbsent((d.accountChannel() - 1) / 16, s -> room));
                }
            });
        }
        assertEquals("Channels of the account", NumberSheet.of(plan).get(0).name(), "they are a sheet of cells");
    }

    @Test
    void whatCrossesFromOneSegmentToAnotherIsToldWithItsPort() {
        Plan plan = NameAssigner.assign(
                unit(Plans.sound(), "ap", u -> u.withWireless(new Wireless("boards", "boards", null))));
        Segments segments = Segments.of(plan, Contracts.of(plan));
        assertEquals(
                List.of(Segments.HOUSE, "boards"),
                segments.segments().stream().map(Segments.Segment::name).toList());
        assertEquals(
                List.of(new Crossing(
                        "boards", Segments.HOUSE, 1883, "messages to the broker", List.of("board"), "hub")),
                segments.crossings());
        assertEquals("board.local", segments.segments().get(1).units().get(0).multicast());
        assertEquals(
                List.of(),
                Segments.of(Plans.sound(), Contracts.of(Plans.sound())).crossings());
    }

    @Test
    void hostNamesOfIdsThatReadAlikeAreNotTheSame() {
        assertEquals("hall-board", HostNames.of("hall-board"));
        assertEquals(
                3,
                Set.of(HostNames.of("hall.board"), HostNames.of("hall_board"), HostNames.of("hall-board"))
                        .size());
        assertTrue(HostNames.of("X".repeat(64)).matches("[a-z0-9-]{1,63}"));
        assertNotEquals(HostNames.of("x".repeat(50) + "1"), HostNames.of("x".repeat(50) + "2"));
    }

    @ParameterizedTest
    @CsvSource(
            value = {
                "0xA1B2C3D4E5F6, 02:b2:c3:d4:e5:f6",
                "00:11:22, 02:00:00:00:11:22",
                "00-11-22-33-44-55-66-77, 02:33:44:55:66:77",
                "12, null",
                "hello world, null",
                "'', null"
            },
            nullValues = "null")
    void aHardwareAddressOfAChip(String chip, String address) {
        assertEquals(address, HardwareAddress.ofChip(chip));
    }

    @Test
    void aFamilyBeginsWhereThePlanSays() {
        Plan plan = Plans.sound();
        Addressing others = new Addressing(Map.of(), Map.of(), null, Map.of(AddressFamily.HUBS, 60));
        Plan named = NameAssigner.assign(plan.withNetwork(plan.network().withAddressing(others)));
        assertEquals("192.168.40.60", named.units().get("hub").ipv4());
        assertTrue(AddressMap.of(named).blocks().stream()
                .anyMatch(b -> b.family() == AddressFamily.HUBS && b.from() == 60));
    }

    @Test
    void zonesOfAPanelAndCodesOfThePowerLineAreSheets() {
        Plan plan = Plans.put(
                Plans.sound(), "panel", Plans.unit("panel", UnitKind.PANEL, 6).with(u -> u.channels(4)));
        Plan zone = device(plan, "lamp", d -> d.with(b -> b.unit("panel").channel(6)));
        NumberSheet zones = NumberSheet.of(zone).get(0);
        assertEquals("Zones and outputs of panel", zones.name());
        assertEquals("there is no such zone", zones.taken().get(0).trouble());
        Snag snag = of("N7", zone).get(0);
        Plan mended = Changed.after(zone, snag.fixes().get(0).edits());
        assertEquals(List.of(), of("N7", mended));
        assertEquals(List.of(), of("N7", Plans.sound()));
        Plan coded = unit(plan, "board", u -> u.withBoards(new BoardSet("board-wifi", Map.of(), null, null, "B3")));
        assertEquals(19, NumberSheet.of(coded).get(1).taken().get(0).number());
    }

    @Test
    void blocksOfFloorsThatOverlapAreTold() {
        Plan plan = Plans.sound()
                .with(p -> p.floors(Map.of(
                        "ground", Plans.sound().floors().get("ground"),
                        "upper",
                                Plans.sound()
                                        .floors()
                                        .get("ground")
                                        .with(f -> f.name("Upper floor").baseM(2.8)))));
        Map<String, AddressBlock> blocks =
                Map.of("ground", new AddressBlock(64, 95), "upper", new AddressBlock(90, 120));
        Plan overlapping =
                plan.withNetwork(plan.network().withAddressing(new Addressing(blocks, Map.of(), null, Map.of())));
        Snag snag = of("N3", overlapping).get(0);
        assertEquals("64 to 95 and 90 to 120", snag.figures());
        assertEquals(
                List.of(),
                of("N3", Changed.after(overlapping, snag.fixes().get(0).edits())));
    }

    private static Plan spoken() {
        return device(
                Plans.sound(),
                "lamp",
                d -> d.with(b -> b.name("reading lamp")
                        .ways(new TreeSet<>(Set.of(Way.SPOKEN)))
                        .alsoCalled(new TreeSet<>(Set.of("book light")))));
    }

    @Test
    void aGroupOrAnotherNameMayBeTakenForAName() {
        Plan grouped =
                spoken().withSpokenGroups(Map.of("g", new SpokenGroup("reading lamp", new TreeSet<>(Set.of("lamp")))));
        assertEquals(
                SpokenNames.Why.GROUP, SpokenNames.of(grouped).clashes().get(0).why());
        Plan alias = device(
                spoken(),
                "probe",
                d -> d.with(b -> b.name("shelf")
                        .ways(new TreeSet<>(Set.of(Way.SPOKEN)))
                        .alsoCalled(new TreeSet<>(Set.of("book light")))));
        Snag same = of("T11", alias).get(0);
        assertEquals("Do not call it so", same.fixes().get(0).label());
        assertEquals(
                List.of(), of("T11", Changed.after(alias, same.fixes().get(0).edits())));
    }

    @Test
    void namesThatWereEnteredElsewhereAreHeldAgainstThePlan() throws Exception {
        SpokenDrift drift = SpokenDrift.of(spoken(), "hub", "name,device\nreading lamb,\nnobody knows,\n,\n");
        assertEquals(List.of(new SpokenDrift.Entered("lamp", "reading lamb", "reading lamp", false)), drift.found());
        assertEquals(List.of("line 4: no name", "nobody knows"), drift.strange());
        Plan kept = Changed.after(spoken(), drift.edits());
        assertEquals(Map.of("hub", "reading lamb"), kept.devices().get("lamp").enteredAs());
        Snag snag = of("T14", kept).get(0);
        for (Snag.Fix fix : snag.fixes()) {
            assertEquals(List.of(), of("T14", Changed.after(kept, fix.edits())), fix.label());
        }
        SpokenDrift same = SpokenDrift.of(spoken(), "hub", "Say;Area\nBOOK LIGHT;East\n");
        assertTrue(same.found().get(0).same());
        assertEquals(List.of(), of("T14", Changed.after(spoken(), same.edits())));
        assertEquals(List.of("lamp"), SpokenDrift.of(spoken(), "hub", "name\n").missing());
        assertThrows(SpokenDrift.Unreadable.class, () -> SpokenDrift.of(spoken(), " ", "name\nx\n"));
        assertThrows(SpokenDrift.Unreadable.class, () -> SpokenDrift.of(spoken(), "hub", "a,b\n1,2\n"));
        assertNull(Plans.sound().devices().get("lamp").enteredAs().get("hub"));
    }
}
