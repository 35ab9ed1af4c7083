package org.skelto.core.ground;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelto.core.Demos;
import org.skelto.core.plan.Plan;
import org.skelto.core.site.Point;

class ReliefTest {
    private static final int SIDE = 401;
    private static final double STEP_M = 5;

    /** A cone of one metre's fall in ten around a summit. */
    private static ElevationGrid cone(double xM, double yM) {
        double west = xM - SIDE * STEP_M / 2;
        double south = yM - SIDE * STEP_M / 2;
        float[] heights = new float[SIDE * SIDE];
        for (int row = 0; row < SIDE; row++) {
            for (int column = 0; column < SIDE; column++) {
                double away = Math.hypot(west + column * STEP_M - xM, south + row * STEP_M - yM);
                heights[row * SIDE + column] = (float) (300 - away / 10);
            }
        }
        return ElevationGridBuilder.builder()
                .columns(SIDE)
                .rows(SIDE)
                .westM(west)
                .southM(south)
                .eastStepM(STEP_M)
                .northStepM(STEP_M)
                .heightM(heights)
                .build();
    }

    @Test
    void linesOfAConeAreCirclesAtTheirHeights() {
        Plan plan = Demos.flat();
        Relief relief = Relief.of(plan, cone(100, 50), List.of(new Point(0, -50, 0), new Point(200, 150, 0)));
        assertEquals(2, relief.stepM(), "21 m of heights, 16 lines at most");
        assertTrue(relief.lines().size() >= 8);
        for (Relief.ReliefLine line : relief.lines()) {
            assertEquals(0, line.heightM() % relief.stepM(), 1e-9);
            for (int i = 0; i + 1 < line.points().size(); i += 2) {
                double away =
                        Math.hypot(line.points().get(i) - 100, line.points().get(i + 1) - 50);
                assertEquals(line.heightM(), 300 - away / 10, 0.15, "at " + away + " m from the summit");
            }
        }
    }

    /** At the edge of what is known the lines end: none runs along it. */
    @Test
    void noLineRunsAlongTheEdgeOfWhatIsKnown() {
        Plan plan = Demos.flat();
        ElevationGrid cone = cone(100, 50);
        double east = cone.x(SIDE - 1);
        Relief relief = Relief.of(plan, cone, List.of(new Point(east - 150, 0, 0), new Point(east + 900, 100, 0)));
        assertTrue(!relief.lines().isEmpty());
        for (Relief.ReliefLine line : relief.lines()) {
            for (int i = 0; i + 1 < line.points().size(); i += 2) {
                assertEquals(
                        line.heightM(),
                        300
                                - Math.hypot(
                                                line.points().get(i) - 100,
                                                line.points().get(i + 1) - 50)
                                        / 10,
                        0.2);
                assertTrue(line.points().get(i) <= east + 0.1);
            }
        }
    }

    @Test
    void whereNothingIsKnownThereAreNoLines() {
        Plan plan = Demos.flat();
        assertEquals(
                List.of(),
                Relief.of(plan, cone(90_000, 0), List.of(new Point(0, 0, 0))).lines());
    }
}
