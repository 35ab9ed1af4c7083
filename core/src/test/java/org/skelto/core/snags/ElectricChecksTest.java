package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Changed;
import org.skelto.core.Workshop;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.facts.Facts;
import org.skelto.core.plan.Plan;
import org.skelto.core.wiring.Wired;

/** The checks of devices, boards, boxes, buses and power: each on a plan that has it, and its fix on that plan. */
class ElectricChecksTest {
    private static final Watched WATCHED = new Watched("D(1|2|5|6|7|9|11|14|15)|C\\d+|P\\d+|B\\d+");

    @Test
    void theWorkshopHasNoneOfThem() {
        WATCHED.noneIn(Workshop.plan());
    }

    @Test
    void aSupplyNeedsNoLink() {
        assertTrue(Assessment.of(new Facts(Workshop.plan()), Set.of()).snags().stream()
                .noneMatch(s -> s.code().equals("R1") && s.title().startsWith("rail")));
    }

    /** Each change brings exactly this code; where a fix is offered it takes the code away and brings no other. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "P1 | 1 | /devices/stop/works/watts | 46",
                "P2 | 1 | /devices/stop/works/watts | 80",
                "P3 | 1 | /units/board/power/part | \"linear-5\"",
                "P4 | 1 | /units/board/power/feed | {\"cable\":\"cable-alarm\",\"lengthM\":50,\"fuseA\":1}",
                "P4 | 0 | /units/board/power/part | null",
                "P5 | 0 | /units/ap/draws | {\"volts\":48,\"typicalA\":0.3,\"worstA\":0.6}",
                "P6 | 1 | /units/probe/duty/sleepUa | 300",
                "P10 | 1 | /units/hub/power/part | \"brick-5\"",
                "P11 | 1 | /units/probe/power/part | \"cell-bare\"",
                "P12 | 1 | /units/board/power/feed/fuseA | 16",
                "P12 | 1 | /circuits/mains/breakerA | 25",
                "P13 | 1 | /units/probe/duty | {\"sleepUa\":10,\"cycleS\":600,\"pulses\":[{\"currentMa\":700,\"durationMs\":1}]}",
                "P14 | 0 | /units/ap/power/part | \"split-passive\"",
                "P9 | 1 | /units/board/boards/more/bare | {\"part\":\"relay-bare\"}",
                "P9 | 1 | /units/board/boards/more/bare | {\"part\":\"relay-bare\",\"driver\":{\"baseOhm\":47000,\"gain\":100,\"diode\":true}}",
                "P9 | 1 | /units/board/boards/more/bare | {\"part\":\"relay-bare\",\"driver\":{\"baseOhm\":1000,\"gain\":100,\"diode\":false}}",
                "P9 | 1 | /units/board/boards/more/bare | {\"part\":\"relay-bare\",\"driver\":{\"baseOhm\":100,\"gain\":100,\"diode\":true}}",
                "B1 | 1 | /units/board/boards/more/twin | {\"part\":\"dimmer-2\",\"address\":40}",
                "B2 | 1 | /units/board/boards/more/dimmers/address | 5",
                "B2 | 1 | /units/board/boards/more/dimmers/address | 70",
                "B4 | 0 | /units/board/boards/bus | {\"cable\":\"cable-alarm\",\"lengthM\":6,\"rateK\":400,\"ends\":0,\"reference\":false}",
                "B4 | 1 | /units/board/boards/bus | {\"cable\":\"cable-alarm\",\"lengthM\":1,\"rateK\":100,\"pullUpOhm\":300,\"ends\":0,\"reference\":false}",
                "B5 | 0 | /units/board/boards/bus | {\"lengthM\":0.3,\"rateK\":10,\"periodMs\":2,\"ends\":0,\"reference\":false}",
                "B6 | 1 | /units/board/boards/more/far | {\"part\":\"relay-8-serial\",\"address\":1}",
                "C9 | 1 | /units/gateway | {\"name\":\"Board\",\"kind\":\"CONTROLLER\",\"power\":{\"source\":\"MAINS\",\"backupH\":0},\"channels\":0,\"maxClients\":0,\"internetEntry\":false,\"broker\":false}",
                "C10 | 0 | /devices/lamp/works/watts | 3000",
                "C10 | 0 | /devices/lamp/works/inrushA | 90",
                "C15 | 1 | /units/board/boards/more/low | {\"part\":\"relay-4-low\"}",
                "C16 | 0 | /devices/spot/works/watts | 300",
                "C16 | 0 | /devices/spot/works/watts | 2",
                "C16 | 0 | /devices/spot/works/load | \"MAGNETIC_TRANSFORMER\"",
                "C8 | 0 | /housings/cabinet/riseK | 35",
                "D5 | 1 | /devices/stop/works/endSensors | 0",
                "D11 | 1 | /devices/lamp/works/afterPower | null",
                "D15 | 1 | /devices/lamp/works/control | \"LATCH\"",
                "D1 | 1 | /cautionsRead | false",
            })
    void isFoundAndItsFixClearsIt(String code, int fixes, String pointer, String json) {
        Plan wrong = Changed.with(Workshop.plan(), pointer, json);
        List<Snag> found = WATCHED.snags(wrong);
        assertEquals(Set.of(code), WATCHED.in(wrong), found.toString());
        Snag snag = found.get(0);
        assertFalse(snag.figures().isEmpty() || snag.consequence().isEmpty());
        assertEquals(fixes > 0, !snag.fixes().isEmpty(), snag.toString());
        for (Snag.Fix fix : snag.fixes()) {
            Plan fixed = Changed.after(wrong, fix.edits());
            assertEquals(Set.of(), WATCHED.in(fixed), fix.label());
        }
    }

    @Test
    void lithiumCellsExitsAndPoweredDoorsHaveCautionsOfTheirOwn() {
        String gate =
                "{\"name\":\"gate\",\"kind\":\"GATE\",\"hand\":\"MECHANICAL\",\"unit\":\"board\",\"exitRoute\":true,"
                        + "\"outsideDoor\":true,\"obstacleDetection\":true,\"place\":{\"room\":\"east\",\"xM\":6,\"yM\":1,\"heightM\":1},"
                        + "\"works\":{\"drive\":\"SINGLE_PULSE\",\"endSensors\":2}}";
        Plan plan = Changed.with(
                Workshop.plan(),
                "/cautions/LITHIUM",
                "-",
                "/units/probe/power/part",
                "\"cell-flat\"",
                "/devices/gate",
                gate);
        List<String> titles = WATCHED.snags(plan).stream()
                .filter(s -> s.code().equals("D1"))
                .map(Snag::title)
                .toList();
        assertEquals(3, titles.size(), titles.toString());
        Plan read = plan;
        for (Snag snag : WATCHED.snags(plan)) {
            read = snag.code().equals("D1")
                    ? Changed.after(read, snag.fixes().get(0).edits())
                    : read;
        }
        assertFalse(WATCHED.in(read).contains("D1"));
        assertEquals(3, read.cautions().size());
    }

    @Test
    void aSinglePulseDriveWithOneEndSensorDoesNotKnowItsWayAndALockNeedsAContact() {
        String at = "\"place\":{\"room\":\"east\",\"xM\":6,\"yM\":1,\"heightM\":1}";
        Plan plan = Changed.with(
                Workshop.plan(),
                "/devices/gate",
                "{\"name\":\"gate\",\"kind\":\"POWERED_DOOR\",\"hand\":\"NONE\",\"unit\":\"board\",\"exitRoute\":false,"
                        + "\"outsideDoor\":false,\"obstacleDetection\":false," + at
                        + ",\"works\":{\"drive\":\"SINGLE_PULSE\",\"endSensors\":1}}",
                "/devices/lock",
                "{\"name\":\"lock\",\"kind\":\"LOCK\",\"hand\":\"MECHANICAL\",\"rest\":\"CLOSED\",\"unit\":\"board\","
                        + "\"exitRoute\":false,\"outsideDoor\":true,\"obstacleDetection\":false," + at + "}",
                "/cautions/POWERED_DOOR",
                "\"x\"");
        assertTrue(
                WATCHED.in(plan).containsAll(Set.of("D6", "D7", "D9", "D14")),
                WATCHED.in(plan).toString());
        Snag lock = WATCHED.snags(plan).stream()
                .filter(s -> s.code().equals("D14"))
                .findFirst()
                .orElseThrow();
        Plan fixed = Changed.after(plan, lock.fixes().get(0).edits());
        assertTrue(fixed.devices().get("lock").known().lock().doorContact());
        assertFalse(WATCHED.in(fixed).contains("D14"));
    }

    @Test
    void oneContactForTwoCircuitsAndTooManyWiresOnIt() {
        Plan two = Changed.with(Workshop.plan(), "/circuits/yard", "{\"name\":\"yard\"}");
        for (String name : List.of("second", "third")) {
            two = Changed.with(
                    two,
                    "/devices/" + name,
                    "{\"name\":\"" + name
                            + "\",\"kind\":\"LAMP\",\"hand\":\"SWITCH\",\"unit\":\"board\",\"circuit\":\"yard\","
                            + "\"place\":{\"room\":\"east\",\"xM\":6,\"yM\":1,\"heightM\":1},\"exitRoute\":false,"
                            + "\"outsideDoor\":false,\"obstacleDetection\":false,\"works\":{\"afterPower\":\"OFF\"},"
                            + "\"wiring\":{\"terminals\":{\"switch\":\"main/G4 relays/1\"},\"fixed\":true}}");
        }
        assertTrue(
                WATCHED.in(two).containsAll(Set.of("C4", "C11", "C14")),
                WATCHED.in(two).toString());
    }

    @Test
    void aCrowdThatComesBackTogetherIsSetApart() {
        Plan plan = Workshop.plan();
        for (int i = 0; i < 3; i++) {
            plan = Changed.with(
                    plan,
                    "/devices/heater" + i,
                    "{\"name\":\"heater " + i
                            + "\",\"kind\":\"HEATER\",\"hand\":\"SWITCH\",\"unit\":\"board\",\"circuit\":\"mains\","
                            + "\"place\":{\"room\":\"east\",\"xM\":6,\"yM\":1,\"heightM\":1},\"exitRoute\":false,"
                            + "\"outsideDoor\":false,\"obstacleDetection\":false,"
                            + "\"works\":{\"volts\":230,\"watts\":800,\"load\":\"MOTOR\",\"afterPower\":\"ON\"}}");
        }
        // three motors of 3.5 A at six times, and a lamp of 40 mA at forty times: 64 A against 3 · 16 A
        Snag together = WATCHED.snags(plan).stream()
                .filter(s -> s.code().equals("D11"))
                .findFirst()
                .orElseThrow();
        assertTrue(together.figures().startsWith("4 loads, 64 A"), together.figures());
        Plan apart = Changed.after(plan, together.fixes().get(0).edits());
        assertFalse(WATCHED.in(apart).contains("D11"));
    }

    @Test
    void aClosedWallWantsASpareChannel() {
        Plan full = Changed.with(
                Workshop.plan(),
                "/housings/cabinet/closed",
                "true",
                "/units/board/boards",
                "{\"main\":\"dot-2\",\"more\":{\"relays\":{\"part\":\"relay-4-high\"}}}",
                "/devices/spot",
                "-",
                "/devices/stop",
                "-",
                "/devices/lamp/wiring",
                "{\"terminals\":{\"switch\":\"main/D0 relays/1\"},\"fixed\":false}");
        assertFalse(WATCHED.in(full).contains("C13"));
        Plan last = full;
        for (Wired.Connection open : org.skelto.core.wiring.PinAssigner.of(
                        full, org.skelto.core.parts.Catalogue.builtIn())
                .get("board")
                .needs()) {
            assertTrue(open.contact().startsWith("common: the live wire of"), open.contact());
        }
        for (String pin : org.skelto.core.parts.Catalogue.builtIn().find("dot-2").orElseThrow().pins().stream()
                .map(org.skelto.core.parts.Pin::name)
                .toList()) {
            last = Changed.with(
                    last,
                    "/devices/button-" + pin.toLowerCase(java.util.Locale.ROOT),
                    "{\"name\":\"b\",\"kind\":\"PUSH_BUTTON\",\"unit\":\"board\",\"place\":{\"room\":\"east\",\"xM\":6,"
                            + "\"yM\":1,\"heightM\":1},\"exitRoute\":false,\"outsideDoor\":false,\"obstacleDetection\":false,"
                            + "\"wiring\":{\"terminals\":{\"sense\":\"main/" + pin + "\"},\"fixed\":true}}");
        }
        assertTrue(WATCHED.in(last).contains("C13"), WATCHED.in(last).toString());
    }

    @Test
    void mainsAndLowVoltageWantSeparateHalves() {
        Plan together = Changed.with(Workshop.plan(), "/housings/cabinet/part", "\"case-rail-12\"");
        Snag mixed = WATCHED.snags(together).stream()
                .filter(s -> s.code().equals("C12"))
                .findFirst()
                .orElseThrow();
        assertTrue(mixed.figures().contains("mains: board, rail; low voltage: board"), mixed.figures());
        assertEquals(
                Set.of(),
                WATCHED.in(Changed.after(together, mixed.fixes().get(0).edits())));
    }

    @Test
    void aWallBoxThatIsTooShallowGetsADeeperOneIfThereIsOne() {
        Plan box = Changed.with(
                Workshop.plan(),
                "/housings/wall",
                "{\"name\":\"wall\",\"part\":\"box-47\",\"closed\":true,\"riseK\":2}",
                "/units/board/housing",
                "\"wall\"",
                "/units/board/boards",
                "{\"main\":\"slim-9\",\"more\":{\"relays\":{\"part\":\"relay-4-high\"}}}");
        Snag deep = WATCHED.snags(box).stream()
                .filter(s -> s.code().equals("C7"))
                .findFirst()
                .orElseThrow();
        // slim board 12 mm, relays 19 mm, converter 14 mm and 10 mm for wires
        assertTrue(deep.figures().contains("47 mm deep"), deep.figures());
        assertFalse(WATCHED.in(Changed.after(box, deep.fixes().get(0).edits())).contains("C7"));
        assertEquals(
                "box-66",
                Changed.after(box, deep.fixes().get(0).edits())
                        .housings()
                        .get("wall")
                        .part());
    }
}
