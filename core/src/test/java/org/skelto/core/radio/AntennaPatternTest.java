package org.skelto.core.radio;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Changed;
import org.skelto.core.Outpost;
import org.skelto.core.Plans;
import org.skelto.core.coverage.Probe;
import org.skelto.core.facts.Facts;
import org.skelto.core.links.LinkReport;
import org.skelto.core.links.RadioDefaults;
import org.skelto.core.longrange.WhatItTakes;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.radio.Beam;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.site.SiteModel;

/** Antennas that are pointed, beside their beams. */
class AntennaPatternTest {
    private static final SlabTables TABLES = new SlabTables();
    private static final String USUAL = "\"widthDeg\":null,\"backDb\":null";

    /** By hand: 10 dBi makes a beam of √3000 = 54.8°; half of that off axis is half the power. */
    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "10, 90,  -, -,  90,     0",
                "10, 90,  -, -, 117.386, 3",
                "10, 90,  -, -, 185,    20",
                "10, 10,  -, -, 342.614, 3",
                "10,  0, 40, -,  40,    12",
                "10,  0, 40, 8, 180,     8",
                " 0,  0,  -, -, 180,    12.96",
            })
    void losesBesideItsBeam(
            double gainDbi, double facing, Double width, Double back, double towards, double expectedDb) {
        Radio radio = RadioDefaults.radio(Medium.WIFI_2G4, Region.EU, UnitKind.ACCESS_POINT)
                .withAntennaGainDbi(gainDbi)
                .withBeam(new Beam(facing, width, back));
        assertEquals(expectedDb, AntennaPattern.of(radio).orElseThrow().lossDb(towards), 0.001);
    }

    private static Plan pointed(String unit, double facing, String more) {
        return Changed.with(
                Outpost.plan(), "/units/" + unit + "/radios/chirp/beam", "{\"facingDeg\":" + facing + "," + more + "}");
    }

    private static LinkReport link(Plan plan) {
        return new Facts(plan).links().get("outpost-far-gw");
    }

    @Test
    void aLinkCountsTheGainTowardsItsOwnPartner() {
        LinkReport round = link(Outpost.plan());
        // the house is straight south of the hill
        assertEquals(round.marginDb(), link(pointed("outpost", 180, USUAL)).marginDb(), 0.001);
        // 2 dBi: 137.6° wide, so straight away from it the parabola gives 20.5 dB, and the back 20
        LinkReport away = link(pointed("outpost", 0, USUAL));
        assertEquals(round.marginDb() - 20, away.marginDb(), 0.001);
        for (LinkReport.Run run : away.runs()) {
            assertTrue(run.budget().steps().stream()
                    .anyMatch(s -> s.label().equals("beside the beam of outpost") && s.changeDb() == -20));
        }
        assertEquals(round.marginDb() - 20, link(pointed("far-gw", 180, USUAL)).marginDb(), 0.001);
    }

    @Test
    void anAntennaThatPointsElsewhereIsOfferedToBeTurned() {
        Plan away = pointed("outpost", 20, "\"widthDeg\":30,\"backDb\":60");
        WhatItTakes.Change turn =
                WhatItTakes.of(away, SiteModel.of(away), TABLES, "hill", Medium.CHIRP, null, 0.95).changes().stream()
                        .filter(c -> c.text().startsWith("turn the antenna of outpost to 180°"))
                        .findFirst()
                        .orElseThrow();
        Plan turned = Changed.after(away, turn.edits());
        assertEquals(link(Outpost.plan()).marginDb(), link(turned).marginDb(), 0.001);
        assertEquals(turn.marginDb(), link(turned).marginDb(), 0.001);
    }

    @Test
    void whatArrivesInARoomFollowsTheBeam() {
        Plan plan = Plans.sound();
        Plan pointed = Changed.with(plan, "/units/ap/radios/wifi/beam", "{\"facingDeg\":270,\"widthDeg\":60}");
        var at = SiteModel.of(plan).position(plan.units().get("ap")).orElseThrow();
        double x = at.xM() + 1;
        String floor = plan.floors().keySet().iterator().next();
        double round = heard(plan, floor, x, at.yM());
        assertEquals(round - 20, heard(pointed, floor, x, at.yM()), 0.001);
        // 45° beside a beam of 60°: 12 (45/60)² dB
        assertEquals(
                heard(plan, floor, at.xM() - 1, at.yM() + 1) - 6.75,
                heard(pointed, floor, at.xM() - 1, at.yM() + 1),
                0.001);
    }

    private static double heard(Plan plan, String floor, double xM, double yM) {
        return Probe.at(SiteModel.of(plan), TABLES, Medium.WIFI_2G4, floor, xM, yM, Set.of()).heard().stream()
                .filter(h -> h.unit().equals("ap"))
                .findFirst()
                .orElseThrow()
                .levelDbm();
    }
}
