package org.skelto.core.plan.site;

import java.util.List;
import org.skelto.core.plan.format.Copies;
import org.skelto.core.plan.format.Count;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Name;

/**
 * A way that cables may follow on a floor.
 *
 * @param points 2 to 60 bends
 */
public record Route(
        @Name String name,
        @IdOf(value = "floors", what = "a floor") String floor,

        @Count(least = 2, most = Limits.CORNERS, of = "points")
        List<Corner> points) {
    public Route {
        points = points == null ? List.of() : Copies.list(points);
    }
}
