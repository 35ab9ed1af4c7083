package org.skelto.core.housing;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.skelto.core.Changed;
import org.skelto.core.Workshop;
import org.skelto.core.facts.Facts;
import org.skelto.core.parts.Catalogue;
import org.skelto.core.parts.Part;
import org.skelto.core.parts.PartKind;
import org.skelto.core.parts.Quantity;
import org.skelto.core.plan.Plan;

/** Boxes by hand: what is in them is added up from the catalogue with pencil and paper. */
class HousingFitTest {
    private static final Catalogue PARTS = Catalogue.builtIn();

    private static HousingFit cabinet(Plan plan) {
        return new Facts(plan).housings().get("cabinet");
    }

    private static double figure(String part, Quantity quantity) {
        return PARTS.find(part).orElseThrow().figures().get(quantity);
    }

    @Test
    void thingsLieSideBySideInAnEnclosure() {
        HousingFit fit = cabinet(Workshop.plan());
        String[] inside = {"rail-12", "broad-22", "relay-4-high", "dimmer-2", "step-5"};
        double floor = 0;
        double deepest = 0;
        for (String part : inside) {
            floor += figure(part, Quantity.WIDTH_MM) * figure(part, Quantity.HEIGHT_MM);
            deepest = Math.max(deepest, figure(part, Quantity.DEPTH_MM));
        }
        double box = figure("case-metal-24", Quantity.WIDTH_MM) * figure("case-metal-24", Quantity.HEIGHT_MM);
        assertEquals(inside.length, fit.parts().size());
        assertEquals(floor / box, fit.filled(), 1e-12);
        assertEquals(deepest + 10, fit.stackMm(), 1e-12, "ten millimetres for wires");
        assertFalse(fit.wallBox());
        assertFalse(fit.measured());
        assertEquals(
                fit.heatW() * figure("case-metal-24", Quantity.THERMAL_K_PER_W), fit.riseK(), 1e-12, "watts by K/W");
        assertEquals(25 + fit.riseK(), fit.insideC(), 1e-12);
        // the rail supply brings mains in, so does the lamp; the probe's wires and the feed are low voltage
        assertTrue(fit.mains());
        assertTrue(fit.mixed().startsWith("mains: "), fit.mixed());
    }

    @Test
    void aMeasuredRiseIsBelievedAndWarmAirIsFound() {
        Plan measured = Changed.with(Workshop.plan(), "/housings/cabinet/riseK", "26");
        HousingFit fit = cabinet(measured);
        assertTrue(fit.measured());
        assertEquals(51, fit.insideC());
        assertTrue(fit.tooWarm());
        assertEquals("measured", fit.heat().formula());
        assertFalse(
                cabinet(Changed.with(measured, "/housings/cabinet/riseK", "25")).tooWarm());
    }

    @Test
    void thingsAreStackedInAWallBox() {
        Part wallBox = PARTS.all().stream()
                .filter(p -> p.kind() == PartKind.WALL_BOX)
                .findFirst()
                .orElseThrow();
        Plan plan = Changed.with(Workshop.plan(), "/housings/cabinet/part", "\"" + wallBox.id() + "\"");
        HousingFit fit = cabinet(plan);
        double stack = 10;
        for (String part : new String[] {"rail-12", "broad-22", "relay-4-high", "dimmer-2", "step-5"}) {
            stack += figure(part, Quantity.DEPTH_MM);
        }
        assertTrue(fit.wallBox());
        assertEquals(stack, fit.stackMm(), 1e-12);
        assertTrue(fit.tooDeep());
        assertFalse(fit.tooFull(), "a wall box is not filled by its floor");
    }

    @Test
    void aBoxOfNoKnownPartIsReckonedWithTypicalWarmth() {
        Plan plan = Changed.with(Workshop.plan(), "/housings/cabinet/part", "null");
        HousingFit fit = cabinet(plan);
        assertEquals(0, fit.filled());
        assertEquals(10 * fit.heatW(), fit.riseK(), 1e-12, "10 K/W, typical");
        assertFalse(fit.tooDeep());
        assertTrue(fit.heat().extrapolated());
        assertFalse(fit.separated());
    }

    @Test
    void anEmptyBoxHoldsNothing() {
        Plan plan = Changed.with(
                Workshop.plan(),
                "/housings/spare",
                "{\"name\":\"spare\",\"part\":\"case-metal-24\",\"closed\":false,\"riseK\":null}");
        HousingFit fit = new Facts(plan).housings().get("spare");
        assertEquals(0, fit.stackMm());
        assertEquals(0, fit.heatW());
        assertFalse(fit.mains() || fit.low());
    }

    @Test
    void whatASupplyLosesFollowsFromWhatItFeeds() {
        Map<String, HousingFit> all = new Facts(Workshop.plan()).housings();
        Plan more = Changed.with(Workshop.plan(), "/units/board/boards/more/relays", "{\"part\":\"relay-8-high\"}");
        assertTrue(new Facts(more).housings().get("cabinet").heatW()
                > all.get("cabinet").heatW());
    }
}
