package org.skelto.core.mesh;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.skelto.core.Changed;
import org.skelto.core.Houses;
import org.skelto.core.Plans;
import org.skelto.core.facts.Facts;
import org.skelto.core.facts.HouseFacts;
import org.skelto.core.house.Outages;
import org.skelto.core.links.RadioDefaults;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioBuilder;
import org.skelto.core.plan.site.Place;

class MeshTest {
    /**
     * In the open a radio of 0 dBm that needs -60 dBm and 13.2 dB of margin reaches a loss of 46.8 dB, which is free space
     * of 20 log10(d) = 46.8 - 40.2 dB at 2450 MHz: d = 2.1 m. Units 2 m apart hear their neighbours only.
     */
    private static Plan chain(boolean... mains) {
        Map<String, Unit> units = new TreeMap<>();
        Radio radio = RadioBuilder.builder()
                .medium(Medium.MESH_802154)
                .frequencyMHz(2450)
                .txPowerDbm(0)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .sensitivityDbm(-60.0)
                .receives(true)
                .metalBox(false)
                .build();
        for (int i = 0; i < mains.length; i++) {
            UnitKind kind = i == 0 ? UnitKind.GATEWAY : UnitKind.CONTROLLER;
            Unit unit = Plans.with(Plans.unit("u" + i, kind, 1, Medium.MESH_802154), radio)
                    .withPlace(new Place("r0", null, 1 + 2 * i, 2, 1));
            units.put("u" + i, mains[i] ? unit : Plans.battery(unit));
        }
        return Houses.open(Houses.row(6)).with(p -> p.units(units).devices(Map.of()));
    }

    private static MeshReport report(Plan plan) {
        return new Facts(plan).meshes().get(0);
    }

    private static MeshReport.Node node(MeshReport report, String unit) {
        return report.nodes().stream()
                .filter(n -> n.unit().equals(unit))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void messagesGoFromRepeaterToRepeaterToTheGateway() {
        MeshReport report = report(chain(true, true, true, true));

        assertEquals(List.of("u3", "u2", "u1", "u0"), node(report, "u3").route());
        assertEquals(3, node(report, "u3").hops());
        assertEquals(1, node(report, "u3").disjoint());
        // 60 − 46.2 dB: free space over 2 m at 2450 MHz is 46.25 dB
        assertEquals(13.75, node(report, "u3").bottleneckDb(), 0.05);
        assertEquals(3, report.edges().size());
    }

    @Test
    void aSleepyUnitNeverPassesOnAndItsNeighbourIsCutOff() {
        MeshReport report = report(chain(true, false, true));

        assertEquals(List.of("u1", "u0"), node(report, "u1").route());
        assertEquals(List.of(), node(report, "u2").route());
        assertNull(node(report, "u2").bottleneckDb());
    }

    @Test
    void whoRepeatsHereRepeatsInTheHouse() {
        String hub = "\"u0\"";
        Plan whole = Changed.with(
                chain(true, true, true),
                "/units/u0/kind",
                "\"HUB\"",
                "/units/u0/hub",
                "null",
                "/units/u1/hub",
                hub,
                "/units/u2/hub",
                hub);
        Plan silent =
                Changed.with(whole, "/units/u1/radios/" + RadioDefaults.id(Medium.MESH_802154) + "/repeats", "false");
        assertEquals(List.of("u2", "u1", "u0"), node(report(whole), "u2").route());
        assertEquals(List.of("u1", "u0"), legs(whole));
        assertEquals(List.of(), node(report(silent), "u2").route());
        // 60 − 52.3 dB carries, but not as a routine link wants it
        assertEquals(List.of("u0"), legs(silent));
    }

    private static List<String> legs(Plan plan) {
        return new Facts(plan)
                .get(HouseFacts.OUTAGES).route("u2", "u0").stream()
                        .map(Outages.RouteLeg::to)
                        .toList();
    }

    @Test
    void namesTheUnitsWhoseLossCutsOthersOff() {
        MeshReport report = report(chain(true, true, true, false));

        assertEquals(
                List.of(List.of("u1", "u2", "u3"), List.of("u2", "u3"), List.of("u3")),
                report.cuts().stream().map(MeshReport.Cut::loses).toList());
        assertEquals(
                List.of("u0", "u1", "u2"),
                report.cuts().stream().map(MeshReport.Cut::unit).toList());
    }

    @Test
    void aRingHasTwoSeparateRoutesAndNoRepeaterThatCutsOff() {
        Plan line = chain(true, true, true);
        Map<String, Unit> units = new TreeMap<>(line.units());
        // u3 beside u1: u2 reaches the gateway by either of them
        units.put("u3", units.get("u1").withPlace(new Place("r0", null, 3, 2.4, 1)));
        MeshReport report = report(line.with(p -> p.units(units).devices(Map.of())));

        assertEquals(2, node(report, "u2").disjoint());
        assertTrue(report.cuts().stream().noneMatch(c -> c.unit().equals("u1")));
    }
}
