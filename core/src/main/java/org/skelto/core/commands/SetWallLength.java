package org.skelto.core.commands;

import java.util.ArrayList;
import java.util.List;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Room;

/**
 * A wall made so long: its far end moves along it, and the wall after it too where the two are square to each other, so that a
 * rectangle stays one.
 *
 * @param wall its number, from 0
 * @param lengthM 0.05 to 1000 m
 */
public record SetWallLength(String room, int wall, double lengthM) implements Command {
    private static final double LEAST_M = 0.05;
    private static final double MOST_M = 1000;

    /** Cosine below which two walls count as square: less than a tenth of a degree. */
    private static final double SQUARE = 1e-3;

    @Override
    public Proposal on(Plan plan) {
        Room of = Asked.of(plan.rooms(), room, "room", "a room");
        Asked.wall(of, wall);
        if (!(lengthM >= LEAST_M && lengthM <= MOST_M)) {
            throw new Refused("lengthM", "must be " + LEAST_M + " to " + (int) MOST_M + " m");
        }
        List<Corner> corners = of.corners();
        int n = corners.size();
        Corner a = corners.get(wall);
        Corner b = corners.get((wall + 1) % n);
        Corner c = corners.get((wall + 2) % n);
        double before = Math.hypot(b.xM() - a.xM(), b.yM() - a.yM());
        double next = Math.hypot(c.xM() - b.xM(), c.yM() - b.yM());
        double eastM = (b.xM() - a.xM()) / before * (lengthM - before);
        double northM = (b.yM() - a.yM()) / before * (lengthM - before);
        double cosine = ((b.xM() - a.xM()) * (c.xM() - b.xM()) + (b.yM() - a.yM()) * (c.yM() - b.yM())) / before / next;
        List<Corner> then = new ArrayList<>(corners);
        shift(then, (wall + 1) % n, eastM, northM);
        if (n > 3 && Math.abs(cosine) < SQUARE) {
            shift(then, (wall + 2) % n, eastM, northM);
        }
        return new Proposal(
                "wall length of " + of.name(), List.of(Edit.replace(Pointers.of("rooms", room, "corners"), then)));
    }

    private static void shift(List<Corner> corners, int corner, double eastM, double northM) {
        Corner at = corners.get(corner);
        corners.set(corner, new Corner(Corner.cm(at.xM() + eastM), Corner.cm(at.yM() + northM)));
    }
}
