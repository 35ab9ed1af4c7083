package org.skelto.core.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Changed;
import org.skelto.core.Outpost;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.power.Regulation;

/** Where the charge of a unit on cells goes, by hand. */
class OutpostsTest {
    private static final Catalogue PARTS = Catalogue.builtIn();

    /** Asleep at 12 µA; every half hour 200 ms at 45 mA and 800 ms at 12 mA. Nothing is said of its message. */
    private static Plan plain(String... changes) {
        return Changed.with(Changed.with(Outpost.plan(), "/units/outpost/message", "null"), changes);
    }

    private static Outposts.OutpostEnergy energy(Plan plan) {
        return Outposts.of(plan, PARTS).get("outpost");
    }

    @Test
    void theAverageCurrentIsTheChargeOfACycleOverItsTime() {
        // 12 µA · 1799 s + 45 mA · 0.2 s + 12 mA · 0.8 s = 21 588 + 9 000 + 9 600 µA·s, over 1800 s
        double byHand = (12 * 1799 + 9000 + 9600) / 1800.0;
        Outposts.OutpostEnergy energy = energy(plain());
        assertEquals(byHand, energy.averageUa(), 1e-9);
        double[] charges = {21588, 9000, 9600};
        for (int i = 0; i < charges.length; i++) {
            assertEquals(charges[i] / 40188, energy.states().get(i).share(), 1e-12);
        }
        assertTrue(energy.states().get(0).fixed(), "sleep is what is left");
    }

    @Test
    void aRegulatorStandsBetween() {
        double load = (12 * 1799 + 9000 + 9600) / 1800.0;
        double volts = PARTS.find("cell-cold").orElseThrow().figures().get(Quantity.OUTPUT_V)
                * Outpost.plan().units().get("outpost").power().parts();
        String linear = "{\"kind\":\"LINEAR\",\"outV\":3.0,\"quiescentUa\":5,\"efficiency\":1}";
        Outposts.OutpostEnergy through = energy(plain("/units/outpost/duty/regulation", linear));
        assertEquals(load + 5, through.averageUa(), 1e-9, "the same current, and what it takes itself");
        String converter = "{\"kind\":\"CONVERTER\",\"outV\":3.0,\"quiescentUa\":9,\"efficiency\":0.8}";
        Outposts.OutpostEnergy switched = energy(plain("/units/outpost/duty/regulation", converter));
        double cell = PARTS.find("cell-cold").orElseThrow().figures().get(Quantity.OUTPUT_V);
        double ratio = (switched.averageUa() - 9) / load;
        assertTrue(
                Math.abs(ratio - 3.0 / (cell * 0.8)) < 1e-9 || Math.abs(ratio - 3.0 / (volts * 0.8)) < 1e-9,
                "power in is power out over efficiency: " + ratio);
        for (Outposts.OutpostEnergy one : List.of(through, switched)) {
            assertEquals(
                    1, one.regulators().stream().filter(Outposts.Regulated::now).count());
            assertEquals(
                    one.averageUa(),
                    one.regulators().stream()
                            .filter(Outposts.Regulated::now)
                            .findFirst()
                            .orElseThrow()
                            .averageUa());
            assertTrue(one.averageFigure().formula().endsWith("through the regulator"));
        }
        assertEquals(3, energy(plain()).regulators().size(), "none, and two to choose from");
    }

    @Test
    void whatIsNotKnownIsLeftOut() {
        Outposts.OutpostEnergy unknown = energy(plain("/units/outpost/power/part", "null"));
        assertNull(unknown.years());
        assertNull(unknown.figure());
        assertNull(unknown.cell());
        assertNotNull(unknown.averageFigure());
        assertTrue(unknown.months().isEmpty());
        assertTrue(unknown.radios().stream().allMatch(r -> r.years() == null));
        Plan unfed = plain("/units/outpost/power/part", "null");
        assertNull(Outposts.yearsSending(unfed, PARTS, "outpost", 100));
        assertNull(Outposts.sendingFigure(unfed, PARTS, "outpost", 100));
        Plan onMains = Changed.with(
                plain(), "/units/outpost/power", "{\"source\":\"MAINS\",\"circuit\":\"mains\",\"backupH\":0}");
        assertNull(energy(onMains));
        assertNull(Outposts.yearsSending(onMains, PARTS, "outpost", 100));
        Plan unnamed = plain("/units/outpost/duty/pulses/0/name", "\" \"");
        assertEquals("awake", energy(unnamed).states().get(1).name());
    }

    @Test
    void asLongAsItSendsAsLongItLasts() {
        Plan plan = plain();
        assertEquals(energy(plan).years(), Outposts.yearsSending(plan, PARTS, "outpost", 200), 1e-12);
        assertTrue(Outposts.yearsSending(plan, PARTS, "outpost", 2000)
                < Outposts.yearsSending(plan, PARTS, "outpost", 200));
        assertEquals(
                energy(plan).figure(),
                Outposts.sendingFigure(plan, PARTS, "outpost", 200),
                "and so does how it comes about");
    }

    @Test
    void everythingThatTheCellsDriveCounts() {
        Plan plan = plain();
        double volts = Battery.of(
                        plan,
                        plan.units().get("outpost"),
                        PARTS.find(plan.units().get("outpost").power().part()).orElseThrow())
                .volts();
        // a bolt of 6 W for 2 s, ten times a day: 120 J a day
        Plan bolted = Changed.with(
                plan,
                "/devices/bolt",
                "{\"name\":\"bolt\",\"kind\":\"LOCK\",\"unit\":\"outpost\",\"exitRoute\":false,\"outsideDoor\":false,"
                        + "\"obstacleDetection\":false,\"works\":{\"volts\":4,\"watts\":6,\"travelS\":2}}");
        double more = 120 / volts / 86_400 * 1e6;
        Regulation r = plan.units().get("outpost").duty().regulation();
        double ratio = r == null ? 1 : Outposts.ratio(r, volts);
        // the time that it moves is no time asleep
        assertEquals(energy(plan).averageUa() + more * ratio, energy(bolted).averageUa(), 0.01);
        assertTrue(energy(bolted).states().stream()
                .anyMatch(x -> x.name().startsWith("bolt moves for 2.0 s, 10 times a day")));
        assertTrue(energy(bolted).years() < energy(plan).years() + 1e-9);
        // fed by a circuit it takes nothing from the cells
        Plan onMains = Changed.with(bolted, "/devices/bolt/circuit", "\"mains\"");
        assertEquals(energy(plan).averageUa(), energy(onMains).averageUa(), 1e-9);
    }

    @Test
    void cellsLastNoLongerThanTheyKeep() {
        Battery idle = new Battery(3, 2600, 1, 1, 0.01, 6);
        assertEquals(6, idle.years(0.01));
        assertEquals(Electrics.years(2600, 1, 0.01, 100), idle.years(100), 1e-12);
        assertTrue(PARTS.all(PartKind.BATTERY).stream()
                .allMatch(p -> p.figure(Quantity.SHELF_YEARS).isPresent()));
    }

    @Test
    void itIsDeafWhileItSleeps() {
        assertEquals(
                "receiver sleeps: listens 0.8 s every 30 min, so what is sent to it waits up to 30 min",
                energy(plain()).deaf());
        assertEquals(
                "receiver sleeps: it never listens, so nothing can be sent to it",
                energy(plain("/units/outpost/duty/pulses/1/kind", "\"SEND\"")).deaf());
        assertNull(energy(plain(
                        "/units/outpost/duty/pulses",
                        "[{\"name\":\"listen\",\"currentMa\":12,\"durationMs\":1800000,\"kind\":\"LISTEN\"}]"))
                .deaf());
    }

    @ParameterizedTest
    @CsvSource({"0.8, 0.8 s", "9.5, 9.5 s", "60, 60 s", "120, 2 min", "1800, 30 min", "7200, 2.0 h", "86400, 24.0 h"})
    void timesInWords(double seconds, String words) {
        assertEquals(words.replace(".0 h", " h"), Outposts.seconds(seconds).replace(".0 h", " h"));
    }
}
