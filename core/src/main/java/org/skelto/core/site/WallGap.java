package org.skelto.core.site;

import io.soabase.recordbuilder.core.RecordBuilder;
import org.skelto.core.plan.site.OpeningKind;

/**
 * A door, window or gap where it is in a wall, for drawings.
 *
 * @param opening id of the opening
 * @param floor id of its floor
 * @param axM one side on the site, metres
 * @param bxM other side
 */
@RecordBuilder
public record WallGap(String opening, String floor, OpeningKind kind, double axM, double ayM, double bxM, double byM)
        implements WallGapBuilder.With {}
