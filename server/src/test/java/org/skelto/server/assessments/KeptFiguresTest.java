package org.skelto.server.assessments;

import org.skelto.core.facts.Facts;

import static org.junit.jupiter.api.Assertions.assertNotSame;
import static org.junit.jupiter.api.Assertions.assertSame;

import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.skelto.core.assessment.Assessment;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.Device;
import org.skelto.core.plan.equipment.DeviceBuilder;
import org.skelto.core.plan.equipment.DeviceKind;
import org.skelto.core.plan.radio.Region;

class KeptFiguresTest {
    /** No plan has readings here. */
    private static final Measured NOTHING = new Measured() {
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
    void letsThePlansLookedAtLongestAgoGoWhenTheyHoldTooMuchTogether() {
        UUID first = UUID.randomUUID();
        UUID second = UUID.randomUUID();
        Facts small = kept.of(first, 1, plan(5));
        Facts large = kept.of(second, 1, plan(9_000));
        assertSame(small, kept.of(first, 1, plan(5)));
        kept.of(UUID.randomUUID(), 1, plan(10_998));
        assertNotSame(large, kept.of(second, 1, plan(1)), "the large one was looked at longest ago");
        assertSame(small, kept.of(first, 1, plan(5)));
    }
}
