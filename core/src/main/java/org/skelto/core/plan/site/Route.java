package org.skelto.core.plan.site;

import java.util.List;
import org.skelto.core.plan.format.Copies;

/**
 * A way that cables may follow on a floor.
 *
 * @param points 2 to 60 bends
 */
public record Route(String name, String floor, List<Corner> points) {
    public Route {
        points = points == null ? List.of() : Copies.list(points);
    }
}
