package org.skelto.core.sound;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.skelto.core.plan.equipment.Unit;
import org.skelto.core.plan.equipment.UnitKind;
import org.skelto.core.plan.site.Place;
import org.skelto.core.quantity.Figure;
import org.skelto.core.quantity.Text;
import org.skelto.core.site.Point;
import org.skelto.core.site.SiteModel;
import org.skelto.core.work.ComputingBudget;

/**
 * Where a speaking assistant hears a person: what is said in the middle of a room arrives as a sounder's alarm does, and is
 * understood where it is {@value #OVER_NOISE_DB} dB over the usual noise of the room that the assistant stands in. An estimate only.
 */
public final class Speech {
    /** Speech at 1 m, dB(A), normal and raised (ISO 9921). */
    private static final double NORMAL_DB = 60;

    private static final double RAISED_DB = 66;

    /** What several microphones together need over the noise, dB, typical. */
    private static final double OVER_NOISE_DB = 5;

    private Speech() {}

    /** How one must speak to be heard. */
    public enum Voice {
        NORMAL,
        RAISED,
        NOT_HEARD
    }

    /**
     * A room in which somebody speaks.
     *
     * @param levelDb what arrives of normal speech, dB(A)
     */
    public record HeardRoom(String room, double levelDb, Voice voice, Figure figure) {}

    /** For each assistant in a room the rooms of its building, best heard first; never the silent ones but its own. */
    public static Map<String, List<HeardRoom>> of(SiteModel site) {
        ComputingBudget.step();
        Map<String, List<HeardRoom>> hearing = new TreeMap<>();
        Sounders[] sounds = {null};
        site.plan().units().forEach((id, unit) -> {
            Place place = unit.place();
            if (unit.is(UnitKind.ASSISTANT) && place != null && place.room() != null) {
                sounds[0] = sounds[0] == null ? new Sounders(site) : sounds[0];
                hearing.put(id, heard(site, sounds[0], unit, place.room()));
            }
        });
        return hearing;
    }

    private static List<HeardRoom> heard(SiteModel site, Sounders sounds, Unit unit, String own) {
        Point at = site.position(unit).orElseThrow();
        double noiseDb = site.plan().rooms().get(own).use().noiseDb();
        List<HeardRoom> rooms = new ArrayList<>();
        sounds.quietest(own).forEach((room, path) -> {
            ComputingBudget.step();
            double distanceM = sounds.fromTheMiddleM(at, room);
            double levelDb = NORMAL_DB - 20 * Math.log10(distanceM) - path.lossDb();
            double neededDb = noiseDb + OVER_NOISE_DB;
            Voice voice = levelDb >= neededDb
                    ? Voice.NORMAL
                    : levelDb + RAISED_DB - NORMAL_DB >= neededDb ? Voice.RAISED : Voice.NOT_HEARD;
            if (voice != Voice.NOT_HEARD || room.equals(own)) {
                rooms.add(new HeardRoom(room, levelDb, voice, figure(path, distanceM, noiseDb)));
            }
        });
        rooms.sort(Comparator.comparingDouble((HeardRoom h) -> -h.levelDb()).thenComparing(HeardRoom::room));
        return rooms;
    }

    private static Figure figure(Sounders.Path path, double distanceM, double noiseDb) {
        return Figure.of(
                "speech at 1 m − 20 log10(d) − walls, doors and floors on the quietest way",
                "normal speech 60 dB(A), raised 66 dB(A), as in ISO 9921; an estimate only",
                false,
                "distance from the middle of the room",
                Text.metres(distanceM),
                "on the way",
                path.through().isEmpty() ? "nothing" : String.join(", ", path.through()),
                "their loss",
                Text.db(path.lossDb()),
                "usual noise where the assistant is",
                Text.number(noiseDb, 0) + " dB(A)",
                "wanted over it",
                Text.db(OVER_NOISE_DB));
    }
}
