package org.skelto.core.commands;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.site.Room;
import org.skelto.core.site.SiteModel;
import org.skelto.core.site.WallPiece;

/**
 * What a wall is made of. A wall between two rooms is one wall: that of the other room changes too.
 *
 * @param wall its number, from 0
 * @param construction its id
 */
public record SetWall(String room, int wall, String construction) implements Command {
    @Override
    public Proposal on(Plan plan) {
        Room of = Asked.of(plan.rooms(), room, "room", "a room");
        Asked.wall(of, wall);
        if (construction == null) {
            throw new Refused("construction", "is missing");
        }
        String path = Pointers.of("rooms", room, "walls", Integer.toString(wall));
        Set<String> walls = new TreeSet<>(List.of(path));
        for (WallPiece piece : SiteModel.of(plan).walls()) {
            if (piece.owners().contains(path)) {
                walls.addAll(piece.owners());
            }
        }
        return new Proposal(
                "wall " + (wall + 1) + " of " + of.name(),
                walls.stream().map(w -> Edit.replace(w, construction)).toList());
    }
}
