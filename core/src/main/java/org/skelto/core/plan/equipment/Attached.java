package org.skelto.core.plan.equipment;

import org.jspecify.annotations.Nullable;
import org.skelto.core.plan.format.Matches;
import org.skelto.core.plan.format.Within;

/**
 * A board beside a controller's main one.
 *
 * @param part id of the part in the catalogue
 * @param address on its bus, 1 to 247, or null when it has none or none is set
 * @param shifted whether a level shifter stands between it and the main board; null means not
 * @param driver how the coils of bare relays are driven, or null when the board does it
 */
public record Attached(
        @Matches(value = Matches.PART, says = Matches.NOT_A_PART)
        String part,

        @Nullable @Within(least = 1, most = 247) Integer address,
        @Nullable Boolean shifted,
        @Nullable Driver driver) {
    /** A board that is connected directly. */
    public Attached(String part, Integer address) {
        this(part, address, null, null);
    }

    /** Whether a level shifter stands before it. */
    public boolean behindShifter() {
        return Boolean.TRUE.equals(shifted);
    }
}
