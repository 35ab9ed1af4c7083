package org.skelto.core.wiring;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.skelto.core.Changed;
import org.skelto.core.Workshop;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.facts.Facts;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;

class ChainsTest {
    private static List<ChainReport> of(Plan plan) {
        return Chains.of(plan, Catalogue.builtIn());
    }

    @Test
    void aBusOfThreeBoardsByHand() {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/units/board/boards/more/four",
                "{\"part\":\"dimmer-4\",\"address\":48}",
                "/units/board/boards/more/inputs",
                "{\"part\":\"inputs-16\",\"address\":32}",
                "/units/board/boards/bus",
                "{\"cable\":\"cable-alarm\",\"lengthM\":2,\"rateK\":100,\"periodMs\":5,\"pullUpOhm\":10000,\"ends\":0,\"reference\":false}");
        ChainReport bus = of(plan).get(0);
        // 2 m of 100 pF/m, boards of 14, 16 and 10 pF, the master's 10 pF
        assertEquals(250, bus.capacitancePf(), 1e-9);
        // four of 10 kΩ in parallel
        assertEquals(2500, bus.pullUpOhm(), 1e-6);
        assertEquals((3.3 - 0.4) / 0.003, bus.leastOhm(), 1e-6);
        assertEquals(1e-6 / (0.8473 * 250e-12), bus.mostOhm(), 1e-6);
        // address, register and data: 2 + 2, 2 + 4 and 2 + 2 bytes of nine clocks, start and stop each
        assertEquals((9 * (4 + 6 + 4) + 6) / 100.0, bus.cycleMs(), 1e-9);
        assertEquals(
                List.of("0x20", "0x28", "0x30"),
                bus.members().stream().map(ChainReport.ChainMember::code).toList());
        assertEquals(List.of(), bus.faults());
    }

    @Test
    void expandersContinueTheZonesAndOutputsOfTheirPanel() {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/units/panel",
                "{\"name\":\"panel\",\"kind\":\"PANEL\",\"power\":{\"source\":\"MAINS\",\"backupH\":0},\"channels\":0,\"maxClients\":0,"
                        + "\"internetEntry\":false,\"broker\":false,\"boards\":{\"main\":\"panel-8\",\"more\":{"
                        + "\"a\":{\"part\":\"outs-8\",\"address\":2},\"b\":{\"part\":\"zones-8\",\"address\":1},"
                        + "\"c\":{\"part\":\"zones-8\",\"address\":3}}}}");
        ChainReport panel = of(plan).stream()
                .filter(c -> c.kind() == ChainReport.Kind.PANEL_BUS)
                .findFirst()
                .orElseThrow();
        assertEquals(
                List.of("zones 1 to 8, outputs 1 to 4", "zones 9 to 16", "outputs 5 to 12", "zones 17 to 24"),
                panel.members().stream().map(ChainReport.ChainMember::carries).toList());
        Plan same = Changed.with(plan, "/units/panel/boards/more/c/address", "1");
        assertEquals(
                1,
                Assessment.of(new Facts(same), java.util.Set.of()).snags().stream()
                        .filter(s -> s.code().equals("B1"))
                        .count());
    }

    @Test
    void unitsOnThePowerLineNeedCodesOfTheirOwn() {
        String unit =
                "{\"name\":\"%s\",\"kind\":\"CONTROLLER\",\"power\":{\"source\":\"MAINS\",\"backupH\":0},\"channels\":0,"
                        + "\"maxClients\":0,\"internetEntry\":false,\"broker\":false,\"boards\":{\"main\":\"line-switch\",\"code\":\"%s\"}}";
        Plan plan = Changed.with(
                Workshop.plan(), "/units/one", unit.formatted("one", "A1"), "/units/two", unit.formatted("two", "A1"));
        var snags = Assessment.of(new Facts(plan), java.util.Set.of()).snags().stream()
                .filter(s -> s.code().equals("B1"))
                .toList();
        assertEquals(1, snags.size());
        Plan fixed = Changed.after(plan, snags.get(0).fixes().get(0).edits());
        assertEquals("A2", fixed.units().get("two").boards().code());
        assertTrue(of(fixed).stream().allMatch(c -> c.faults().isEmpty()));
    }

    @Test
    void moreBoardsThanAddressesAndMoreThanALineCarries() {
        String[] pairs = IntStream.range(0, 40)
                .boxed()
                .flatMap(i -> java.util.stream.Stream.of(
                        "/units/board/boards/more/r" + i, "{\"part\":\"relay-8-serial\",\"address\":" + (i + 1) + "}"))
                .toArray(String[]::new);
        // forty are allowed beside the main board; two are there
        Plan line = Changed.with(Workshop.plan(), java.util.Arrays.copyOf(pairs, 76));
        ChainReport serial = of(line).stream()
                .filter(c -> c.kind() == ChainReport.Kind.RS485)
                .findFirst()
                .orElseThrow();
        assertTrue(
                serial.faults().stream().anyMatch(f -> f.code().equals("B3")),
                serial.faults().toString());
        // sixteen bytes and seven characters of pause, ten bits each, at 19.2 kbit/s
        assertEquals(38 * 230 / 19.2, serial.cycleMs(), 1e-9);
        assertNull(serial.capacitancePf());
    }
}
