package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.aggregator.ArgumentsAccessor;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Changed;
import org.skelto.core.Outpost;
import org.skelto.core.plan.Plan;

/** The checks of long range and shared air: each on a plan that has it, and its fix on that plan. */
class AirChecksTest {
    private static final Watched WATCHED = new Watched("R([1-79]|1[4-8]|2[0-4])|P(3|6|11|13)");

    @Test
    void theOutpostHasNoneOfThem() {
        WATCHED.noneIn(Outpost.plan());
    }

    /** Each change brings these codes; every fix of the first takes it away and brings none of the others. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "R4 | 1 | /units/outpost/message/intervalS | 30",
                "R4 | 1 | /units/outpost/message/tries | 10 | /units/outpost/message/intervalS | 100",
                "R14 | 1 | /paths/hill/profile/1/elevationM | 116",
                "R15 | 0 | /units/outpost/message/tries | 1 | /units/twin | TWIN",
                "R16 | 1 | /units/outpost/message/acknowledged | null | /devices/stop/unit | \"outpost\"",
                "R16 | 1 | /units/outpost/message/acknowledged | false | /devices/stop/unit | \"outpost\"",
                "R17 | 1 | /units/far-gw/radios/keyed/air | null",
                "R17 | 1 | /units/far-gw/radios/keyed/air/knownOnly | false",
                "R18 | 1 | /units/outpost/message/fields | [{\"name\":\"who\",\"kind\":\"NODE_ID\"}]",
                "R20 | 1 | /units/outpost/radios/chirp/air/keyChanged | null",
                "R20 | 1 | /units/outpost/radios/chirp/air/networkId | null",
                "R24 | 1 | /units/outpost/message/command | \"TOGGLE\"",
                "R7 | 1 | /units/outpost/radios/chirp/air/networkId | 9",
                "R7 | 1 | /units/outpost/radios/chirp/chirp/spreadingFactor | 10",
                "R3 | 1 | /units/outpost/radios/chirp/txPowerDbm | 20",
                "R5 | 0 | /units/outpost/radios/chirp/frequencyMHz | 866.1 | /units/far-gw/radios/chirp/frequencyMHz | 869.3",
                "R23 | 0 | /region | \"AU\" | FREQ | 917",
                "P6 | 1 | /units/outpost/duty/sleepUa | 900",
                "P11 | 1 | /units/outpost/power/part | \"cell-bare\"",
                "P13 | 1 | /units/outpost/power/part | \"cell-coin\"",
                "P3 | 0 | /units/outpost/duty/regulation | {\"kind\":\"LINEAR\",\"outV\":3.5,\"quiescentUa\":2,\"efficiency\":1}",
            })
    void isFoundAndItsFixClearsIt(ArgumentsAccessor row) {
        String code = row.getString(0);
        int fixes = row.getInteger(1);
        String pointer = row.getString(2);
        String json = row.getString(3);
        String other = row.size() > 4 ? row.getString(4) : null;
        String otherJson = row.size() > 4 ? row.getString(5) : null;
        Plan wrong = Changed.with(Outpost.plan(), pointer, json);
        if ("FREQ".equals(other)) {
            wrong = Changed.with(
                    wrong,
                    "/units/outpost/radios/chirp/frequencyMHz",
                    otherJson,
                    "/units/far-gw/radios/chirp/frequencyMHz",
                    otherJson,
                    "/units/tag/radios/keyed/frequencyMHz",
                    otherJson,
                    "/units/far-gw/radios/keyed/frequencyMHz",
                    otherJson);
        } else if ("TWIN".equals(otherJson)) {
            wrong = crowded(wrong);
        } else if (other != null) {
            wrong = Changed.with(wrong, other, otherJson);
        }
        List<Snag> found = WATCHED.snags(wrong);
        Snag snag = found.stream()
                .filter(s -> s.code().equals(code))
                .findFirst()
                .orElseThrow(() -> new AssertionError(code + " is not among " + found));
        assertFalse(snag.figures().isEmpty() || snag.consequence().isEmpty());
        assertEquals(fixes > 0, !snag.fixes().isEmpty(), snag.toString());
        Set<String> before = WATCHED.in(wrong);
        for (Snag.Fix fix : snag.fixes()) {
            Set<String> after = WATCHED.in(Changed.after(wrong, fix.edits()));
            assertFalse(after.contains(code), fix.label() + " " + after);
            assertTrue(before.containsAll(after), fix.label() + " brings " + after);
        }
    }

    /** Many outposts that speak every half minute with one try. */
    private static Plan crowded(Plan plan) {
        Plan all = plan;
        String twin = Changed.json(plan.units().get("outpost"))
                .replace("\"intervalS\":1800.0", "\"intervalS\":30.0")
                .replace("\"keyChanged\":true", "\"keyChanged\":true,\"hopChannels\":null");
        for (int i = 0; i < 8; i++) {
            all = Changed.with(
                    all,
                    "/units/twin" + i,
                    twin.replace("\"name\":\"outpost\"", "\"name\":\"twin " + i + "\""),
                    "/links/twin" + i,
                    "{\"from\":\"twin" + i + "\",\"to\":\"far-gw\",\"medium\":\"CHIRP\",\"direction\":\"TWO_WAY\"}");
        }
        return all;
    }

    @Test
    void theGroundTakesTheMarginAndTheSnagSaysHowMuch() {
        Plan hill = Changed.with(Outpost.plan(), "/paths/hill/profile/1/elevationM", "420");
        assertTrue(
                WATCHED.in(hill).containsAll(Set.of("R1", "R14")),
                WATCHED.in(hill).toString());
        Snag missing = WATCHED.snags(hill).stream()
                .filter(s -> s.code().equals("R1"))
                .findFirst()
                .orElseThrow();
        assertEquals(Stage.LONG_RANGE, missing.stage());
    }

    @Test
    void anotherRegionJudgesEveryLinkAnew() {
        Plan us = Changed.with(Outpost.plan(), "/region", "\"US\"");
        assertTrue(WATCHED.in(us).contains("R5"), WATCHED.in(us).toString());
        Plan moved = Changed.with(
                us,
                "/units/outpost/radios/chirp/frequencyMHz",
                "915",
                "/units/far-gw/radios/chirp/frequencyMHz",
                "915",
                "/units/tag/radios/keyed/frequencyMHz",
                "915",
                "/units/far-gw/radios/keyed/frequencyMHz",
                "915");
        // a fixed channel of 125 kHz may hardly radiate there
        assertTrue(WATCHED.in(moved).contains("R3"), WATCHED.in(moved).toString());
        String hops = "{\"mastM\":12,\"networkId\":171,\"keyChanged\":true,\"hopChannels\":50}";
        Plan hopping = Changed.with(
                moved,
                "/units/outpost/radios/chirp/air",
                hops,
                "/units/far-gw/radios/chirp/air",
                hops,
                "/units/tag/radios/keyed/txPowerDbm",
                "-2",
                "/units/far-gw/radios/keyed/txPowerDbm",
                "-2");
        assertFalse(WATCHED.in(hopping).contains("R3"), WATCHED.snags(hopping).toString());
        // a frame of 400 ms is as long as hopping allows: SF12 is not lawful
        Plan slow = Changed.with(
                hopping,
                "/units/outpost/radios/chirp/chirp/spreadingFactor",
                "12",
                "/units/far-gw/radios/chirp/chirp/spreadingFactor",
                "12");
        assertTrue(WATCHED.in(slow).contains("R4"), WATCHED.in(slow).toString());
    }
}
