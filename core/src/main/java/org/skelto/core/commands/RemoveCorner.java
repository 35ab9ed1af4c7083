package org.skelto.core.commands;

import java.util.ArrayList;
import java.util.List;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.site.Room;

/**
 * A corner of a room and the wall that begins at it. What is in that wall goes with it; openings of later walls keep their
 * walls, whose numbers are one less.
 *
 * @param corner its number, from 0
 */
public record RemoveCorner(String room, int corner) implements Command {
    @Override
    public Proposal on(Plan plan) {
        Room of = Asked.of(plan.rooms(), room, "room", "a room");
        if (corner < 0 || corner >= of.corners().size()) {
            throw new Refused("corner", "is not a corner of " + of.name());
        }
        if (of.corners().size() <= 3) {
            throw new Refused("corner", "cannot go: a room has at least three");
        }
        List<Edit> edits = new ArrayList<>();
        plan.openings().forEach((id, o) -> {
            if (o.room().equals(room) && o.wall() == corner) {
                edits.add(Edit.remove(Pointers.of("openings", id)));
            } else if (o.room().equals(room) && o.wall() > corner) {
                edits.add(Edit.replace(Pointers.of("openings", id, "wall"), o.wall() - 1));
            }
        });
        edits.add(Edit.remove(Pointers.of("rooms", room, "walls", Integer.toString(corner))));
        edits.add(Edit.remove(Pointers.of("rooms", room, "corners", Integer.toString(corner))));
        return new Proposal("corner of " + of.name() + " removed", edits);
    }
}
