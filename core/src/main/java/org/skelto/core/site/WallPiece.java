package org.skelto.core.site;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/**
 * A straight piece of wall of one construction, with the rooms on both sides of it.
 *
 * @param floor id of its floor
 * @param axM one end on the site, metres
 * @param bxM other end
 * @param fromZM its foot
 * @param toZM its head
 * @param owners JSON pointers of the room walls that it belongs to, one or more
 */
@RecordBuilder
public record WallPiece(
        String floor,
        double axM,
        double ayM,
        double bxM,
        double byM,
        double fromZM,
        double toZM,
        String construction,
        List<String> owners)
        implements WallPieceBuilder.With {}
