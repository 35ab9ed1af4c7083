package org.skelto.core.plan.site;

import java.util.List;
import org.jspecify.annotations.Nullable;

/** Simple polygons: area, whether a point is inside, and whether the outline crosses itself. */
public final class Polygon {
    /** A point this near an edge lies on it, metres. */
    private static final double ON_EDGE_M = 1e-9;

    /** Parts of each side of the grid on which the inside is sought. */
    private static final int GRID = 8;

    private Polygon() {}

    /** Twice the half of the cross products: positive when the corners run counter-clockwise, square metres. */
    public static double signedAreaM2(List<Corner> corners) {
        double twice = 0;
        for (int i = 0; i < corners.size(); i++) {
            Corner a = corners.get(i);
            Corner b = corners.get((i + 1) % corners.size());
            twice += a.xM() * b.yM() - b.xM() * a.yM();
        }
        return twice / 2;
    }

    /** Whether a point lies inside or on the edge. */
    public static boolean contains(List<Corner> corners, double xM, double yM) {
        boolean inside = false;
        for (int i = 0; i < corners.size(); i++) {
            Corner a = corners.get(i);
            Corner b = corners.get((i + 1) % corners.size());
            if (distanceM(a, b, xM, yM) <= ON_EDGE_M) {
                return true;
            }
            if (a.yM() > yM != b.yM() > yM && xM < a.xM() + (yM - a.yM()) / (b.yM() - a.yM()) * (b.xM() - a.xM())) {
                inside = !inside;
            }
        }
        return inside;
    }

    /** Distance of a point from the straight piece between two corners, metres. */
    public static double distanceM(Corner a, Corner b, double xM, double yM) {
        double dx = b.xM() - a.xM();
        double dy = b.yM() - a.yM();
        double square = dx * dx + dy * dy;
        double share = square == 0 ? 0 : ((xM - a.xM()) * dx + (yM - a.yM()) * dy) / square;
        double held = Math.max(0, Math.min(1, share));
        return Math.hypot(xM - a.xM() - held * dx, yM - a.yM() - held * dy);
    }

    /** A point well inside: the middle of the rectangle around it, or the inner one of a coarse grid that is farthest from walls. */
    public static Corner middle(List<Corner> corners) {
        Bounds b = Bounds.of(corners);
        Corner best = new Corner(Corner.cm((b.westM() + b.eastM()) / 2), Corner.cm((b.southM() + b.northM()) / 2));
        if (contains(corners, best.xM(), best.yM())) {
            return best;
        }
        double farthest = -1;
        for (int i = 1; i < GRID; i++) {
            for (int j = 1; j < GRID; j++) {
                double x = b.westM() + b.widthM() * i / GRID;
                double y = b.southM() + b.depthM() * j / GRID;
                double off = contains(corners, x, y) ? offM(corners, x, y) : -1;
                if (off > farthest) {
                    farthest = off;
                    best = new Corner(Corner.cm(x), Corner.cm(y));
                }
            }
        }
        return best;
    }

    /** Distance of a point from the nearest wall, metres. */
    private static double offM(List<Corner> corners, double xM, double yM) {
        double off = Double.POSITIVE_INFINITY;
        for (int i = 0; i < corners.size(); i++) {
            off = Math.min(off, distanceM(corners.get(i), corners.get((i + 1) % corners.size()), xM, yM));
        }
        return off;
    }

    /** The numbers of the first two walls that cross or touch each other without being neighbours, or null. */
    public static int @Nullable [] crossing(List<Corner> corners) {
        int n = corners.size();
        for (int i = 0; i < n; i++) {
            for (int j = i + 1; j < n; j++) {
                boolean neighbours = j == i + 1 || i == 0 && j == n - 1;
                Corner a = corners.get(i);
                Corner b = corners.get((i + 1) % n);
                Corner c = corners.get(j);
                Corner d = corners.get((j + 1) % n);
                if (neighbours ? n > 3 && folded(a, b, c, d, j == i + 1) : meet(a, b, c, d)) {
                    return new int[] {i, j};
                }
            }
        }
        return null;
    }

    /** Whether the second of two neighbouring walls runs back over the first. */
    private static boolean folded(Corner a, Corner b, Corner c, Corner d, boolean inOrder) {
        Corner far = inOrder ? d : c;
        Corner start = inOrder ? a : b;
        Corner joint = inOrder ? b : a;
        return cross(start, joint, far) == 0
                && (start.xM() - joint.xM()) * (far.xM() - joint.xM())
                                + (start.yM() - joint.yM()) * (far.yM() - joint.yM())
                        > 0;
    }

    private static boolean meet(Corner a, Corner b, Corner c, Corner d) {
        double abc = cross(a, b, c);
        double abd = cross(a, b, d);
        double cda = cross(c, d, a);
        double cdb = cross(c, d, b);
        if (abc > 0 != abd > 0 && cda > 0 != cdb > 0 && abc != 0 && abd != 0 && cda != 0 && cdb != 0) {
            return true;
        }
        return abc == 0 && within(a, b, c)
                || abd == 0 && within(a, b, d)
                || cda == 0 && within(c, d, a)
                || cdb == 0 && within(c, d, b);
    }

    private static double cross(Corner a, Corner b, Corner c) {
        return (b.xM() - a.xM()) * (c.yM() - a.yM()) - (b.yM() - a.yM()) * (c.xM() - a.xM());
    }

    private static boolean within(Corner a, Corner b, Corner p) {
        return p.xM() >= Math.min(a.xM(), b.xM())
                && p.xM() <= Math.max(a.xM(), b.xM())
                && p.yM() >= Math.min(a.yM(), b.yM())
                && p.yM() <= Math.max(a.yM(), b.yM());
    }
}
