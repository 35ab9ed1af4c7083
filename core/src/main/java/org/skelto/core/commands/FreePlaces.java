package org.skelto.core.commands;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.Plan;
import org.skelto.core.plan.site.Bounds;
import org.skelto.core.plan.site.Corner;
import org.skelto.core.plan.site.Place;
import org.skelto.core.plan.site.Polygon;
import org.skelto.core.plan.site.Room;

/**
 * Places in rooms clear of what stands there: the free one nearest the middle, else the clearest. One that was given is taken
 * from then on.
 */
final class FreePlaces {
    /** Between the places that are tried, metres. */
    private static final double STEP_M = 0.7;

    /** What a thing wants around it, metres. */
    private static final double CLEAR_M = 0.5;

    /** From the walls, metres. */
    private static final double WALL_M = 0.3;

    private static final int MOST_STEPS = 40;

    private final Plan plan;
    private final Map<String, List<Corner>> taken = new HashMap<>();
    private final Map<String, List<Corner>> tried = new HashMap<>();

    FreePlaces(Plan plan) {
        this.plan = plan;
        plan.units().values().forEach(u -> take(u.place()));
        plan.devices().values().forEach(d -> take(d.place()));
    }

    private void take(@Nullable Place place) {
        if (place != null && place.room() != null) {
            taken.computeIfAbsent(place.room(), r -> new ArrayList<>()).add(new Corner(place.xM(), place.yM()));
        }
    }

    /** A place in a room or at a spot; null for neither. */
    @Nullable
    Place at(@Nullable String room, @Nullable String spot, double heightM) {
        if (spot != null) {
            Asked.of(plan.spots(), spot, "spot", "a spot");
            return new Place(null, spot, 0, 0, heightM);
        }
        return in(room, heightM);
    }

    /** A place in a room; null for none. */
    @Nullable
    Place in(@Nullable String room, double heightM) {
        if (room == null) {
            return null;
        }
        Room of = Asked.of(plan.rooms(), room, "room", "a room");
        List<Corner> there = taken.computeIfAbsent(room, r -> new ArrayList<>());
        List<Corner> places = tried.computeIfAbsent(room, r -> places(of));
        Corner best = places.get(0);
        double most = -1;
        for (Corner place : places) {
            double clear = clear(place, there);
            if (clear > most) {
                most = clear;
                best = place;
            }
            if (clear >= CLEAR_M) {
                break;
            }
        }
        there.add(best);
        return new Place(room, null, best.xM(), best.yM(), heightM);
    }

    private static double clear(Corner place, List<Corner> there) {
        double least = Double.POSITIVE_INFINITY;
        for (Corner other : there) {
            least = Math.min(least, Math.hypot(other.xM() - place.xM(), other.yM() - place.yM()));
        }
        return least;
    }

    /** The places of a room that are tried, nearest its middle first. */
    private static List<Corner> places(Room room) {
        Corner middle = Polygon.middle(room.corners());
        Bounds b = room.bounds();
        List<Corner> places = new ArrayList<>();
        for (double x : along(b.westM(), b.eastM())) {
            for (double y : along(b.southM(), b.northM())) {
                if (room.contains(x, y)) {
                    places.add(new Corner(Corner.cm(x), Corner.cm(y)));
                }
            }
        }
        places.sort(Comparator.comparingDouble(p -> Math.hypot(p.xM() - middle.xM(), p.yM() - middle.yM())));
        if (places.isEmpty()) {
            places.add(middle);
        }
        return places;
    }

    /** Points along one side, its middle among them. */
    private static List<Double> along(double from, double to) {
        double middle = (from + to) / 2;
        int steps = (int) Math.max(0, Math.min(MOST_STEPS, Math.floor(((to - from) / 2 - WALL_M) / STEP_M)));
        List<Double> points = new ArrayList<>();
        for (int i = -steps; i <= steps; i++) {
            points.add(middle + i * STEP_M);
        }
        return points;
    }
}
