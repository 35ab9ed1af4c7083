package org.skelto.core.ground;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.skelto.core.Changed;
import org.skelto.core.Outpost;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.radio.RadioPath;
import org.skelto.core.sample.Hills;

/** Profiles out of the grid of heights go along with their ends; others stay what a person said. */
class GridPathsTest {
    private static final ElevationGrid GRID = Hills.grid(120, 20, 30, 0.5, 4);

    private static Plan laid() {
        Plan plan = Changed.with(
                Outpost.plan(),
                "/paths/hill/covers",
                "[{\"kind\":\"TREES\",\"fromM\":200,\"toM\":900,\"heightM\":9},"
                        + "{\"kind\":\"WATER\",\"fromM\":1400,\"toM\":1450,\"heightM\":0}]");
        RadioPath cut = GridPaths.between(plan, "far-gw", "outpost", GRID).orElseThrow();
        return Changed.with(
                plan,
                "/paths/hill/source",
                "\"" + RadioPath.GRID + "\"",
                "/paths/hill/profile",
                Changed.json(cut.profile()));
    }

    private static Plan moved(Plan plan, double yM) {
        return Changed.with(plan, "/units/outpost/place/yM", Double.toString(yM));
    }

    @Test
    void aProfileFollowsTheEndThatMovesAndNothingElseDoes() {
        Plan before = laid();
        assertEquals(List.of(), GridPaths.moved(before, before));
        Plan after = moved(before, -400);
        assertEquals(List.of("hill"), GridPaths.moved(before, after));
        RadioPath path =
                GridPaths.anew(before, after, List.of("hill"), GRID).paths().get("hill");
        double length = path.profile().get(path.profile().size() - 1).distanceM();
        assertEquals(1100, length, 15);
        assertEquals(
                GridPaths.between(after, "far-gw", "outpost", GRID)
                        .orElseThrow()
                        .profile(),
                path.profile());
        // trees stay where they were marked, what lies beyond the new end is gone
        assertEquals(1, path.covers().size());
        assertEquals(200, path.covers().get(0).fromM());
        // and when the first end comes nearer, the same trees are nearer too
        Plan nearer = Changed.with(before, "/buildings/house/yM", "150");
        RadioPath short_ =
                GridPaths.anew(before, nearer, List.of("hill"), GRID).paths().get("hill");
        assertEquals(2, short_.covers().size());
        assertEquals(50, short_.covers().get(0).fromM(), 1);
        assertEquals(750, short_.covers().get(0).toM(), 1);
        assertEquals(1250, short_.covers().get(1).fromM(), 1);
        assertEquals(List.of(), GridPaths.moved(before, Changed.with(before, "/units/outpost/place/heightM", "9")));
        // a spot that is moved takes its units along
        assertEquals(List.of("hill"), GridPaths.moved(before, Changed.with(before, "/spots/hill/yM", "1400")));
    }

    @Test
    void aProfileThatAPersonGaveStays() {
        Plan typed = Outpost.plan();
        assertEquals(List.of(), GridPaths.moved(typed, moved(typed, -400)));
        Plan before = laid();
        Plan own = Changed.with(moved(before, -400), "/paths/hill/profile/1/elevationM", "7");
        assertEquals(List.of(), GridPaths.moved(before, own));
    }

    @Test
    void whatLeavesTheGridKeepsItsProfile() {
        Plan before = laid();
        Plan off = Changed.with(before, "/units/outpost/place/xM", "-900");
        Plan same = GridPaths.anew(before, off, GridPaths.moved(before, off), GRID);
        assertEquals(before.paths(), same.paths());
        assertTrue(GridPaths.between(off, "far-gw", "outpost", GRID).isEmpty());
        assertTrue(GridPaths.between(before, "far-gw", "far-gw", GRID).isEmpty());
        assertEquals(off.units(), same.units());
    }
}
