package org.skelto.core.plan.rules;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Id;
import org.skelto.core.plan.format.Limits;
import org.skelto.core.plan.format.Words;

/**
 * One thing on a control screen.
 *
 * @param of id of the device, rule or mode; one that is gone is kept, so that the screen can be mended
 * @param label what stands on it, or null for the name of the thing
 * @param confirm whether it asks before it acts
 */
public record Tile(
        Kind kind,
        @Id String of,
        @Nullable @Words(most = Limits.NAME_LENGTH) String label,
        boolean confirm) {
    /** What it shows and works. */
    public enum Kind {
        DEVICE,
        RULE,
        MODE
    }
}
