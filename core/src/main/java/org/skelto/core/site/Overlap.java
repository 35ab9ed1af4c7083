package org.skelto.core.site;

import java.util.List;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.GeometryFactory;
import org.locationtech.jts.geom.Polygon;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Room;
import org.skelto.core.work.ComputingBudget;

/** How much two rooms overlap. */
public final class Overlap {
    private Overlap() {}

    /**
     * Area that both rooms claim, m²; 0 when it is no wider than a drawing slip of a shared wall.
     *
     * @param slipM widest strip that is a slip, metres
     */
    public static double areaM2(Room a, Room b, double slipM) {
        ComputingBudget.step();
        if (!a.bounds().wider(-slipM).meets(b.bounds())) {
            return 0;
        }
        GeometryFactory factory = new GeometryFactory();
        Geometry shared = polygon(factory, a.corners()).intersection(polygon(factory, b.corners()));
        return shared.buffer(-slipM / 2).isEmpty() ? 0 : shared.getArea();
    }

    private static Polygon polygon(GeometryFactory factory, List<Corner> corners) {
        Coordinate[] ring = new Coordinate[corners.size() + 1];
        for (int i = 0; i < ring.length; i++) {
            Corner corner = corners.get(i % corners.size());
            ring[i] = new Coordinate(corner.xM(), corner.yM());
        }
        return factory.createPolygon(ring);
    }
}
