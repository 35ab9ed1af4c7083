package org.skelto.core.commands;

import java.util.List;
import org.skelto.core.plan.Edit;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.Pointers;
import org.skelto.core.plan.Wording;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Opening;
import org.skelto.core.plan.site.OpeningBuilder;
import org.skelto.core.plan.site.OpeningKind;
import org.skelto.core.plan.site.Room;

/**
 * A door, window or gap of the usual size in the middle of a wall, narrower where the wall is short.
 *
 * @param wall number of the wall, from 0
 */
public record AddOpening(String room, int wall, OpeningKind kind) implements Command {
    private static final double LEAST_M = 0.1;

    /** What is left of the wall beside it, both sides together, metres. */
    private static final double BESIDE_M = 0.2;

    /** How wide and high openings of a kind usually are, metres. */
    private record Usual(double widthM, double sillM, double headM, String construction) {
        static Usual of(OpeningKind kind) {
            return switch (kind) {
                case DOOR -> new Usual(0.9, 0, 2.05, "door-wood");
                case WINDOW -> new Usual(1.1, 0.9, 2.1, "glass-24");
                case GAP -> new Usual(1, 0, 2.1, "open");
            };
        }
    }

    @Override
    public Proposal on(Plan plan) {
        Room of = Asked.of(plan.rooms(), room, "room", "a room");
        Asked.wall(of, wall);
        if (kind == null) {
            throw new Refused("kind", "is missing");
        }
        Corner a = of.corners().get(wall);
        Corner b = of.corners().get((wall + 1) % of.corners().size());
        double lengthM = Math.hypot(b.xM() - a.xM(), b.yM() - a.yM());
        Usual usual = Usual.of(kind);
        double widthM = Corner.cm(Math.min(usual.widthM, Math.max(LEAST_M, lengthM - BESIDE_M)));
        Opening opening = OpeningBuilder.builder()
                .room(room)
                .wall(wall)
                .kind(kind)
                .atM(Corner.cm((lengthM - widthM) / 2))
                .widthM(widthM)
                .sillM(usual.sillM)
                .headM(usual.headM)
                .construction(usual.construction)
                .build();
        String id = Asked.freeId(room + " " + Wording.words(kind), Asked.taken(plan.openings()));
        return new Proposal(
                Wording.words(kind) + " in " + of.name(), List.of(Edit.add(Pointers.of("openings", id), opening)));
    }
}
