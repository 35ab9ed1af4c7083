package org.skelto.core.plan.site;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.skelto.core.plan.format.IdOf;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Within;

/**
 * A door, a window or a gap in a wall.
 *
 * @param room id of the room whose wall it is in; a wall shared with another room has it too
 * @param wall number of the wall, from 0
 * @param atM from the wall's first corner to the nearer side of the opening, metres
 * @param widthM 0.1 to 20
 * @param sillM above the walking surface, metres
 * @param headM above the walking surface, more than the sill
 * @param construction what fills it, such as a wooden door or glazing
 */
@RecordBuilder
public record Opening(
        @IdOf(value = "rooms", what = "a room") String room,
        @Within(least = 0, most = 59) int wall,
        OpeningKind kind,

        @Within(least = -Limits.ROOM_MOST_M, most = Limits.ROOM_MOST_M, unit = "m")
        double atM,

        @Within(least = 0.1, most = 20, unit = "m") double widthM,
        @Within(least = 0, most = 20, unit = "m") double sillM,
        @Within(least = 0, most = 20, unit = "m") double headM,

        @IdOf(value = "constructions", what = "a construction")
        String construction)
        implements OpeningBuilder.With {}
