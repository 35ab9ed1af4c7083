package org.skelto.core.commands;

import java.util.ArrayList;
import java.util.List;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Room;

/**
 * A corner in the middle of a wall: two walls of the same construction. An opening of the second half begins at the new corner,
 * and openings of later walls keep their walls, whose numbers are one more.
 *
 * @param wall its number, from 0
 */
public record SplitWall(String room, int wall) implements Command {
    @Override
    public Proposal on(Plan plan) {
        Room of = Asked.of(plan.rooms(), room, "room", "a room");
        Asked.wall(of, wall);
        Corner a = of.corners().get(wall);
        Corner b = of.corners().get((wall + 1) % of.corners().size());
        double halfM = Math.hypot(b.xM() - a.xM(), b.yM() - a.yM()) / 2;
        String after = Integer.toString(wall + 1);
        List<Edit> edits = new ArrayList<>();
        edits.add(Edit.add(
                Pointers.of("rooms", room, "corners", after),
                new Corner(Corner.cm((a.xM() + b.xM()) / 2), Corner.cm((a.yM() + b.yM()) / 2))));
        edits.add(
                Edit.add(Pointers.of("rooms", room, "walls", after), of.walls().get(wall)));
        plan.openings().forEach((id, o) -> {
            if (!o.room().equals(room)) {
                return;
            }
            boolean second = o.wall() == wall && o.atM() + o.widthM() / 2 >= halfM;
            if (second) {
                edits.add(Edit.replace(
                        Pointers.of("openings", id),
                        o.withWall(wall + 1).withAtM(Corner.cm(Math.max(0, o.atM() - halfM)))));
            } else if (o.wall() > wall) {
                edits.add(Edit.replace(Pointers.of("openings", id, "wall"), o.wall() + 1));
            }
        });
        return new Proposal("corner in " + of.name(), edits);
    }
}
