package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.Outpost;
import org.skelto.core.Workshop;
import org.skelto.core.facts.Facts;
import org.skelto.core.longrange.SharedAir;
import org.skelto.core.longrange.WhatItTakes;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Lockwork;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.radio.Air;
import org.skelto.core.radio.Traffic;

/** Parts against what is said of them, backups that end half-way, and what gateways answer. */
class DeclaredChecksTest {
    private static List<Snag> of(Plan plan, String code) {
        return Checks.snags(new Facts(plan)).stream()
                .filter(s -> s.code().equals(code))
                .toList();
    }

    private static long bolt(Plan plan) {
        return of(plan, "D16").stream()
                .filter(s -> s.subjects().contains("/devices/bolt"))
                .count();
    }

    private static Plan lock(String part, String rest) {
        return Changed.with(
                Workshop.plan(),
                "/devices/bolt",
                "{\"name\":\"bolt\",\"kind\":\"LOCK\",\"unit\":\"board\",\"rest\":\"" + rest
                        + "\",\"exitRoute\":false,\"outsideDoor\":false,\"obstacleDetection\":false,\"works\":{\"part\":\""
                        + part + "\"}}");
    }

    @Test
    void aPartThatDoesOtherwiseThanThePlanSaysIsFound() {
        assertEquals(1, bolt(lock("strike-safe", "CLOSED")));
        assertEquals(1, bolt(lock("strike-secure", "OPEN")));
        assertEquals(0, bolt(lock("strike-safe", "OPEN")));
        assertEquals(0, bolt(lock("strike-secure", "CLOSED")));
        Plan pulse = Changed.with(
                Workshop.plan(),
                "/devices/gate",
                "{\"name\":\"gate\",\"kind\":\"GATE\",\"unit\":\"board\",\"rest\":\"STAYS\",\"exitRoute\":false,"
                        + "\"outsideDoor\":false,\"obstacleDetection\":false,\"works\":{\"part\":\"drive-pulse\","
                        + "\"drive\":\"TWO_WAY\"}}");
        String pulsed = "each pulse starts, stops or reverses it";
        assertTrue(of(pulse, "D16").stream().anyMatch(s -> s.figures().contains(pulsed)));
        Plan said = Changed.with(pulse, "/devices/gate/works/drive", "\"SINGLE_PULSE\"");
        assertTrue(of(said, "D16").stream().noneMatch(s -> s.figures().contains(pulsed)));
    }

    /** The sheet of the drop bolt: a gap of 8 mm and an offset of 3 mm at most. */
    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {"8, 3, -", "8.5, 3, gap 8.5 mm", "4, 3.2, offset 3.2 mm", "-, -, -"})
    void aDoorThatDoesNotFitItsBoltIsFound(String gap, String offset, String figures) {
        Plan measured = Changed.with(
                lock("bolt-drop", "OPEN"),
                "/devices/bolt/works/lock",
                "{\"gapMm\":" + json(gap) + ",\"offsetMm\":" + json(offset) + ",\"doorContact\":false,\"key\":true}");
        List<Snag> found = of(measured, "D17");
        assertEquals(figures == null ? 0 : 1, found.size());
        assertTrue(figures == null || found.get(0).figures().contains(figures), found.toString());
        // a sheet that says nothing judges nothing
        assertEquals(
                0,
                of(Changed.with(measured, "/devices/bolt/works/part", "\"done-lock\""), "D17")
                        .size());
    }

    private static String json(String number) {
        return number == null ? "null" : number;
    }

    @Test
    void aDoorContactThatAFixAddsForgetsNothing() {
        Plan plan = Changed.with(
                lock("bolt-drop", "OPEN"),
                "/devices/bolt/works/lock",
                "{\"gapMm\":4,\"offsetMm\":1,\"doorContact\":false,\"key\":true}");
        Snag.Fix fix = of(plan, "D14").get(0).fixes().get(0);
        assertEquals(
                new Lockwork(4.0, 1.0, true, true),
                Changed.after(plan, fix.edits()).devices().get("bolt").known().lock());
    }

    @Test
    void aBackupShorterThanTheWishIsFound() {
        Plan plan = Changed.with(Workshop.plan(), "/units/hub/power/backupH", "4", "/units/hub/power/part", "-");
        assertEquals(0, of(plan, "P7").size());
        assertEquals(
                0, of(Changed.with(plan, "/units/hub/power/wishH", "4"), "P7").size());
        List<Snag> found = of(Changed.with(plan, "/units/hub/power/wishH", "8"), "P7");
        assertEquals(1, found.size());
        assertTrue(found.get(0).figures().startsWith("4.0 h of 8.0 h wished"), found.toString());
        List<Snag> bare = of(Changed.with(plan, "/units/hub/power/wishH", "8", "/units/hub/power/backupH", "0"), "P7");
        assertTrue(bare.get(0).figures().startsWith("0.0 h of 8.0 h wished; the mains alone"), bare.toString());
    }

    @Test
    void behindATransformerThePeakCounts() {
        // 24 V alternating peak at 33.9 V
        Plan plan = Changed.with(
                Workshop.plan(),
                "/units/bell",
                "{\"name\":\"bell\",\"kind\":\"SUPPLY\",\"power\":{\"source\":\"MAINS\",\"circuit\":\"mains\",\"backupH\":0},"
                        + "\"boards\":{\"main\":\"trafo-24\",\"more\":{}},\"channels\":0,\"maxClients\":0,"
                        + "\"internetEntry\":false,\"broker\":false}",
                "/units/step",
                "{\"name\":\"step\",\"kind\":\"SUPPLY\",\"power\":{\"source\":\"SUPPLY\",\"from\":\"bell\",\"backupH\":0},"
                        + "\"boards\":{\"main\":\"step-5\",\"more\":{}},\"channels\":0,\"maxClients\":0,"
                        + "\"internetEntry\":false,\"broker\":false}");
        List<Snag> found = of(plan, "P16");
        assertEquals(1, found.size(), found.toString());
        assertEquals(Severity.STOP, found.get(0).severity());
        assertTrue(
                found.get(0).figures().contains("peak at 33.9 V"), found.get(0).figures());
        assertEquals(
                0,
                of(Changed.with(plan, "/units/bell/boards/main", "\"rail-24\""), "P16")
                        .size());
    }

    @Test
    void aBackupThatCarriesOnlyPartOfThePathIsTold() {
        List<Snag> found = of(Demos.mill(), "P8");
        assertEquals(1, found.size());
        assertTrue(found.get(0).subjects().contains("/units/loft-switch"));
        // where nothing has a backup nobody wished for one
        assertEquals(0, of(Demos.flat(), "P8").size());
        assertEquals(0, of(Demos.flat(), "O6").size());
        // an alarm about life is not a matter of taste
        Plan mild = Changed.with(Demos.mill(), "/devices/smoke-sounder/criticality", "\"PROTECTIVE\"");
        assertEquals(
                List.of(Severity.FIX),
                of(Demos.mill(), "O6").stream().map(Snag::severity).toList());
        assertEquals(
                List.of(Severity.LOOK),
                of(mild, "O6").stream().map(Snag::severity).toList());
    }

    @Test
    void aGatewayThatAnswersTooLongIsFound() {
        Plan plan = Changed.with(
                Outpost.plan(),
                "/units/outpost/message",
                "{\"bytes\":20,\"intervalS\":10,\"acknowledged\":true,\"tries\":1}",
                "/units/outpost/radios/chirp/chirp/spreadingFactor",
                "12",
                "/units/far-gw/radios/chirp/chirp/spreadingFactor",
                "12");
        SharedAir.Answering gateway = SharedAir.answering(plan).stream()
                .filter(a -> a.unit().equals("far-gw"))
                .findFirst()
                .orElseThrow();
        double answerMs = Traffic.airtimeMs(
                plan.units().get("far-gw").radio(Medium.CHIRP).orElseThrow().chirp(),
                plan.units().get("far-gw").says(),
                4);
        assertEquals(100 * Air.duty(answerMs, 10), gateway.percent(), 1e-9);
        boolean told = of(plan, "R4").stream().anyMatch(s -> s.title().contains("answers longer"));
        assertEquals(!gateway.law().lawful(), told);
        assertTrue(told, gateway.toString());
        assertTrue(of(Outpost.plan(), "R4").stream().noneMatch(s -> s.title().contains("answers longer")));
    }

    @Test
    void aMetalBoxIsCounted() {
        Facts free = new Facts(Outpost.plan());
        Plan plan = Changed.with(Outpost.plan(), "/units/outpost/radios/chirp/metalBox", "true");
        String link = "outpost-far-gw";
        assertEquals(
                free.links().get(link).marginDb() - 30,
                new Facts(plan).links().get(link).marginDb(),
                1e-9);
        assertEquals(1, of(plan, "R19").size());
    }

    @Test
    void aPointedAntennaIsNoAnswerWhereOthersHangOnItAside() {
        // the gateway hears two: what is pointed at one turns away from the other
        Facts mill = new Facts(Demos.mill());
        Plan weak = Changed.with(Demos.mill(), "/units/cistern-board/radios/chirp/txPowerDbm", "-10");
        Facts facts = new Facts(weak);
        WhatItTakes.Takes takes =
                WhatItTakes.of(weak, facts.site(), facts.tables(), "cistern", Medium.CHIRP, null, 0.95);
        assertFalse(takes.changes().isEmpty());
        takes.changes().stream()
                .filter(c -> c.text().startsWith("antenna +") && !c.text().endsWith("cistern outpost"))
                .forEach(c -> assertTrue(c.why().contains("upright and all round"), c.text() + ": " + c.why()));
        // a box indoors gets a mast with a feeder, never a tenth of a metre
        takes.changes().stream()
                .filter(c ->
                        c.text().contains(mill.plan().units().get("chirp-gw").name() + " outside"))
                .forEach(c -> assertTrue(c.why().contains("its feeder of about"), c.why()));
        assertTrue(takes.changes().stream().noneMatch(c -> c.text().startsWith("move cistern")));
    }
}
