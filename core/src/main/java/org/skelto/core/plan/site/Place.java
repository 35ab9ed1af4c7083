package org.skelto.core.plan.site;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Within;

/**
 * Where a thing is: in a room or at an outdoor spot.
 *
 * @param room id of the room, or null when it is at a spot or nowhere yet
 * @param spot id of the spot, or null when it is in a room
 * @param xM metres east, from the building's corner in a room, from the spot otherwise
 * @param yM metres north, likewise
 * @param heightM above the walking surface or the ground, metres, -10 to 100
 */
public record Place(
        @Nullable @IdOf(value = "rooms", what = "a room") String room,
        @Nullable @IdOf(value = "spots", what = "a spot") String spot,

        @Within(least = -Limits.LOCAL_M, most = Limits.LOCAL_M, unit = "m")
        double xM,

        @Within(least = -Limits.LOCAL_M, most = Limits.LOCAL_M, unit = "m")
        double yM,

        @Within(least = -10, most = 100, unit = "m") double heightM) {}
