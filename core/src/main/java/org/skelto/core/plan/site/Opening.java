package org.skelto.core.plan.site;

import io.soabase.recordbuilder.core.RecordBuilder;

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
        String room,
        int wall,
        OpeningKind kind,
        double atM,
        double widthM,
        double sillM,
        double headM,
        String construction)
        implements OpeningBuilder.With {}
