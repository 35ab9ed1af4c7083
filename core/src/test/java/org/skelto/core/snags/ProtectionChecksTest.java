package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.skelto.core.Changed;
import org.skelto.core.Demos;
import org.skelto.core.Workshop;
import org.skelto.core.facts.Facts;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.sample.ThornfellLodge;
import org.skelto.core.wiring.Wired;

/** Wet rooms, copper that leaves the house, lead cells, crowded channels, and pins that modules are wired to. */
class ProtectionChecksTest {
    private static List<Snag> of(Plan plan, String code) {
        return Checks.snags(new Facts(plan)).stream()
                .filter(s -> s.code().equals(code))
                .toList();
    }

    @Test
    void mainsInAWetRoomIsAskedAboutOnceForEachRoom() {
        assertEquals(List.of(), of(Workshop.plan(), "P19"));
        Plan wet = Changed.with(Workshop.plan(), "/rooms/east/exposure", "\"DAMP\"");
        List<Snag> found = of(wet, "P19");
        assertEquals(1, found.size());
        assertEquals(List.of("/rooms/east"), found.get(0).subjects());
        assertTrue(found.get(0).consequence().contains("30 mA"));
    }

    @Test
    void copperThatLeavesTheHouseIsAskedAbout() {
        assertEquals(List.of(), of(Demos.flat(), "P20"));
        Plan mast = Changed.with(Demos.flat(), "/units/hub/radios/subghz/air", "{\"mastM\":6}");
        assertTrue(of(mast, "P20").get(0).figures().contains("the mast of small hub"));
    }

    @Test
    void leadCellsWantAir() {
        assertEquals(List.of(), of(Workshop.plan(), "P21"));
        Plan lead = Changed.with(Workshop.plan(), "/units/board/power/part", "\"block-lead\"");
        assertEquals(1, of(lead, "P21").size());
        assertEquals(
                0,
                of(Changed.with(lead, "/units/board/power/part", "\"cell-aa\""), "P21")
                        .size());
    }

    @Test
    void awholeHouseOnOneChannelIsToBeChanged() {
        Plan lodge = ThornfellLodge.plan();
        Map<String, Unit> units = new TreeMap<>(lodge.units());
        units.replaceAll((id, u) -> !u.is(UnitKind.ACCESS_POINT)
                ? u
                : u.withRadios(u.radios().entrySet().stream()
                        .collect(java.util.stream.Collectors.toMap(
                                Map.Entry::getKey,
                                e -> e.getValue().frequencyMHz() > 2400
                                                && e.getValue().frequencyMHz() < 2500
                                        ? e.getValue().set(2437, e.getValue().chirp())
                                        : e.getValue()))));
        Snag crowded = of(lodge.withUnits(units), "R13").get(0);
        assertEquals(Severity.FIX, crowded.severity());
        Plan then = Changed.after(lodge.withUnits(units), crowded.fixes().get(0).edits());
        assertTrue(of(then, "R13").stream().noneMatch(s -> s.severity() == Severity.FIX));
    }

    @Test
    void pinsThatAModuleIsWiredToAreHeld() {
        Plan plan = Changed.with(Workshop.plan(), "/units/board/boards/more/radio", "{\"part\":\"mod-chirp\"}");
        List<String> held = new Facts(plan)
                .wired().get("board").pins().stream()
                        .filter(p -> p.held() != null && p.held().contains("chirp"))
                        .map(Wired.PinUse::name)
                        .toList();
        assertEquals(6, held.size(), held.toString());
        int free = new Facts(plan).wired().get("board").free();
        assertTrue(free < new Facts(Workshop.plan()).wired().get("board").free());
        // what was connected there is told
        String taken = held.get(0);
        Plan clash = Changed.with(
                plan,
                "/devices/lamp/wiring",
                "{\"terminals\":{\"switch\":\"main/" + taken + " relays/1\"},\"fixed\":true}");
        assertTrue(of(clash, "C4").stream().anyMatch(s -> s.title().contains("the wires of")));
    }
}
