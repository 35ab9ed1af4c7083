package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Plans;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.facts.Facts;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Attached;
import org.skelto.core.plan.equipment.BoardSet;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.equipment.Hand;
import org.skelto.core.plan.equipment.RestState;
import org.skelto.core.plan.equipment.Wiring;

class WiringChecksTest {
    private static Plan plan(String main, DeviceKind kind, Wiring wiring) {
        BoardSet boards = new BoardSet(main, Map.of("relays", new Attached("relay-4-low", null)));
        Plan plan = Plans.put(
                Plans.sound(), "board", Plans.sound().units().get("board").withBoards(boards));
        Device device = Plans.device("thing", kind, Hand.SWITCH, RestState.STAYS, Set.of());
        return Plans.devices(plan, old -> new TreeMap<>(Map.of("thing", device.withWiring(wiring))));
    }

    private static List<Snag> of(Plan plan) {
        return Assessment.of(new Facts(plan), Set.of()).snags().stream()
                .filter(s -> s.code().matches("C[1-6]"))
                .toList();
    }

    private static Plan with(Plan plan, List<Edit> edits) {
        return Plans.devices(plan, devices -> {
            edits.forEach(e -> {
                String id = e.path().split("/")[2];
                devices.put(id, devices.get(id).withWiring((Wiring) e.value()));
            });
            return devices;
        });
    }

    @ParameterizedTest
    @CsvSource({
        "PUSH_BUTTON,sense,main/P3,C2,LOOK",
        "CONTACT,sense,main/P3,C2,STOP",
        "LAMP,switch,main/P4 relays/1,C2,FIX",
        "PUSH_BUTTON,sense,main/P8,C3,STOP",
        "PUSH_BUTTON,sense,main/RX,C4,STOP",
        "LOCK,release,main/P0 relays/1,C5,STOP"
    })
    void itsFixAssignsAnewAndClearsIt(DeviceKind kind, String need, String terminal, String code, Severity severity) {
        Plan wrong = plan("slim-9", kind, new Wiring(Map.of(need, terminal), false));
        Snag snag = of(wrong).get(0);
        assertEquals(code, snag.code());
        assertEquals(severity, snag.severity());
        assertEquals(List.of(), of(with(wrong, snag.fixes().get(0).edits())));
    }

    @Test
    void whatIsFixedByHandIsNamedButNotTakenAway() {
        Plan wrong = plan("slim-9", DeviceKind.PUSH_BUTTON, new Wiring(Map.of("sense", "main/P3"), true));
        Snag snag = of(wrong).get(0);
        assertEquals("C2", snag.code());
        assertTrue(snag.fixes().isEmpty());
        assertTrue(snag.figures().contains("fixed by hand"));
    }

    @Test
    void c6ADeafReadingAndC3APartThatNobodyKnowsAndC1NoTerminal() {
        Snag deaf = of(plan("broad-22", DeviceKind.LEVEL, new Wiring(Map.of("level", "main/G25"), false)))
                .get(0);
        assertEquals("C6", deaf.code());
        assertEquals(1, deaf.fixes().size());
        assertEquals(
                "C3", of(plan("no-such-board", DeviceKind.LAMP, null)).get(0).code());
        Snag none = of(plan("dot-2", DeviceKind.LEVEL, null)).get(0);
        assertEquals("C1", none.code());
        assertEquals("thing: nothing on it can be an analogue input", none.figures());
        assertEquals(List.of(), of(plan("broad-22", DeviceKind.LEVEL, null)));
    }
}
