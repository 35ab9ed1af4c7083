package org.skelto.core.house;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.skelto.core.house.State.BY_HAND;
import static org.skelto.core.house.State.HOLDS;
import static org.skelto.core.house.State.LOST;
import static org.skelto.core.house.State.UNSAFE;

import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Changed;
import org.skelto.core.Modelled;
import org.skelto.core.Workshop;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Job;

/** Where bolts, valves and gates rest: mechanism times contact times feed, every case worked by hand. */
class RestTest {
    /** An outside door's lock on the rail's 12 V, switched by the board. */
    private static Plan bolt(String rest, String contact, String... more) {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/devices/bolt",
                "{\"name\":\"bolt\",\"kind\":\"LOCK\",\"place\":{\"room\":\"east\",\"xM\":5,\"yM\":3,\"heightM\":1},"
                        + "\"hand\":\"NONE\",\"rest\":\"" + rest + "\",\"unit\":\"board\",\"exitRoute\":true,"
                        + "\"outsideDoor\":true,\"obstacleDetection\":false,\"works\":{\"supply\":\"rail\",\"contact\":\""
                        + contact + "\"}}");
        return Changed.with(plan, more);
    }

    private static State state(Plan plan, String device, Job job, String failed) {
        return Modelled.outages(plan, (link, sender) -> true)
                .without(failed.isEmpty() ? Set.of() : Set.of(failed.split(" ")))
                .get(device)
                .jobs()
                .stream()
                .filter(j -> j.job() == job)
                .findFirst()
                .orElseThrow()
                .state();
    }

    @ParameterizedTest
    @CsvSource({
        // whole: board and feed live and nobody commands, so a sprung lock is shut; nobody can leave by it
        "OPEN, NORMALLY_OPEN, '', HOLDS, UNSAFE",
        "CLOSED, NORMALLY_OPEN, '', HOLDS, UNSAFE",
        // fail-safe on a normally open contact: the board's death opens it
        "OPEN, NORMALLY_OPEN, unit:board, UNSAFE, HOLDS",
        // the worked bolt: on a normally closed contact it stays shut when the board dies, and opens with its supply
        "OPEN, NORMALLY_CLOSED, unit:board, HOLDS, UNSAFE",
        "OPEN, NORMALLY_CLOSED, unit:rail, UNSAFE, HOLDS",
        "OPEN, NORMALLY_CLOSED, wire:bolt, UNSAFE, HOLDS",
        "OPEN, NORMALLY_CLOSED, mains, UNSAFE, HOLDS",
        // fail-secure: shut without power, but a normally closed contact opens it when the board dies
        "CLOSED, NORMALLY_OPEN, unit:board, HOLDS, UNSAFE",
        "CLOSED, NORMALLY_CLOSED, unit:board, UNSAFE, HOLDS",
        "CLOSED, NORMALLY_CLOSED, unit:board unit:rail, HOLDS, UNSAFE",
        "CLOSED, NORMALLY_CLOSED, circuit:mains, HOLDS, UNSAFE",
        // a bistable relay keeps what nobody knows: not given, and not known to be gone
        "OPEN, BISTABLE, unit:board, LOST, UNSAFE",
        "OPEN, BISTABLE, unit:rail, UNSAFE, HOLDS",
        "CLOSED, BISTABLE, unit:board, LOST, UNSAFE",
        // a drive that keeps its position is unknown always
        "STAYS, NORMALLY_OPEN, '', LOST, UNSAFE",
        "STAYS, NORMALLY_CLOSED, mains, LOST, UNSAFE",
    })
    void aBolt(String rest, String contact, String failed, State keepOut, State letOut) {
        Plan plan = bolt(rest, contact);
        assertEquals(keepOut, state(plan, "bolt", Job.KEEP_OUT, failed), "keep out");
        assertEquals(letOut, state(plan, "bolt", Job.LET_OUT, failed), "let out");
    }

    @Test
    void thePartsNatureWinsOverWhatIsDeclared() {
        Catalogue parts = Catalogue.builtIn();
        String failSafe = parts.all().stream()
                .filter(p -> p.is(org.skelto.core.parts.Trait.FAIL_SAFE))
                .findFirst()
                .orElseThrow()
                .id();
        Plan called = bolt("CLOSED", "NORMALLY_CLOSED", "/devices/bolt/works/part", "\"" + failSafe + "\"");
        assertEquals(
                UNSAFE,
                state(called, "bolt", Job.KEEP_OUT, "unit:rail"),
                "a fail-safe strike opens, whatever it is called");
    }

    @Test
    void aHandleLetsOutAndKeepsNobodyOut() {
        Plan handle = bolt("OPEN", "NORMALLY_OPEN", "/devices/bolt/hand", "\"MECHANICAL\"");
        assertEquals(HOLDS, state(handle, "bolt", Job.LET_OUT, ""), "the only way planned works");
        assertEquals(UNSAFE, state(handle, "bolt", Job.KEEP_OUT, "unit:rail"));
        // where the mechanism stays, a key keeps it shut by hand
        Plan stays = bolt(
                "STAYS", "NORMALLY_OPEN", "/devices/bolt/hand", "\"MECHANICAL\"", "/devices/bolt/ways", "[\"RULE\"]");
        assertEquals(BY_HAND, state(stays, "bolt", Job.KEEP_OUT, "mains"));
    }

    @Test
    void aKeyIsAWayInAndTheThumbturnIsNot() {
        Plan asked = bolt(
                "CLOSED",
                "NORMALLY_OPEN",
                "/devices/bolt/hand",
                "\"MECHANICAL\"",
                "/devices/bolt/jobs",
                "[\"LET_IN\"]",
                "/devices/bolt/ways",
                "[\"RULE\",\"HOME_APP\",\"WALL_CONTROL\"]");
        assertEquals(
                LOST, state(asked, "bolt", Job.LET_IN, "unit:hub"), "neither thumbturn, rule nor the release inside");
        Plan key = Changed.with(asked, "/devices/bolt/works/lock", "{\"doorContact\":false,\"key\":true}");
        assertEquals(BY_HAND, state(key, "bolt", Job.LET_IN, "unit:hub"));
    }

    @ParameterizedTest
    @CsvSource({
        "NONE, STAYS, '', 0, HOLDS",
        "NONE, STAYS, mains, 0, UNSAFE",
        "NONE, STAYS, wire:gate, 0, UNSAFE",
        // its own end switches end the movement, the board only starts it
        "NONE, STAYS, unit:board, 0, LOST",
        "NONE, STAYS, unit:board, 2, UNSAFE",
        "MECHANICAL, STAYS, mains, 0, BY_HAND",
        "NONE, CLOSED, mains, 0, LOST",
    })
    void aGate(String hand, String rest, String failed, int ends, State expected) {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/devices/gate",
                "{\"name\":\"gate\",\"kind\":\"GATE\",\"place\":{\"room\":\"east\",\"xM\":5,\"yM\":3,\"heightM\":1},"
                        + "\"hand\":\"" + hand + "\",\"rest\":\"" + rest
                        + "\",\"unit\":\"board\",\"circuit\":\"mains\","
                        + "\"ways\":[\"ALONE\"],\"exitRoute\":false,\"outsideDoor\":false,\"obstacleDetection\":true,"
                        + "\"jobs\":[\"LET_OUT\"],\"works\":{\"endSensors\":" + ends + "}}");
        assertEquals(expected, state(plan, "gate", Job.LET_OUT, failed));
    }

    @ParameterizedTest
    @CsvSource({
        "CLOSED, NORMALLY_OPEN, unit:board, REDUCED",
        "CLOSED, NORMALLY_OPEN, unit:rail, REDUCED",
        "CLOSED, NORMALLY_CLOSED, unit:board, LOST",
        "OPEN, NORMALLY_OPEN, unit:board, LOST",
        "OPEN, NORMALLY_CLOSED, unit:board, REDUCED",
        "STAYS, NORMALLY_OPEN, unit:board, LOST",
    })
    void aValveThatMustClose(String rest, String contact, String failed, State expected) {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/devices/stop/hand",
                "\"NONE\"",
                "/devices/stop/rest",
                "\"" + rest + "\"",
                "/devices/stop/works/part",
                "null",
                "/devices/stop/works/contact",
                "\"" + contact + "\"");
        assertEquals(expected, state(plan, "stop", Job.CLOSE, failed));
    }
}
