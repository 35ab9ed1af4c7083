package org.skelto.server.figures;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertNotSame;
import static org.junit.jupiter.api.Assertions.assertSame;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.skelto.core.facts.Facts;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceBuilder;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.work.ComputingBudget;
import org.skelto.core.work.Fact;

class KeptFiguresTest {
    /** No plan has readings here. */
    private static final ReadingSource NOTHING = new ReadingSource() {
        @Override
        public long version(java.util.UUID plan) {
            return 0;
        }

        @Override
        public java.util.List<org.skelto.core.calibration.Reading> fitting(java.util.UUID id, Plan plan) {
            return java.util.List.of();
        }
    };

    private final KeptFigures kept = new KeptFigures(NOTHING, org.skelto.core.parts.Catalogue::builtIn);

    private static Plan plan(int devices) {
        Plan empty = Plan.fresh("Kept", Region.EU, 230.0, null);
        Device lamp = DeviceBuilder.builder()
                .name("lamp")
                .kind(DeviceKind.LAMP)
                .exitRoute(false)
                .outsideDoor(false)
                .obstacleDetection(false)
                .build();
        Map<String, Device> many = new TreeMap<>();
        for (int i = 0; i < devices; i++) {
            many.put("d" + i, lamp);
        }
        return empty.withDevices(many);
    }

    @Test
    void keepsTheNewestRevisionOfAPlanAndNeverAnOlderOneInItsPlace() {
        UUID id = UUID.randomUUID();
        Facts second = kept.of(id, 2, plan(1));
        assertSame(second, kept.of(id, 2, plan(1)));
        assertNotSame(second, kept.of(id, 1, plan(1)), "an older revision is worked out");
        assertSame(second, kept.of(id, 2, plan(1)));
    }

    @Test
    void aNewRevisionTakesOverWhatItsEditLeft() {
        UUID id = UUID.randomUUID();
        Plan plan = plan(3);
        Facts first = kept.of(id, 1, plan);
        first.site();
        first.wired();
        Facts second = kept.of(id, 2, plan.withName("Renamed"));
        assertSame(first.wired(), second.wired());
        assertSame(
                second.wired(),
                kept.supposing(id, 2, plan, plan.withName("Tried")).wired());
    }

    @Test
    void whatWasSupposedIsTakenWhenItIsStoredJustSo() {
        UUID id = UUID.randomUUID();
        Plan plan = plan(3);
        kept.of(id, 1, plan);
        Facts tried = kept.supposing(id, 1, plan, plan.withName("Tried"));
        kept.supposing(id, 1, plan, plan(4));
        Facts last = kept.supposing(id, 1, plan, plan.withName("Tried"));
        assertNotSame(tried, kept.of(id, 2, plan.withName("Other")), "another plan is worked out");
        kept.supposing(id, 2, plan.withName("Other"), plan.withName("Tried"));
        Facts stored = kept.of(id, 3, plan.withName("Tried"));
        assertNotSame(last, stored, "what was supposed of an older revision is gone");
        assertSame(kept.supposing(id, 3, plan.withName("Tried"), plan(5)), kept.of(id, 4, plan(5)));
    }

    @Test
    void thePlansTogetherNeverHoldMoreThanTheirShare() {
        for (int i = 1; i <= 12; i++) {
            kept.of(UUID.randomUUID(), 1, plan(3_000));
            assertTrue(kept.things() <= KeptFigures.MOST_THINGS, "after " + i);
        }
        assertTrue(kept.things() > 10_000, "and are kept as long as there is room");
    }

    @Test
    void figuresThatCouldNotBeMadeForLackOfComputingAreTriedAnew() {
        UUID id = UUID.randomUUID();
        Facts poor = kept.of(id, 1, plan(300));
        ComputingBudget.ofSteps(0).run(() -> assertThrows(Fact.Unavailable.class, poor::outages));
        assertEquals(300, kept.of(id, 1, plan(300)).outages().now().size());
    }
}
