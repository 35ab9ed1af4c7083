package org.skelto.core.build;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Something drawn, in millimetres from the upper left of its sheet.
 *
 * @param points x, y, x, y; one pair for text, its left, middle or right end
 * @param text or null
 */
public record Shape(
        Kind kind,
        CableLine.@Nullable Layer layer,
        List<Double> points,
        @Nullable String text) {
    /** What is drawn. */
    public enum Kind {
        LINE,
        /** Thin and dashed: what only controls. */
        CONTROL,
        BOX,
        DOT,
        TEXT,
        TEXT_RIGHT,
        SMALL,
        SMALL_RIGHT,
        TITLE
    }
}
