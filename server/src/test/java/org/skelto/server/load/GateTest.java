package org.skelto.server.load;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotNull;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class GateTest {
    private final List<String> went = new ArrayList<>();

    private Gate.Ticket enter(Gate gate, String who, long weight) {
        return gate.enter(who, weight, t -> went.add(who + weight));
    }

    @Test
    void thoseWhoWaitGoInTheOrderInWhichTheyCame() {
        Gate gate = new Gate(1, 1, 10);
        Gate.Ticket first = enter(gate, "a", 1);
        Gate.Ticket second = enter(gate, "b", 1);
        enter(gate, "c", 1);
        assertEquals(List.of("a1"), went);
        first.leave();
        first.leave();
        assertEquals(List.of("a1", "b1"), went);
        second.leave();
        assertEquals(List.of("a1", "b1", "c1"), went);
        assertEquals(0, gate.waiting());
    }

    @Test
    void oneWhoAsksForMuchDoesNotKeepOutTheOthers() {
        Gate gate = new Gate(4, 2, 100);
        for (int i = 0; i < 50; i++) {
            enter(gate, "greedy", 1);
        }
        enter(gate, "modest", 1);
        assertEquals(List.of("greedy1", "greedy1", "modest1"), went);
    }

    @Test
    void whatIsHeavyIsNotPassedForEverByWhatIsLight() {
        Gate gate = new Gate(4, 4, 100);
        Gate.Ticket light = enter(gate, "a", 1);
        enter(gate, "heavy", 4);
        enter(gate, "b", 1);
        assertEquals(List.of("a1", "b1"), went, "it goes past while there is room: nothing was given back yet");
        light.leave();
        assertEquals(List.of("a1", "b1"), went);
        enter(gate, "c", 2);
        assertTrue(gate.inside() <= 4);
    }

    @Test
    void aFullQueueTurnsAwayAndWhoGivesUpWaitingIsForgotten() {
        Gate gate = new Gate(1, 1, 1);
        Gate.Ticket in = enter(gate, "a", 1);
        Gate.Ticket waits = enter(gate, "b", 1);
        assertNull(enter(gate, "c", 1));
        assertNull(gate.enterNow("c", 1));
        waits.leave();
        in.leave();
        assertEquals(List.of("a1"), went);
        assertNotNull(gate.enterNow("c", 1));
    }

    /** Whatever comes and goes, nobody is inside beyond the room or the share, and all come in at last. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void neverMoreThanFitsAndNobodyIsForgotten(long seed) {
        Random random = new Random(seed);
        Gate gate = new Gate(7, 4, 1000);
        Queue<Gate.Ticket> inside = new ArrayDeque<>();
        Map<Gate.Ticket, Runnable> givesBack = new HashMap<>();
        Map<String, Long> share = new HashMap<>();
        int[] came = {0};
        for (int i = 0; i < 400; i++) {
            String who = "p" + random.nextInt(4);
            long weight = 1 + random.nextInt(6);
            gate.enter(who, weight, t -> {
                came[0]++;
                inside.add(t);
                givesBack.put(t, () -> share.merge(who, -Math.min(4, weight), Long::sum));
                long now = share.merge(who, Math.min(4, weight), Long::sum);
                assertTrue(now <= 4, who + " has " + now);
            });
            assertTrue(gate.inside() <= 7);
            while (!inside.isEmpty() && random.nextInt(3) > 0) {
                leave(inside.remove(), givesBack, gate);
            }
        }
        while (!inside.isEmpty()) {
            leave(inside.remove(), givesBack, gate);
        }
        assertEquals(400, came[0]);
        assertEquals(0, gate.inside());
        assertEquals(0, gate.waiting());
    }

    private static void leave(Gate.Ticket ticket, Map<Gate.Ticket, Runnable> givesBack, Gate gate) {
        assertTrue(gate.inside() > 0);
        givesBack.get(ticket).run();
        ticket.leave();
        assertTrue(gate.inside() <= 7);
    }
}
