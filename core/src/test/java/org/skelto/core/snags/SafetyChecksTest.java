package org.skelto.core.snags;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Changed;
import org.skelto.core.Workshop;
import org.skelto.core.plan.Plan;

/** D19 to D23: told where nobody said it, cleared by one edit, silent where it is not asked for. */
class SafetyChecksTest {
    private static Plan with(String device) {
        return Changed.with(
                Workshop.plan(),
                "/devices/thing",
                "{\"name\":\"thing\",\"outsideDoor\":false,\"obstacleDetection\":true," + device + "}");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '"',
            value = {
                "D19 | FIX  | 'kind':'HEATER','exitRoute':false",
                "D19 | FIX  | 'kind':'PUMP','exitRoute':false",
                "D20 | STOP | 'kind':'LOCK','exitRoute':true,'rest':'OPEN','hand':'MECHANICAL'",
                "D21 | FIX  | 'kind':'GATE','exitRoute':false,'ways':['AWAY_APP']",
                "D21 | FIX  | 'kind':'POWERED_DOOR','exitRoute':false,'ways':['RULE']",
                "D22 | FIX  | 'kind':'SIREN','exitRoute':false",
                "D23 | LOOK | 'kind':'VALVE','exitRoute':false",
            })
    void isToldAndClearedByOneEdit(String code, Severity severity, String device) {
        Plan plan = with(device.replace('\'', '"'));
        if (code.equals("D22")) {
            plan = Changed.with(
                    plan,
                    "/spots/yard",
                    "{\"name\":\"Yard\",\"xM\":0,\"yM\":20,\"zM\":0,\"exposure\":\"OUTDOOR\"}",
                    "/devices/thing/place",
                    "{\"spot\":\"yard\",\"xM\":0,\"yM\":0,\"heightM\":2}");
        }
        List<Snag> found = new Watched(code).snags(plan);
        assertEquals(1, found.size(), found.toString());
        assertEquals(severity, found.get(0).severity());
        assertTrue(found.get(0).subjects().contains("/devices/thing"));
        Plan said = Changed.after(plan, found.get(0).fixes().get(0).edits());
        new Watched(code).noneIn(said);
    }

    @Test
    void isSilentWhereItIsNotAskedFor() {
        Plan locked = with("\"kind\":\"LOCK\",\"exitRoute\":true,\"rest\":\"CLOSED\",\"hand\":\"MECHANICAL\"");
        new Watched("D20").noneIn(locked);
        new Watched("D21").noneIn(with("\"kind\":\"GATE\",\"exitRoute\":false,\"ways\":[\"WALL_CONTROL\"]"));
        new Watched("D22").noneIn(with("\"kind\":\"SIREN\",\"exitRoute\":false"));
    }
}
