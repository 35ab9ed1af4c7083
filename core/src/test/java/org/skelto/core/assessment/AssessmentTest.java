package org.skelto.core.assessment;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertNull;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.skelto.core.Plans;
import org.skelto.core.assessment.Assessment.StripItem;
import org.skelto.core.facts.Facts;
import org.skelto.core.house.Component;
import org.skelto.core.house.State;
import org.skelto.core.naming.NameAssigner;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.radio.Chirp;
import org.skelto.core.plan.radio.Medium;
import org.skelto.core.plan.radio.Radio;
import org.skelto.core.plan.radio.RadioBuilder;
import org.skelto.core.plan.radio.Region;
import org.skelto.core.plan.site.Place;
import org.skelto.core.quantity.Text;
import org.skelto.core.snags.Stage;

class AssessmentTest {
    private final Facts figures = new Facts(NameAssigner.assign(Plans.sound()));

    @Test
    void countsAddUpToTheDevicesUnderEveryOutage() {
        for (String component : figures.outages().components().keySet()) {
            Assessment without = Assessment.of(figures, Set.of(component));
            assertEquals(2, without.counts().values().stream().mapToInt(i -> i).sum(), component);
        }
    }

    @Test
    void theSentenceNamesWhatIsGoneAndCountsDevices() {
        assertEquals(
                "With everything working: 2 hold, 0 reduced, 0 by hand, 0 lost, 0 unsafe",
                Assessment.of(figures, Set.of()).sentence());
        // without rules apps and reports go on
        assertEquals(
                "Without rules on hub: 1 hold, 1 reduced, 0 by hand, 0 lost, 0 unsafe",
                Assessment.of(figures, Set.of("rules:hub")).sentence());
        // without the hub the lamp has its switch, the probe nobody to tell
        assertEquals(
                "Without hub: 0 hold, 0 reduced, 1 by hand, 1 lost, 0 unsafe",
                Assessment.of(figures, Set.of("hub")).sentence(),
                "a unit may be named by its bare id");
    }

    @Test
    void theStripRunsFromPowerToOutpostsAndMarksWhatIsOut() {
        List<StripItem> strip = Assessment.of(figures, Set.of("unit:switch")).strip();
        List<Component.Group> groups = strip.stream().map(StripItem::group).toList();
        assertEquals(groups.stream().sorted().toList(), groups);
        assertTrue(strip.stream().allMatch(i -> i.kind().group() == i.group()));
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
    void aLinkThatCannotWorkIsNoWay() {
        Radio slow = RadioBuilder.builder()
                .medium(Medium.CHIRP)
                .frequencyMHz(868.3)
                .txPowerDbm(10)
                .antennaGainDbi(0)
                .feederLossDb(0)
                .chirp(new Chirp(12, 125, 5))
                .receives(true)
                .metalBox(false)
                .build();
        Plan chirp = Plans.put(Plans.sound(), "far", Plans.unit("far", UnitKind.GATEWAY, 2, Medium.CHIRP));
        chirp = Plans.link(chirp, "far-switch", Plans.link("far", "switch", Medium.ETHERNET));
        chirp = Plans.put(chirp, "probe", Plans.with(chirp.units().get("probe"), slow));
        chirp = Plans.link(chirp, "probe-gateway", Plans.link("probe", "far", Medium.CHIRP));

        Assessment now = Assessment.of(new Facts(chirp), Set.of());

        // SF12 is not heard by a receiver at SF9, however near
        assertEquals(State.LOST, now.states().get("probe").state());
        assertFalse(now.links().get("probe-gateway").meets());
        assertTrue(now.links().get("probe-gateway").trouble().contains("SF12"));
        assertTrue(
                now.links().get("probe-gateway").marginDb() > 0, "the budget says what setting them alike would give");
        assertEquals(
                List.of("R7", "R20"),
                now.snags().stream()
                        .filter(s -> s.stage() == Stage.LINKS || s.stage() == Stage.LONG_RANGE)
                        .map(org.skelto.core.snags.Snag::code)
                        .toList());
        assertTrue(now.troubles().containsKey("probe"));
    }

    @Test
    void aUnitWithoutAPlaceIsNotCondemned() {
        Plan plan = Plans.put(
                Plans.sound(), "board", Plans.with(Plans.sound().units().get("board"), (Place) null));
        Assessment now = Assessment.of(new Facts(plan), Set.of());
        assertEquals(State.HOLDS, now.states().get("lamp").state());
        assertFalse(now.links().get("board-ap").meets());
    }

    @Test
    void unknownComponentsArePassedOver() {
        assertEquals(
                Assessment.of(figures, Set.of()).states(),
                Assessment.of(figures, Set.of("unit:gone")).states());
    }

    @Test
    void aFreshPlanIsWholeAndSaysWhatIsThere() {
        Assessment fresh = Assessment.of(new Facts(Plan.fresh("Neu", Region.EU, 230.0, null)), Set.of());
        assertTrue(fresh.strip().isEmpty());
        assertEquals(0, fresh.counts().get(State.HOLDS));
        assertEquals(
                List.of("0 rooms on 1 floor", "1 building, 0 spots outside"),
                fresh.stages().get(Stage.SITE.ordinal()).done());
    }

    @Test
    void positionsAreOnTheSiteWithTheirFloor() {
        Assessment now = Assessment.of(figures, Set.of());
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
