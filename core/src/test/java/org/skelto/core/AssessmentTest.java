package org.skelto.core;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Assessment.StripItem;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.outage.Component;
import org.skelto.core.outage.State;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Region;
import org.skelto.core.radio.Text;
import org.skelto.core.snags.Stage;

class AssessmentTest {
    private final Assessment.Figures figures = new Assessment.Figures(NameAssigner.assign(Plans.sound()));

    @Test
    void countsAddUpToTheDevicesUnderEveryOutage() {
        for (String component : figures.components()) {
            Assessment without = figures.without(Set.of(component));
            assertEquals(2, without.counts().values().stream().mapToInt(i -> i).sum(), component);
        }
    }

    @Test
    void theSentenceNamesWhatIsGoneAndCountsDevices() {
        assertEquals(
                "With everything working: 2 hold, 0 reduced, 0 by hand, 0 lost, 0 unsafe",
                figures.without(Set.of()).sentence());
        // without the hub the lamp has its switch, the probe nobody to tell
        assertEquals(
                "Without hub: 0 hold, 0 reduced, 1 by hand, 1 lost, 0 unsafe",
                figures.without(Set.of("hub:hub")).sentence());
    }

    @Test
    void theStripRunsFromPowerToOutpostsAndMarksWhatIsOut() {
        List<StripItem> strip = figures.without(Set.of("unit:switch")).strip();
        List<Component.Group> groups = strip.stream().map(StripItem::group).toList();
        assertEquals(groups.stream().sorted().toList(), groups);
        assertEquals(
                List.of("unit:switch"),
                strip.stream().filter(StripItem::out).map(StripItem::id).toList());
        assertEquals(
                2,
                strip.stream()
                        .filter(i -> i.id().equals("unit:switch"))
                        .findFirst()
                        .orElseThrow()
                        .felt());
    }

    @Test
    void unknownComponentsArePassedOver() {
        assertEquals(
                figures.without(Set.of()).states(),
                figures.without(Set.of("unit:gone")).states());
    }

    @Test
    void aFreshPlanIsWholeAndSaysWhatIsThere() {
        Assessment fresh = new Assessment.Figures(Plan.fresh("Neu", Region.EU, 230.0, null)).without(Set.of());
        assertTrue(fresh.strip().isEmpty());
        assertEquals(0, fresh.counts().get(State.HOLDS));
        assertEquals(
                List.of("0 rooms on 1 floor", "1 building, 0 spots outside"),
                fresh.stages().get(Stage.SITE.ordinal()).done());
    }

    @Test
    void positionsAreOnTheSiteWithTheirFloor() {
        Assessment now = figures.without(Set.of());
        assertEquals(
                new Assessment.Position(6, 2, 1.5, "ground"), now.positions().get("/units/board"));
        assertEquals(now.positions().get("/units/probe"), now.positions().get("/devices/probe"));
        assertNull(now.positions().get("/devices/none"));
        assertFalse(now.walls().isEmpty());
    }

    @ParameterizedTest
    @CsvSource({"0.86, 86 %", "0.994, 99.4 %", "0.99951, over 99.9 %", "1, over 99.9 %", "0, 0 %", "0.5, 50 %"})
    void aChanceIsNeverRoundedUpToCertainty(double share, String words) {
        assertEquals(words, Text.percent(share));
    }
}
