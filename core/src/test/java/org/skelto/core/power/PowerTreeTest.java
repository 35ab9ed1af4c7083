package org.skelto.core.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.skelto.core.Changed;
import org.skelto.core.Plans;
import org.skelto.core.Workshop;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.Backups;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.validation.PlanValidator;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.site.SiteModel;

class PowerTreeTest {
    private static Map<String, PowerNode> tree(Plan plan) {
        return PowerTree.of(SiteModel.of(plan), Catalogue.builtIn());
    }

    @Test
    void theWorkshopAddsUpByHand() {
        Map<String, PowerNode> tree = tree(Workshop.plan());
        // board 5 V · 0.45 A peak, dimmer 0.04 A, the two coils of four that are used, 0.072 A each: (0.45 + 0.04 +
        // 0.144) A
        PowerNode board = tree.get("board");
        assertEquals(0.634, board.worstA(), 1e-9);
        // converter: 3.17 W / 0.88 = 4.818 W from 12 V; 8 m of 13.3 Ω/km, there and back 0.2128 Ω
        assertEquals(3.17 / 0.88, board.takenWorstW(), 1e-9);
        assertEquals(
                (12 + Math.sqrt(144 - 4 * 3.17 / 0.88 * 0.2128)) / 2,
                board.run().endV(),
                1e-9);
        // the rail gives that and the valve's 6 W, of 60 W; it loses (1/0.86 − 1) of it and 0.4 W
        PowerNode rail = tree.get("rail");
        double given = 3.17 / 0.88 + 6;
        assertEquals(given / 60, rail.gives().share(), 1e-9);
        assertEquals(given / 0.86 - given + 0.4, rail.gives().lossW(), 1e-9);
        assertEquals((given / 0.86 + 0.4) / 230, rail.worstA(), 1e-9);
        assertEquals("rail", board.parent());
        assertEquals("rail", tree.get("device:stop").parent());
        assertNull(rail.parent());
        // ten microamperes asleep and 1.6 mC every ten minutes
        assertEquals(
                10 * (600 - 0.08) / 600 + 20 * 80 / 600.0,
                tree.get("probe").cell().averageUa(),
                1e-9);
    }

    @Test
    void aRegulatorTurnsTheRestIntoHeatAndTakesAsMuchCurrentAsItGives() {
        PowerNode board = tree(Changed.with(Workshop.plan(), "/units/board/power/part", "\"linear-5\""))
                .get("board");
        // in a box of 40 °C: 7 V · 0.634 A · 65 K/W over it
        assertEquals(40 + 7 * 0.634 * 65, board.gives().junctionC(), 1e-6);
        assertEquals(12 * 0.634, board.takenWorstW(), 1e-9);
    }

    @Test
    void aTransformerCountsRectifiedLoadsAtTheirTrueRms() {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/units/rail/boards/main",
                "\"trafo-24\"",
                "/units/board/power/part",
                "\"step-5\"",
                "/devices/stop/works",
                "{\"volts\":24,\"watts\":10,\"supply\":\"rail\",\"endSensors\":1}");
        PowerNode rail = tree(plan).get("rail");
        assertEquals((3.17 / 0.88 + 10) * 1.8 / 30, rail.gives().share(), 1e-9);
    }

    @Test
    void aSwitchCountsItsPortsTheirTotalAndWhatCablesLose() {
        Plan plan = Workshop.plan();
        for (int i = 0; i < 5; i++) {
            plan = Changed.with(
                    plan,
                    "/units/eye" + i,
                    "{\"name\":\"eye " + i
                            + "\",\"kind\":\"ACCESS_POINT\",\"power\":{\"source\":\"ETHERNET\",\"from\":\"switch\","
                            + "\"backupH\":0},\"channels\":0,\"maxClients\":0,\"internetEntry\":false,\"broker\":false,"
                            + "\"draws\":{\"volts\":48,\"typicalA\":0.1,\"worstA\":0.25}}");
        }
        List<String> texts =
                tree(plan).get("switch").faults().stream().map(f -> f.figures()).toList();
        assertTrue(texts.contains("6 units, 4 ports"), texts.toString());
        assertTrue(texts.stream().anyMatch(t -> t.contains("of 60 W in total")), texts.toString());
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void moreLoadNeverLeavesMoreVoltageOrHeadroom(long seed) {
        Random random = new Random(seed);
        double watts = random.nextDouble() * 20;
        double length = 1 + random.nextDouble() * 30;
        String feed = "{\"cable\":\"cable-low-075\",\"lengthM\":%s,\"fuseA\":4}";
        PowerNode[] light = nodes(watts, String.format(feed, length));
        PowerNode[] heavy = nodes(watts + 5, String.format(feed, length));
        PowerNode[] far = nodes(watts, String.format(feed, length + 10));
        assertTrue(heavy[0].run().endV() < light[0].run().endV());
        assertTrue(far[0].run().endV() < light[0].run().endV());
        assertTrue(heavy[1].gives().share() > light[1].gives().share());
        assertTrue(heavy[1].takenW() >= light[1].takenW());
    }

    private static PowerNode[] nodes(double watts, String feed) {
        Map<String, PowerNode> tree = tree(Changed.with(
                Workshop.plan(),
                "/units/board/draws",
                "{\"volts\":5,\"typicalA\":0.1,\"worstA\":" + watts / 5 + "}",
                "/units/board/power/feed",
                feed));
        return new PowerNode[] {tree.get("board"), tree.get("rail")};
    }

    @Test
    void theWholePathEndsWithItsWeakestBox() {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/units/hub/power/backupH",
                "6",
                "/units/ap/power/backupH",
                "0",
                "/units/switch/power/backupH",
                "2",
                "/units/rail/boards/main",
                "\"backup-12\"");
        Backups.BackupPath path = new Facts(plan)
                .backups().stream()
                        .filter(p -> p.device().equals("stop"))
                        .findFirst()
                        .orElseThrow();
        Map<String, Double> hours = path.boxes().stream()
                .collect(java.util.stream.Collectors.toMap(Backups.BackupBox::unit, Backups.BackupBox::hours));
        assertEquals(2, hours.get("ap"), 1e-9);
        assertEquals(6, hours.get("hub"), 1e-9);
        // 7 Ah at 12 V, 70 % of it, at 85 %: 49.98 Wh for what the board takes most of the time and its own 3 W
        double typical = tree(plan).get("board").takenW();
        assertEquals(84 * 0.7 * 0.85 / (typical + 3), hours.get("board"), 1e-6);
        assertEquals(2, path.hours(), 1e-9);
        assertTrue(path.ends().equals("ap") || path.ends().equals("switch"));
    }

    @Test
    void everyUnitOfALargeHouseIsInItOnce() {
        Plan lodge = ThornfellLodge.plan();
        Set<String> all = new TreeSet<>(lodge.units().keySet());
        // and every device that hangs on a supply itself
        lodge.devices().forEach((id, d) -> {
            if (d.known().supply() != null) {
                all.add("device:" + id);
            }
        });
        assertEquals(4 + lodge.units().size(), all.size());
        assertEquals(all, new TreeSet<>(tree(lodge).keySet()));
        tree(lodge).values().forEach(n -> assertNotNull(n.draw().formula()));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/units/board/draws | {\"volts\":5,\"typicalA\":-0.1,\"worstA\":1} | /units/board/draws/typicalA",
                "/units/board/draws | {\"volts\":5,\"typicalA\":0.1,\"worstA\":-1} | /units/board/draws/worstA",
                "/units/board/power/feed | {\"fuseA\":-2} | /units/board/power/feed/fuseA",
                "/units/probe/duty/sleepUa | -5 | /units/probe/duty/sleepUa",
                "/units/probe/duty | {\"sleepUa\":1,\"cycleS\":1,\"pulses\":[{\"currentMa\":1,\"durationMs\":2000}]} | /units/probe/duty/pulses",
                "/units/probe/duty | {\"sleepUa\":1,\"cycleS\":9,\"pulses\":[null]} | /units/probe/duty/pulses/0",
                "/devices/stop/works/watts | -1 | /devices/stop/works/watts",
                "/devices/stop/works/supply | \"gone\" | /devices/stop/works/supply",
                "/devices/stop/works/gestures | {\"longMs\":10,\"doubleMs\":300} | /devices/stop/works/gestures/longMs",
                "/units/board/boards/bus | {\"lengthM\":-1,\"rateK\":100,\"ends\":0,\"reference\":false} | /units/board/boards/bus/lengthM",
                "/units/board/boards/code | \"Z9\" | /units/board/boards/code",
                "/units/board/housing | \"gone\" | /units/board/housing",
                "/circuits/mains/breakerA | 0 | /circuits/mains/breakerA",
                "/money | {\"currency\":\"euro\",\"spareShare\":0.1,\"energyPrice\":0.3,\"hourPrice\":0} | /money/currency",
                "/housings/cabinet/riseK | 400 | /housings/cabinet/riseK",
            })
    void whatCannotBeIsRefusedNamingItsPlace(String pointer, String json, String place) {
        IllegalArgumentException refused = org.junit.jupiter.api.Assertions.assertThrows(
                IllegalArgumentException.class, () -> Changed.with(Workshop.plan(), pointer, json));
        assertTrue(refused.getMessage().contains("pointer=" + place + ","), refused.getMessage());
        assertEquals(List.of(), PlanValidator.problems(Plans.sound()));
    }
}
